import type { Lick } from '../line'
import { frameTicks } from '../line'
import type { TempoPlan, Turn } from '../performance'
import { secondsPerTick } from '../time'
import { inForm, type PracticeForm, roundOf } from './form'

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
  const ofBars = rounds.flatMap(({ version: { lick, tempo } }) => {
    const { bar, beat } = frameTicks(lick.frame)
    const played = inForm(lick, form)
    const bars = (played.frame.lead * bar + roundTicks(played)) / bar
    return Array.from({ length: bars }, () => ({ bar, perTick: secondsPerTick(tempo, beat) }))
  })
  return {
    turns: rounds.map(({ version }, i) => ({ lick: inForm(version.lick, form), pickup: i === 0 })),
    versions: rounds.map(({ index }) => index),
    plan: (bar) => ofBars[((bar % ofBars.length) + ofBars.length) % ofBars.length]?.perTick ?? 0,
    seconds: ofBars.reduce((sum, { bar, perTick }) => sum + bar * perTick, 0),
  }
}

/** Ticks of a lick's own bars, those of groove before it apart. */
function roundTicks(played: Lick): number {
  return roundOf(played, { kind: 'bars', groove: 0, fill: 1 }).ticks
}
