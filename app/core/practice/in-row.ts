import { modulo } from '../foundation'
import { frameTicks, type Lick } from '../line'
import type { TempoPlan, Turn } from '../performance'
import { secondsPerTick } from '../time'
import { effectiveForm, inForm, type PracticeForm, roundOf } from './form'

/** A version of a lick in a row of them: so often, at a tempo of its own in beats of its metre. */
export interface InRow {
  readonly lick: Lick
  readonly times: number
  readonly tempo: number
}

/** Versions one after the other without a break. */
export interface VersionRow {
  /** What is played, round by round. */
  readonly turns: readonly Turn[]
  /** Which version each round is of. */
  readonly versions: readonly number[]
  /** Seconds a tick of every bar, counted from 0 after the count-in; it goes round with the row. */
  readonly plan: TempoPlan
  /** The version that sounds in a bar, counted from 0 after the count-in. */
  readonly ofBar: (bar: number) => number | undefined
  readonly seconds: number
}

/**
 * Versions of a lick in a row, each in a form so often at its tempo. Throws RangeError for none.
 *
 * @example two versions, twice each, 1 + 1 at 96 in 4/4: four rounds of 5.000 s, 20.000 s
 */
export function versionsInRow(versions: readonly InRow[], form: PracticeForm): VersionRow {
  if (versions.length === 0) throw new RangeError('a row of no versions')
  const rounds = versions.flatMap((version, index) =>
    Array.from({ length: version.times }, () => ({ version, index })),
  )
  const ofBars = rounds.flatMap(({ version: { lick, tempo }, index }) => {
    const { bar, beat } = frameTicks(lick.frame)
    const played = inForm(lick, form)
    const bars = (played.frame.lead * bar + roundTicks(played)) / bar
    return Array.from({ length: bars }, () => ({
      bar,
      index,
      perTick: secondsPerTick(tempo, beat),
    }))
  })
  const at = (bar: number) => ofBars[modulo(bar, ofBars.length)]
  return {
    turns: rounds.map(({ version }, i) => ({ lick: inForm(version.lick, form), pickup: i === 0 })),
    versions: rounds.map(({ index }) => index),
    plan: (bar) => at(bar)?.perTick ?? 0,
    ofBar: (bar) => at(bar)?.index,
    seconds: ofBars.reduce((sum, { bar, perTick }) => sum + bar * perTick, 0),
  }
}

/**
 * Versions of a lick by turns without end, each so often, in one form: all of them with as many bars as the
 * longest needs. Throws RangeError for none, or for versions in another metre than the first.
 */
export function inTurn(
  versions: readonly Lick[],
  form: PracticeForm & { readonly kind: 'bars' },
  times: number,
): (round: number) => Lick {
  const [first] = versions
  if (!first) throw new RangeError('a turn of no versions')
  const { bar } = frameTicks(first.frame)
  if (versions.some(({ frame }) => frameTicks(frame).bar !== bar))
    throw new RangeError('versions in other metres')
  const fill = Math.max(...versions.map((lick) => effectiveForm(lick, form)).map(fillOf))
  const played = versions.map((lick) => inForm(lick, { ...form, fill }))
  return (round) => played[Math.floor(round / times) % played.length] as Lick
}

function fillOf(form: PracticeForm): number {
  return form.kind === 'bars' ? form.fill : 1
}

/** Ticks of a lick's own bars, those of groove before it apart. */
function roundTicks(played: Lick): number {
  return roundOf(played, { kind: 'bars', groove: 0, fill: 1 }).ticks
}
