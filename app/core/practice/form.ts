import { cycleOf, runOn } from '../fitting'
import { frameTicks, type Lick, MAX_BARS, NO_GROOVE, sumOf } from '../line'
import { secondsPerTick, type Ticks } from '../time'

/** Bars of groove and of fill by turns, half a bar of each, or the line over and over. */
export type PracticeForm =
  | { readonly kind: 'bars'; readonly groove: number; readonly fill: number }
  | { readonly kind: 'half' }
  | { readonly kind: 'over' }

export const PRACTICE_FORMS: readonly PracticeForm[] = [
  { kind: 'bars', groove: 1, fill: 1 },
  { kind: 'bars', groove: 2, fill: 2 },
  { kind: 'bars', groove: 3, fill: 1 },
  { kind: 'half' },
  { kind: 'over' },
]

/**
 * `1 + 1`, `in every bar` where no groove comes between, `half and half`, `over and over`.
 *
 * @example formName({ kind: 'over' }) // 'over and over'
 */
export function formName(form: PracticeForm): string {
  if (form.kind === 'bars' && form.groove === 0)
    return form.fill === 1 ? 'in every bar' : `in every ${form.fill} bars`
  if (form.kind === 'bars') return `${form.groove} + ${form.fill}`
  return form.kind === 'half' ? 'half and half' : 'over and over'
}

/**
 * A form as a lick is really played in it: with as many bars of fill as the lick needs. A fill is never
 * cut. Example: a fill of two bars in 1 + 1 is played 1 + 2.
 */
export function effectiveForm(lick: Lick, form: PracticeForm): PracticeForm {
  return form.kind === 'bars' ? { ...form, fill: Math.max(form.fill, sumOf(lick).bars) } : form
}

/** One round of a form, in ticks, and where in it the fill's bar (or half) begins. */
export interface Round {
  readonly ticks: Ticks
  readonly fillFrom: Ticks
}

/** The length of a round of a lick in a form. A fill is never cut: it has the bars that it needs. */
export function roundOf(lick: Lick, form: PracticeForm): Round {
  const { bar } = frameTicks(lick.frame)
  switch (form.kind) {
    case 'bars': {
      const fill = Math.max(form.fill, sumOf(lick).bars)
      return { ticks: (form.groove + fill) * bar, fillFrom: form.groove * bar }
    }
    case 'half':
      return { ticks: bar, fillFrom: bar / 2 }
    case 'over':
      return { ticks: Math.max(1, sumOf(lick).used.ticks), fillFrom: 0 }
  }
}

/** A lick as a form plays it: with its bars of groove before it, or none. */
export function inForm(lick: Lick, form: PracticeForm): Lick {
  const { frame } = lick
  if (form.kind === 'bars') {
    const bars = Math.max(form.fill, sumOf(lick).bars)
    return { ...lick, frame: { ...frame, lead: form.groove, bars } }
  }
  if (form.kind === 'half') return { ...lick, frame: { ...frame, lead: 0 } }
  return overAndOver(lick)
}

/**
 * A line over and over without a gap, from 1 until it meets the barline again: so the pulse stays a
 * pulse. One that takes longer than a lick may be is cut after the last whole time that fits.
 */
function overAndOver(lick: Lick): Lick {
  const landing = { kind: 'none', at: 'bar' } as const
  const frame = { ...lick.frame, start: 0, stop: null, lead: 0, landing, groove: NO_GROOVE }
  const alone = { ...lick, frame: { ...frame, bars: null, swells: [] } }
  const all = { from: 0, to: lick.line.slots.length }
  const cycle = cycleOf(alone, all)
  if (!cycle) return alone
  return runOn(alone, all, Math.min(MAX_BARS, cycle.bars))?.lick ?? alone
}

/** Seconds of a round at a tempo in beats of the metre. Example: 3 + 1 in 4/4 at 96 is 10 s. */
export function roundSeconds(lick: Lick, form: PracticeForm, tempo: number): number {
  const { beat } = frameTicks(lick.frame)
  return roundOf(lick, form).ticks * secondsPerTick(tempo, beat)
}
