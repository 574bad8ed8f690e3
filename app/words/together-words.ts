import { type Lick, lineEvents } from '~/core/line'
import { ostinatoMeetings } from '~/core/playability'
import { isOneHand, type Limb } from '~/core/sticking'
import type { CountingSystem, Ticks } from '~/core/time'
import { plural } from './figures'
import { LIMB_NAMES } from './limb-names'
import { placeIn } from './places'

/**
 * What is true of the line, and of the whole: `The line is linear`, then where each ostinato meets it
 * and where on the same side. Empty where nothing is played.
 */
export function togetherWords(lick: Lick, linear: boolean, counting?: CountingSystem): string[] {
  if (lineEvents(lick).length === 0) return []
  const line = linear
    ? 'The line is linear'
    : `The line is not linear: ${whereTogether(lick, counting)}`
  return [line, ...ostinatoMeetings(lick).map((meeting) => meetingWords(lick, meeting, counting))]
}

function meetingWords(
  lick: Lick,
  { limbs, ticks, sameSide }: ReturnType<typeof ostinatoMeetings>[number],
  counting?: CountingSystem,
): string {
  const who = limbs.map((limb) => LIMB_NAMES[limb]).join(' and ')
  const side =
    sameSide.length === ticks.length
      ? ', always on the same side'
      : sameSide.length > 0
        ? `, on the same side on ${placesOf(lick, sameSide, counting)}`
        : ''
  return `It meets the ${who} ostinato on ${placesOf(lick, ticks, counting)}${side}`
}

/** Where limbs meet, where both hands share a surface, and how many strokes have graces. */
function whereTogether(lick: Lick, counting?: CountingSystem): string {
  const events = lineEvents(lick)
  const meeting = new Set<Ticks>()
  const sharing = new Set<Ticks>()
  for (const [i, event] of events.entries()) {
    const next = events[i + 1]
    if (event.tick !== next?.tick) continue
    meeting.add(event.tick)
    if (isHandLimb(event.limb) && isHandLimb(next.limb) && event.surface === next.surface)
      sharing.add(event.tick)
  }
  const graces = events.filter(({ grace }) => grace > 0).length
  return [
    meeting.size > 0 ? `limbs together on ${placesOf(lick, [...meeting], counting)}` : '',
    sharing.size > 0
      ? `both hands on one surface on ${placesOf(lick, [...sharing], counting)}`
      : '',
    graces > 0 ? `${plural(graces, 'stroke')} with graces` : '',
  ]
    .filter(Boolean)
    .join('; ')
}

function isHandLimb(limb: Limb): boolean {
  return isOneHand(limb) || limb === 'XH'
}

const SHOWN_PLACES = 6

function placesOf(lick: Lick, ticks: readonly Ticks[], counting?: CountingSystem): string {
  const places = ticks.slice(0, SHOWN_PLACES).map((tick) => placeIn(lick, tick, counting))
  const more = ticks.length - places.length
  return places.join(', ') + (more > 0 ? ` and ${more} more` : '')
}

/** How often each limb strikes in the line: `R 6, L 5, K 5`. */
export function limbCounts(lick: Lick): string {
  const counts = new Map<string, number>()
  for (const { limb, surface } of lineEvents(lick)) {
    const letter = limb === 'LF' ? (surface === 'b2' ? 'J' : 'H') : LETTER[limb]
    counts.set(letter, (counts.get(letter) ?? 0) + 1)
  }
  return ['R', 'L', 'X', 'K', 'J', 'H']
    .flatMap((letter) => (counts.has(letter) ? [`${letter} ${counts.get(letter)}`] : []))
    .join(', ')
}

const LETTER: Readonly<Record<Exclude<Limb, 'LF'>, string>> = {
  RH: 'R',
  LH: 'L',
  XH: 'X',
  RF: 'K',
}
