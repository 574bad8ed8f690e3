import { parseLickText } from '~/codecs/lick-text'
import { parseVoicing } from '~/codecs/voicing'
import { fitOf, type Lick } from '~/core/line'
import { type Disc, type SlotContent, strokeSurface, toDisc, type Voice } from '~/core/sticking'
import { gridName, meterName, placeName } from '~/core/time'
import { voiceLick } from '~/core/voicing'
import type { LickRecord } from '../records'
import type { Kept } from '../tables'

/** A lick as lists show it: its stacks, and the figures that tell it from others. */
export interface LickSummary {
  readonly id: string
  readonly title: string
  readonly tags: readonly string[]
  readonly stacks: readonly (readonly Disc[])[]
  /** Groups that a row has no room for. */
  readonly more: number
  /** Slots of the whole line. */
  readonly slots: number
  readonly length: string
  readonly fits: 'fits' | 'short' | 'over'
  readonly meter: string
  readonly grid: string
  readonly start: string
  readonly tempo: number
  readonly goal: number | null
  /** The surfaces that it is played on, as it is voiced. */
  readonly surfaces: readonly Voice[]
  readonly updatedAt: number
  /** The sticking as typed could not be read when it was saved. */
  readonly unfinished: boolean
  /** Lower case, for searching and for sorting by title. */
  readonly words: string
  readonly sortTitle: string
}

const MAX_STACKS = 12
/** More than a row shows of one group. */
const MAX_DISCS = 64

/** What lists show of a lick. Unreadable texts have a summary too: they are listed as such. */
export function toSummary(record: Kept<LickRecord>): LickSummary {
  const read = parseLickText(record.text)
  if (!read.ok) return { ...UNREADABLE, id: record.id, updatedAt: record.updatedAt }
  const { lick } = read.value
  const { frame, line } = lick
  const sum = fitOf(lick)
  const used = Math.round(sum.used.slots * 100) / 100
  const available = Math.round(sum.available.slots * 100) / 100
  const title = lick.title || 'Untitled'
  const [meter, grid] = [meterName(frame.meter), gridName(frame.grid)]
  const voicing = parseVoicing(record.voicing)
  const voiced = voicing.ok ? voiceLick(lick, voicing.value) : lick
  return {
    id: record.id,
    title,
    tags: lick.tags,
    stacks: stacksOf(lick),
    more: Math.max(0, line.groups.length - MAX_STACKS),
    slots: line.slots.length,
    length: sum.fits ? `${used} slots` : `${used} of ${available} slots`,
    fits: sum.fits ? 'fits' : sum.left.ticks > 0 ? 'short' : 'over',
    meter,
    grid,
    start: placeName(frame.start, frame.meter),
    tempo: frame.tempo,
    goal: frame.goal,
    surfaces: surfacesOf(voiced),
    updatedAt: record.updatedAt,
    unfinished: record.draft !== null,
    words: [title, ...lick.tags, meter, grid].join(' ').toLowerCase(),
    sortTitle: title.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase(),
  }
}

const UNREADABLE = {
  title: 'Unreadable',
  tags: [],
  stacks: [],
  more: 0,
  slots: 0,
  length: '',
  fits: 'short',
  meter: '',
  grid: '',
  start: '',
  tempo: 0,
  goal: null,
  surfaces: [],
  unfinished: true,
  words: '',
  sortTitle: '',
} as const

function stacksOf({ line }: Lick): Disc[][] {
  let from = 0
  return line.groups.slice(0, MAX_STACKS).map((size) => {
    const slots = line.slots.slice(from, from + Math.min(size, MAX_DISCS))
    from += size
    return slots.map(toDisc)
  })
}

/** What the line strikes, each once, in the order of its first stroke. */
function surfacesOf({ line }: Lick): Voice[] {
  const surfaces = new Set<Voice>()
  const strike = (struck: SlotContent) => {
    if (struck.kind === 'struck')
      for (const stroke of struck.strokes) surfaces.add(strokeSurface(stroke))
  }
  for (const slot of line.slots) {
    if (slot.kind === 'squeeze') slot.parts.forEach(strike)
    else strike(slot)
  }
  return [...surfaces]
}
