import { type Key, parseLickText, setValues } from '~/codecs/lick-text'
import { applyTransaction, toTransaction } from '~/core/editing'
import { frameTicks, type Lick, strokeEvents, TEMPO_RANGE, trueSpeed } from '~/core/line'
import { findPlace, isStraight, meterName, swungTick } from '~/core/time'
import { wholeMs } from '~/words/figures'

/** A key of the text with the values that it is to have. */
type Row = readonly [key: Key, values: readonly string[]]

/** What is said of a change of the frame; with another way to make it, where there is one. */
export interface FrameNotice {
  readonly message: string
  readonly offer: { readonly label: string; readonly rows: readonly Row[] } | null
}

/** A text with other values in its frame. */
export function withRows(text: string, rows: readonly Row[]): string {
  const splices = rows.flatMap(([key, values]) => setValues(text, key, values))
  return applyTransaction(text, toTransaction('set', splices))
}

/**
 * Why the frame of a text cannot be changed so, and what would make it possible; null where it can.
 * A text that cannot be read already is only held against the faults that the change would add.
 * Example: 3/4 for a line that starts on 4& offers to start on 1.
 */
export function frameFault(text: string, rows: readonly Row[]): FrameNotice | null {
  const [before, after] = [parseLickText(text), parseLickText(withRows(text, rows))]
  if (after.ok) return null
  const known = before.ok ? [] : before.error.map(({ code, found }) => `${code} ${found}`)
  const fresh = after.error.find(({ code, found }) => !known.includes(`${code} ${found}`))
  if (!fresh) return null
  const meter = rows.find(([key]) => key === 'meter')?.[1][0]
  if (meter !== undefined && (fresh.code === 'start' || fresh.code === 'stop')) {
    const eased: readonly Row[] = [...rows, ['start', ['1']], ['stop', []]]
    const what = fresh.code === 'start' ? 'the line starts' : 'the groove stops'
    return {
      message: `A bar of ${meter} has no ${fresh.found}, where ${what}.`,
      offer: frameFault(text, eased) ? null : { label: 'Start on 1', rows: eased },
    }
  }
  if (fresh.code === 'start') {
    const bar = before.ok ? `A bar of ${meterName(before.value.lick.frame.meter)}` : 'The bar'
    return { message: `${bar} has no ${fresh.found}.`, offer: null }
  }
  return { message: `Expected ${fresh.expected}`, offer: null }
}

/**
 * What a change of metre or grid keeps and what it does not: the tempo stays, so that a slot takes
 * another time; the offer keeps the stroke speed instead. Null where a slot takes what it took.
 * Example: 4/4 at 80 in 7/8, whose beat is the eighth: a slot takes 375 ms, before 187.5.
 */
export function speedNotice(before: Lick, after: Lick): FrameNotice | null {
  const [was, is] = [slotMs(before), slotMs(after)]
  if (Math.abs(was - is) < 1e-9) return null
  const { tempo, goal } = after.frame
  const kept = (bpm: number) => Math.round(((bpm * is) / was) * 1e4) / 1e4
  const inRange = (bpm: number) => bpm >= TEMPO_RANGE.least && bpm <= TEMPO_RANGE.most
  const scaled = [tempo, ...(goal === null ? [] : [goal])].map(kept)
  const message = `The tempo stays at ${tempo}: a slot now takes ${wholeMs(is)} ms, before ${wholeMs(was)}.`
  if (!scaled.every(inRange)) return { message, offer: null }
  const rows: readonly Row[] = [
    ['tempo', [String(kept(tempo))]],
    ...(goal === null ? [] : [['goal', [String(kept(goal))]] as const]),
  ]
  return { message, offer: { label: `Keep the stroke speed: tempo ${kept(tempo)}`, rows } }
}

function slotMs({ frame }: Lick): number {
  return trueSpeed(frame.tempo, frameTicks(frame).beat, frame.grid).millisecondsPerSlot
}

/** Whether the swing moves none of a lick's strokes: all stand where it does not lean, or on triplets. */
export function swingMovesNothing(lick: Lick): boolean {
  const { swing, meter } = lick.frame
  if (isStraight(swing)) return false
  return strokeEvents(lick).every(({ tick, grid }) => swungTick(tick, grid, swing, meter) === tick)
}

/** The rows that begin the line elsewhere: a groove that would stop after it stops with it. */
export function startRows({ frame }: Lick, place: string): readonly Row[] {
  const start = findPlace(place, frame.meter) ?? 0
  const moved: Row = ['start', [place]]
  return frame.stop !== null && frame.stop > start ? [moved, ['stop', []]] : [moved]
}
