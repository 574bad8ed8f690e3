import { namesInLine, namingWords } from '~/core/catalogue'
import type { Player } from '~/core/kit'
import {
  frameTicks,
  type Lick,
  limbClashes,
  lineEvents,
  type Sum,
  sumOf,
  trueSpeed,
} from '~/core/line'
import {
  DEFAULT_SETTING,
  type FootLanding,
  footLanding,
  type LandingHand,
  landingHands,
  type Move,
  missingPedal,
  type Setting,
  speedLimit,
  undecidedSlots,
} from '~/core/playing'
import { type Limb, SURFACE_NAMES } from '~/core/sticking'
import { secondsPerTick, type Ticks } from '~/core/time'
import { theSurface } from '../voicing/surface-words'
import { plural, tenth } from './figures'
import { LIMB_NAMES } from './limb-names'
import { placeIn } from './places'

/** What is said beside the ruler besides the fit. Sentences are whole; figures are computed. */
export interface Answers {
  readonly lands: readonly string[]
  readonly foot: (FootLanding & { readonly text: string }) | null
  readonly speed: string
  /** How fast it can be played, and what sets that: the line, into its landing, in its form. */
  readonly limits: readonly string[]
  /** The move that sets the limit of the line alone. */
  readonly bottleneck: Move | null
  readonly linear: string
  /** What the line is, or what its groups are; empty where the catalogue knows none of them. */
  readonly names: readonly string[]
  /** A second bass drum pedal that the kit lacks; empty where nothing is missing. */
  readonly pedal: string
  readonly clashes: readonly string[]
}

/** Everything that is said of a lick at a playing tempo. */
export function toAnswers(lick: Lick, tempo: number, setting: Setting = DEFAULT_SETTING): Answers {
  const { frame } = lick
  const sum = sumOf(lick)
  const { beat } = frameTicks(frame)
  const milliseconds = (ticks: Ticks) => ticks * secondsPerTick(tempo, beat) * 1000
  const speed = trueSpeed(tempo, beat, frame.grid)
  const clashes = limbClashes(lick)
  const shown = clashes
    .slice(0, 3)
    .map(({ tick, limb }) => `${LIMB_NAMES[limb]} wanted twice at ${placeIn(lick, tick)}`)
  return {
    lands: landing(lick, sum, milliseconds, landingHands(lick, setting, tempo)),
    foot: footAdvice(lick, milliseconds, setting.player),
    speed: `${Math.round(speed.strokesPerMinute)} slots a minute, ${tenth(speed.millisecondsPerSlot)} ms each`,
    ...limits(lick, setting),
    linear:
      lineEvents(lick).length === 0
        ? ''
        : sum.linear
          ? 'Linear: no two limbs together'
          : together(lick),
    names: cellNames(lick),
    pedal: pedalWords(lick, setting, tempo),
    clashes: clashes.length > 3 ? [...shown, `and ${clashes.length - 3} more`] : shown,
  }
}

const READINGS = [
  ['line', 'Plays up to'],
  ['landing', 'Into its landing up to'],
  ['loop', 'In its form up to'],
] as const

/** The limit of the line, and of a wider reading where that is lower; at a usual setting. */
function limits(lick: Lick, setting: Setting): Pick<Answers, 'limits' | 'bottleneck'> {
  if (undecidedSlots(lick).length > 0) {
    return {
      limits: ['How fast it plays is not known: hands are not decided'],
      bottleneck: null,
    }
  }
  let lowest = Number.POSITIVE_INFINITY
  let first: Move | null = null
  const said = READINGS.flatMap(([reading, words]) => {
    const { bpm, bottleneck } = speedLimit(lick, reading, setting)
    if (bpm === null || !bottleneck || bpm >= lowest * (1 - 1e-9)) return []
    lowest = bpm
    if (reading === 'line') first = bottleneck
    return [`${words} ${tenth(bpm)}: ${moveWords(lick, bottleneck)}`]
  })
  return { limits: said, bottleneck: first }
}

/** `kick again at 4a, as a double: 110 ms`, `right hand, floor tom to snare, at 3e: 212 ms`. */
export function moveWords(lick: Lick, move: Move): string {
  const { limb, fromSurface, toSurface, fromTick, toTick, needMs, rebound } = move
  const [from, to] = [SURFACE_NAMES[fromSurface], SURFACE_NAMES[toSurface]]
  const what = from === to ? 'again' : `${from} to ${to}`
  const how = rebound ? ', as a double' : ''
  const where = `from ${placeIn(lick, fromTick)} to ${placeIn(lick, toTick)}`
  return `${LIMB_NAMES[limb]} ${what}, ${where}${how}, needs ${Math.round(needMs)} ms`
}

