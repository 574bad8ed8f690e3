import { parseLickText, turnHands } from '~/codecs/lick-text'
import { type Lick, sumOf, timedSlots } from '~/core/line'
import { gridName, meterName, placeName } from '~/core/time'
import type { LickRecord } from '~/storage'
import { type Disc, toDisc } from '../stacks/disc'

/** A lick as a row of the library: its stacks, and the figures that tell it from others. */
export interface LickRow {
  readonly id: string
  readonly title: string
  readonly tags: readonly string[]
  readonly stacks: readonly (readonly Disc[])[]
  /** Groups that the row has no room for. */
  readonly more: number
  readonly length: string
  readonly fits: 'fits' | 'short' | 'over'
  readonly meter: string
  readonly grid: string
  readonly start: string
  readonly tempo: number
  readonly goal: number | null
  readonly updatedAt: number
  /** The sticking as typed could not be read when it was kept. */
  readonly unfinished: boolean
  /** Lower case, for searching. */
  readonly words: string
}

const MOST_STACKS = 12
const caches = [new WeakMap<LickRecord, LickRow>(), new WeakMap<LickRecord, LickRow>()] as const

/** The row of a stored lick, its letters turned or not; worked out once a record. */
export function toLickRow(record: LickRecord, turned: boolean): LickRow {
  const cache = caches[turned ? 1 : 0]
  const known = cache.get(record)
  if (known) return known
  const read = parseLickText(turned ? turnHands(record.text) : record.text)
  const row = read.ok ? rowOf(record, read.value.lick) : unreadableRow(record)
  cache.set(record, row)
  return row
}

function rowOf(record: LickRecord, lick: Lick): LickRow {
  const { frame, line } = lick
  const sum = sumOf(lick)
  const stacks: Disc[][] = []
  for (const slot of timedSlots(line, frame.grid, frame.start)) {
    if (slot.group >= MOST_STACKS) break
    stacks[slot.group] ??= []
    stacks[slot.group]?.push(toDisc(slot.content))
  }
  const used = Math.round(sum.used.slots * 100) / 100
  const available = Math.round(sum.available.slots * 100) / 100
  const title = lick.title || 'Untitled'
  return {
    id: record.id,
    title,
    tags: lick.tags,
    stacks,
    more: Math.max(0, line.groups.length - MOST_STACKS),
    length: sum.fits ? `${used} slots` : `${used} of ${available} slots`,
    fits: sum.fits ? 'fits' : sum.left.ticks > 0 ? 'short' : 'over',
    meter: meterName(frame.meter),
    grid: gridName(frame.grid),
    start: placeName(frame.start, frame.meter),
    tempo: frame.tempo,
    goal: frame.goal,
    updatedAt: record.updatedAt,
    unfinished: record.draft !== null,
    words: [title, ...lick.tags, meterName(frame.meter), gridName(frame.grid)]
      .join(' ')
      .toLowerCase(),
  }
}

function unreadableRow(record: LickRecord): LickRow {
  return {
    id: record.id,
    title: 'Unreadable',
    tags: [],
    stacks: [],
    more: 0,
    length: '',
    fits: 'short',
    meter: '',
    grid: '',
    start: '',
    tempo: 0,
    goal: null,
    updatedAt: record.updatedAt,
    unfinished: true,
    words: '',
  }
}

export type SortKey = 'changed' | 'title' | 'tempo' | 'length'

/** The rows that have every word of a search and a tag, in an order. */
export function chosenRows(
  rows: readonly LickRow[],
  search: string,
  tag: string,
  sort: SortKey,
): LickRow[] {
  const wanted = search.toLowerCase().split(/\s+/).filter(Boolean)
  const found = rows.filter(
    (row) =>
      wanted.every((word) => row.words.includes(word)) && (tag === '' || row.tags.includes(tag)),
  )
  return found.sort(ORDERS[sort])
}

const ORDERS: Readonly<Record<SortKey, (a: LickRow, b: LickRow) => number>> = {
  changed: (a, b) => b.updatedAt - a.updatedAt,
  title: (a, b) => a.title.localeCompare(b.title),
  tempo: (a, b) => a.tempo - b.tempo || a.title.localeCompare(b.title),
  length: (a, b) => discs(a) - discs(b) || a.title.localeCompare(b.title),
}

function discs({ stacks }: LickRow): number {
  return stacks.reduce((sum, stack) => sum + stack.length, 0)
}
