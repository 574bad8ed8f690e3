import { useCallback, useMemo } from 'react'
import { soundsOn } from '~/core/kit'
import { frameTicks, type Lick } from '~/core/line'
import { onKit, toMedley, toPerformance } from '~/core/performance'
import type { Setting } from '~/core/playing'
import {
  type Bounds,
  findPulsed,
  inTurn,
  loopPart,
  type PracticeForm,
  toImprovised,
} from '~/core/practice'
import { clickedMarks, type Settings } from '~/storage'
import type { DeskState } from '~/workspace/practice-desk'
import { type Step, toStep } from './step-view'

interface Chosen {
  readonly lick: Lick
  /** The lick on the grid that is played on. */
  readonly played: Lick
  /** The step of the plan; undefined where there is none. */
  readonly listed: Step | undefined
  readonly desk: Pick<DeskState, 'loop' | 'loopForm'>
  readonly settings: Settings
  readonly setting: Setting
  /** Within what it is drawn anew each time; null where it is played as it is. */
  readonly bounds: Bounds | null
  /** What is played by turns with the line as it is; none where it is played alone. */
  readonly others: readonly Lick[]
}

/** What is played: the step of the plan or the loop in its place, and how it sounds. */
export function useStep({ lick, played, listed, desk, settings, setting, bounds, others }: Chosen) {
  const { loop, loopForm } = desk
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const step = useMemo(
    () => (loop ? toStep(loopPart(played, loop), loopForm, played) : listed),
    [loop, loopForm, played, listed],
  )
  const pulsed = useMemo(() => step && findPulsed(step.played), [step])
  const heard = (settings.pulse ? pulsed : undefined) ?? step?.played ?? lick
  const countsEach = settings.practiceCountIn === 'each' && step?.form.kind !== 'over'
  // Only what is kept as it was heard can be improvised: the whole line, once a round.
  const drawable = step !== undefined && heard.line.slots.length === played.line.slots.length
  const drawn = drawable ? bounds : null
  const form = step?.form
  const inTurns = useMemo(
    () => (drawable && form?.kind === 'bars' ? turnsOf(heard, others, form) : null),
    [drawable, form, heard, others],
  )
  const compose = useCallback(() => {
    const options = {
      countIn: countsEach ? ('each' as const) : settings.practiceCountIn !== 'off',
      click: {
        marks: clickedMarks(settings),
        dropOut: settings.dropOut,
        inEighths: settings.sextupletsInEighths,
      },
      grooves: setting.grooves ?? [],
      swapsGroove: setting.player.swapsGroove ?? false,
    }
    const performance = inTurns
      ? toMedley(inTurns, options)
      : drawn
        ? toMedley(toImprovised(heard, drawn, setting), options)
        : toPerformance(heard, { ...options, loop: true })
    return onKit(performance, sounds)
  }, [heard, countsEach, settings, setting, sounds, drawn, inTurns])
  return { step, heard, pulsed, countsEach, compose, drawable }
}

/** How often each version comes before the next. */
const TIMES_IN_TURN = 2

/** The line and other versions of it by turns; null where there are none that can follow it. */
function turnsOf(heard: Lick, others: readonly Lick[], form: PracticeForm & { kind: 'bars' }) {
  const { bar } = frameTicks(heard.frame)
  const fitting = others.filter(({ frame }) => frameTicks(frame).bar === bar)
  return fitting.length > 0 ? inTurn([heard, ...fitting], form, TIMES_IN_TURN) : null
}
