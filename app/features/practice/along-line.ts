import { type Kit, noteOf } from '~/core/kit'
import { frameTicks, lickSlots, lineEvents, VELOCITIES } from '~/core/line'
import { threesOf } from '~/core/listening'
import type { Performance, SoundEvent } from '~/core/performance'
import { roundOf } from '~/core/practice'
import type { Limb, Voice } from '~/core/sticking'
import type { Ticks } from '~/core/time'
import type { AlongLine } from '~/workspace/along-session'
import { litOf } from './lights'
import type { Step } from './step-view'

/**
 * What is meant to be played of a step, and where in a round it lies. With what sounds beside it, it is meant
 * for a microphone: without limbs, since which hand struck it cannot tell, each instant one stroke, and with
 * the clicks that it may hear; of a click that is off only those that count in. `played` has the limbs all the
 * same, for who plays it.
 */
export function meantOf(
  step: Step,
  countsEach: boolean,
  beside: (() => Performance) | null,
  clicks = true,
) {
  const { lick } = step.part
  const { bar } = frameTicks(step.played.frame)
  const first = lickSlots(lick)[0]?.tick ?? 0
  const { lineFrom } = litOf(step, step.played, countsEach)
  const counted = countsEach && step.form.kind !== 'over' ? bar : 0
  const events = lineEvents(lick)
  const threes = threesOf(lick)
  const strokes = events.map(({ tick, limb, slot, dynamic }) => ({
    tick: tick - first,
    limb,
    slot,
    velocity: VELOCITIES[dynamic],
    three: threes.get(slot),
  }))
  const every = roundOf(lick, step.form).ticks + counted
  const played: AlongLine = { strokes, every }
  const surfaces = new Map(
    events.map(({ slot, limb, surface }) => [`${slot} ${limb}`, surface] as const),
  )
  const line: AlongLine = beside
    ? { strokes: withoutLimbs(strokes), every, clicks: clicksIn(beside(), lineFrom, clicks) }
    : played
  return {
    bar,
    lineFrom,
    played,
    line,
    /** The limb that strikes a pad in this line, by the kit's notes; undefined where several do, or none. */
    limbOf: (note: number, kit: Kit): Limb | undefined => {
      const limbs = new Set(
        events.flatMap(({ surface, limb }) => (noteOf(surface, kit) === note ? [limb] : [])),
      )
      const [limb] = limbs
      return limbs.size === 1 ? limb : undefined
    },
    surfaceOf: (slot: number, limb: Limb): Voice => surfaces.get(`${slot} ${limb}`) ?? 'sn',
  }
}

/** When a performance clicks, in ticks from the line's first slot; a click that is off counts in all the same. */
function clicksIn(
  { countIn, countInTicks, round }: Performance,
  lineFrom: Ticks,
  clicks: boolean,
): NonNullable<AlongLine['clicks']> {
  const ticks = (events: readonly SoundEvent[], from: Ticks) =>
    events.flatMap((event) =>
      event.kind === 'click' && (clicks || event.countIn) ? [event.tick - from - lineFrom] : [],
    )
  return { countIn: ticks(countIn, countInTicks), round: ticks(round(0), 0) }
}

/** Strokes of no limb, one at each instant, as loud as the loudest of them. */
function withoutLimbs(strokes: AlongLine['strokes']): AlongLine['strokes'] {
  const all: AlongLine['strokes'][number][] = []
  for (const stroke of strokes) {
    const last = all.at(-1)
    if (last?.tick !== stroke.tick) all.push({ ...stroke, limb: 'XH' })
    else if (last.velocity < stroke.velocity) all[all.length - 1] = { ...stroke, limb: 'XH' }
  }
  return all
}