function pedalWords(lick: Lick, { kit }: Setting, tempo: number): string {
  const missing = missingPedal(lick, kit, tempo)
  if (!missing) return ''
  const lead =
    missing.nearestMs === null ? '' : `, ${tenth(missing.nearestMs)} ms between its nearest strokes`
  return `${kit.name} has one pedal: J is missing ${plural(missing.strokes, 'stroke')}; by the lead foot alone${lead || ' it is one stroke'}`
}

const MOST_NAMES = 4

function cellNames({ line }: Lick): string[] {
  const { whole, groups } = namesInLine(line)
  if (whole) return [namingWords(whole)]
  const known = groups.flatMap((name) => (name ? [namingWords(name)] : []))
  return [...new Set(known)].slice(0, MOST_NAMES)
}

function landing(
  lick: Lick,
  sum: Sum,
  milliseconds: (ticks: Ticks) => number,
  hands: readonly LandingHand[],
): string[] {
  const approach = sum.landing
  if (!approach) return ['Nothing is played yet']
  const last = lineEvents(lick).at(-1)
  const limbs = approach.lastLimbs.map((limb) => LIMB_NAMES[limb]).join(' and ')
  const surfaces = [
    ...new Set(approach.lastSurfaces.map((surface) => SURFACE_NAMES[surface])),
  ].join(' and ')
  const gap = milliseconds(approach.gapTicks)
  const when =
    gap > 0 ? `${tenth(gap)} ms before` : gap === 0 ? 'right on' : `${tenth(-gap)} ms after`
  const lines = [
    `Last: ${limbs} on ${surfaces}, at ${placeIn(lick, last?.tick ?? 0)}, ${when} the landing`,
  ]
  const { kind } = lick.frame.landing
  if (kind === 'crash' || kind === 'stop') {
    lines.push(FREE_HAND_WORDS[approach.freeHand])
    if (hands.length > 0 && gap > 0) lines.push(crashWords(hands))
  }
  return lines
}

/** Which hand is there in time at this tempo, on which crash; or that none is. */
function crashWords(hands: readonly LandingHand[]): string {
  const [best] = hands.filter(({ hasMs, needMs }) => hasMs >= needMs)
  if (!best) return 'At this tempo no hand reaches a crash in time: see Limits'
  const crash = `${LIMB_NAMES[best.hand]} on ${theSurface(best.crash)}`
  return Number.isFinite(best.bpm)
    ? `In reach: ${crash}, up to ${tenth(best.bpm)}`
    : `In reach: ${crash}`
}

const FREE_HAND_WORDS = {
  RH: 'Free for the crash: right hand',
  LH: 'Free for the crash: left hand',
  both: 'Free for the crash: both hands',
  none: 'No hand is free: both strike last',
  unknown: 'Free for the crash: not known, the last hand is not decided',
} as const

function footAdvice(
  lick: Lick,
  milliseconds: (ticks: Ticks) => number,
  player: Player,
): Answers['foot'] {
  const foot = footLanding(lick, player)
  if (!foot) return null
  const has = milliseconds(foot.gapTicks)
  const nth = foot.rebound
    ? 'as the second of a double'
    : foot.run > 1
      ? `as number ${foot.run} in a row`
      : 'as a single'
  const enough = has >= foot.needMs ? 'enough' : 'too little'
  return {
    ...foot,
    text: `The same foot lands ${tenth(has)} ms later: ${enough}, it needs ${Math.round(foot.needMs)} ${nth}`,
  }
}

/** Where limbs meet, where both hands share a surface, and how many strokes have graces. */
function together(lick: Lick): string {
  const events = lineEvents(lick)
  const cycle = new Set<Ticks>()
  const sharing = new Set<Ticks>()
  for (const [i, event] of events.entries()) {
    const next = events[i + 1]
    if (event.tick !== next?.tick) continue
    cycle.add(event.tick)
    if (isHandLimb(event.limb) && isHandLimb(next.limb) && event.surface === next.surface)
      sharing.add(event.tick)
  }
  const graces = events.filter(({ grace }) => grace > 0).length
  const parts = [
    cycle.size > 0 ? `limbs together at ${placesIn(lick, cycle)}` : '',
    sharing.size > 0 ? `both hands on one surface at ${placesIn(lick, sharing)}` : '',
    graces > 0 ? `${plural(graces, 'stroke')} with graces` : '',
  ].filter(Boolean)
  return `Not linear: ${parts.join('; ')}`
}

function isHandLimb(limb: Limb): boolean {
  return limb === 'RH' || limb === 'LH' || limb === 'XH'
}

const SHOWN_PLACES = 6

function placesIn(lick: Lick, ticks: ReadonlySet<Ticks>): string {
  const places = [...ticks].slice(0, SHOWN_PLACES).map((tick) => placeIn(lick, tick))
  const more = ticks.size - places.length
  return places.join(', ') + (more > 0 ? ` and ${more} more` : '')
}
