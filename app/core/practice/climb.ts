import type { Ticks } from '../time'

/** From a bar on, counted from 0 after the count-in, a rung of the ladder. */
export interface Standing {
  readonly bar: number
  readonly rung: number
}

/** How a ladder is climbed while it plays. */
export interface Climb {
  /** How many rungs there are. */
  readonly rungs: number
  readonly barTicks: Ticks
  /** One time through what is repeated; of a form a round, with its count-in. */
  readonly repeatTicks: Ticks
  /** Bars after which what is played comes round: there the tempo may change. */
  readonly roundBars: number
  /** After so many repeats the ladder is climbed without being asked; null for never. */
  readonly every: number | null
}

const GROUND: Standing = { bar: 0, rung: 0 }

/**
 * The rung that holds in a bar, and since which bar: the last one chosen, and what was climbed from
 * there since. A rung lasts whole bars: the first barline at which its repeats are over.
 */
export function standAt(chosen: readonly Standing[], bar: number, climb: Climb): Standing {
  const { bar: since, rung } = chosen.findLast((one) => one.bar <= bar) ?? GROUND
  if (climb.every === null) return { bar: since, rung }
  const bars = barsOfRung(climb, climb.every)
  const climbed = Math.min(climb.rungs - 1 - rung, Math.floor((bar - since) / bars))
  return { bar: since + climbed * bars, rung: rung + climbed }
}

/**
 * Bars that so many repeats take; more where they end inside one.
 *
 * @example barsOfRung({ repeatTicks: 30240, barTicks: 40320 }, 4) // 3
 */
export function barsOfRung({ repeatTicks, barTicks }: Climb, repeats: number): number {
  return Math.max(1, Math.ceil((repeats * repeatTicks) / barTicks))
}

/**
 * Whole repeats on a rung, after so many ticks since the count-in.
 *
 * @example repeatsOn({ bar: 1, rung: 0 }, 120960, { barTicks: 40320, repeatTicks: 40320 }) // 2
 */
export function repeatsOn(
  stand: Standing,
  played: Ticks,
  { barTicks, repeatTicks }: Climb,
): number {
  return Math.max(0, Math.floor((played - stand.bar * barTicks) / repeatTicks))
}

/**
 * Chooses a rung while a bar sounds: it holds from where what is played comes round next, so that
 * nothing is cut. Before anything sounds (`bar` null) it holds at once.
 *
 * @example chooseRung([{ bar: 0, rung: 0 }], 1, 2, { roundBars: 4 }) // [{ bar: 0, rung: 0 }, { bar: 4, rung: 1 }]
 */
export function chooseRung(
  chosen: readonly Standing[],
  rung: number,
  bar: number | null,
  { roundBars }: Climb,
): Standing[] {
  if (bar === null) return [{ bar: 0, rung }]
  const from = (Math.floor(bar / roundBars) + 1) * roundBars
  return [...chosen.filter((one) => one.bar < from), { bar: from, rung }]
}
