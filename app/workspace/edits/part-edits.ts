import type { SlotRange } from '~/core/changes'
import { modulo } from '~/core/foundation'
import {
  aimOf,
  frameTicks,
  type Lick,
  lickSlots,
  MAX_NAMED_PARTS,
  PART_NAME_MOST,
} from '~/core/line'
import { strokesInSlot } from '~/core/sticking'
import { listWords } from '~/words/figures'
import type { Edit } from './edits'

/** Slots of the line under a name: a part of the player's own, behind those that there are. */
export function namePart(lick: Lick, { from, to }: SlotRange, name: string): Edit {
  const part = { name: tidy(name), from, to: Math.max(from, to - 1) }
  return { label: `Name the part ${part.name}`, lick: { ...lick, parts: [...lick.parts, part] } }
}

/**
 * The beats of the line as parts, behind those that there are; what is a part already is left out. A beat with one
 * stroke or none is no step of its own: it joins the one before it, the first one the next.
 *
 * @example `RLRL RLRL` in sixteenths from 3 are `beat 3` and `beat 4`; of `RLRL R---` they are `beats 3 and 4`
 */
export function nameBeats(lick: Lick): Edit {
  const parts = beatSpans(lick)
    .map(({ beats, from, to }) => ({ name: beatsName(beats, lick), from, to }))
    .filter((one) => !lick.parts.some(({ from, to }) => from === one.from && to === one.to))
  return {
    label: 'Name the beats as parts',
    lick: { ...lick, parts: [...lick.parts, ...parts].slice(0, MAX_NAMED_PARTS) },
  }
}

/** The slots of one beat or of several, both ends included; beats count from the fill's barline, from 0. */
interface BeatSpan {
  readonly beats: readonly number[]
  readonly from: number
  readonly to: number
}

function beatSpans(lick: Lick): BeatSpan[] {
  const { beat } = frameTicks(lick.frame)
  const spans: (BeatSpan & { strokes: number })[] = []
  for (const { index, tick, content } of lickSlots(lick)) {
    const at = Math.floor(tick / beat)
    const strokes = strokesInSlot(content).length
    const last = spans.at(-1)
    if (last?.beats.includes(at)) {
      spans[spans.length - 1] = { ...last, to: index, strokes: last.strokes + strokes }
    } else spans.push({ beats: [at], from: index, to: index, strokes })
  }
  const joined: typeof spans = []
  for (const span of spans) {
    const before = joined.at(-1)
    if (!before || (span.strokes > 1 && before.strokes > 1)) joined.push(span)
    else {
      const strokes = before.strokes + span.strokes
      const beats = [...before.beats, ...span.beats]
      joined[joined.length - 1] = { beats, from: before.from, to: span.to, strokes }
    }
  }
  return joined
}

/** `beat 3`, `beats 3 and 4`, `beats 1 to 4`, with the bar where the line has several: `bar 2, beat 1`. */
function beatsName(beats: readonly number[], lick: Lick): string {
  const { bar, beat } = frameTicks(lick.frame)
  const perBar = bar / beat
  const numbers = beats.map((at) => String(modulo(at, perBar) + 1))
  const [from, to] = [numbers[0], numbers.at(-1)]
  const several = numbers.length === 2 ? listWords(numbers) : `${from} to ${to}`
  const words = numbers.length === 1 ? `beat ${from}` : `beats ${several}`
  const [first, last] = [beats[0] ?? 0, beats.at(-1) ?? 0].map((at) => Math.floor(at / perBar) + 1)
  // Over a barline each end has its bar.
  if (first !== last) return `bar ${first}, beat ${from} to bar ${last}, beat ${to}`
  return aimOf(lick).bars > 1 ? `bar ${first}, ${words}` : words
}

/** A part under another name. */
export function renamePart(lick: Lick, at: number, name: string): Edit {
  const parts = lick.parts.map((part, i) => (i === at ? { ...part, name: tidy(name) } : part))
  return { label: `Rename the part ${tidy(name)}`, lick: { ...lick, parts } }
}

/** The line without a part; its strokes stay. */
export function removePart(lick: Lick, at: number): Edit {
  const label = `Remove the part ${lick.parts[at]?.name ?? ''}`
  return { label, lick: { ...lick, parts: lick.parts.filter((_, i) => i !== at) } }
}

function tidy(name: string): string {
  return name.replace(/\s+/g, ' ').replaceAll('#', '').trim().slice(0, PART_NAME_MOST)
}
