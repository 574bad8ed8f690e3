import { type Kit, noteOf } from '~/core/kit'
import { frameTicks, lineEvents } from '~/core/line'
import type { Performance, SoundEvent } from '~/core/performance'
import { roundOf } from '~/core/practice'
import type { Limb, Voice } from '~/core/sticking'
import type { Ticks } from '~/core/time'
import { type LineStroke, lineStrokes } from '~/core/timing'
import type { Step } from '~/words/practice-steps'
import type { AlongLine } from '~/workspace/along-session'
import { litOf } from './lights'

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
  const { lineFrom } = litOf(step, step.played, countsEach)
  const counted = countsEach && step.form.kind !== 'over' ? bar : 0
  const events = lineEvents(lick)
  const every = roundOf(lick, step.form).ticks + counted
  const rounds = roundsOf(step, every)
  const played: AlongLine = { rounds, every }
  const surfaces = new Map(
    events.map(({ slot, limb, surface }) => [`${slot} ${limb}`, surface] as const),
  )
  const line: AlongLine = beside
    ? { rounds: rounds.map(withoutLimbs), every, clicks: clicksIn(beside(), lineFrom, clicks) }
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

/**
 * The strokes of the rounds that a step goes through before it is the same again, where they sound in what is
 * played: over and over, the line lies elsewhere in the bar each time.
 */
function roundsOf({ part, played }: Step, every: Ticks): LineStroke[][] {
  const slots = Math.max(1, part.lick.line.slots.length)
  const rounds: LineStroke[][] = []
  for (const { three, ...stroke } of lineStrokes(played)) {
    const number = Math.floor(stroke.slot / slots)
    rounds[number] ??= []
    rounds[number].push({
      ...stroke,
      tick: stroke.tick - played.frame.start - number * every,
      slot: stroke.slot - number * slots,
      ...(three && { three: { ...three, from: three.from - number * slots } }),
    })
  }
  return rounds
}

/** Strokes of no limb, one at each instant, as loud as the loudest of them. */
function withoutLimbs(strokes: readonly LineStroke[]): LineStroke[] {
  const all: LineStroke[] = []
  for (const { grace, ...stroke } of strokes) {
    const last = all.at(-1)
    const graces = grace ?? (last?.tick === stroke.tick ? last.grace : undefined)
    const one: LineStroke = {
      ...stroke,
      limb: 'XH',
      ...(graces && { grace: { strokes: graces.strokes } }),
    }
    if (last?.tick !== stroke.tick) all.push(one)
    else if (last.velocity < stroke.velocity || grace)
      all[all.length - 1] = { ...one, velocity: Math.max(last.velocity, stroke.velocity) }
  }
  return all
}
