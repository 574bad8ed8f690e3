import { namesInLine, namingWords } from '~/core/catalogue'
import { frameTicks, type Lick, lickSlots, limbClashes, sumOf, trueSpeed } from '~/core/line'
import {
  DEFAULT_SETTING,
  type Move,
  missingPedal,
  type PlayContext,
  type Reading,
  speedLimit,
  undecidedSlots,
} from '~/core/playability'
import { type CountingSystem, gridTicks, sameGrid } from '~/core/time'
import { plural, tempoFigure, wholeMs, wholeTempo } from './figures'
import { type FootAdvice, footAdvice, landingWords } from './landing-words'
import { LIMB_NAMES } from './limb-names'
import { capital, moveWords } from './move-words'
import { placeIn } from './places'
import { limbCounts, togetherWords } from './together-words'

/** What is said beside the ruler besides the fit. Sentences are whole; figures are computed. */
export interface Answers {
  readonly lands: readonly string[]
  readonly foot: FootAdvice | null
  readonly speed: string
  /** How fast it can be played, and what sets that: the line, with its landing, in its form. */
  readonly limits: readonly string[]
  /** The lowest of those limits, and which reading it is of; null where nothing sets one. */
  readonly lowest: { readonly bpm: number; readonly reading: Reading } | null
  /** The move that sets the limit of the line alone. */
  readonly bottleneck: Move | null
  /** Whether the line is linear, and where the ostinatos meet it. */
  readonly together: readonly string[]
  /** How often each limb strikes. */
  readonly limbs: string
  /** What the line is, or what its groups are; empty where the catalogue knows none of them. */
  readonly names: readonly string[]
  /** A second bass drum pedal that the kit lacks; empty where nothing is missing. */
  readonly pedal: string
  readonly clashes: readonly string[]
}

/**
 * Everything that is said of a lick at a playing tempo. `playedClean` is the fastest tempo at which the
 * whole of it was clean, which beats what the model says; null for none.
 */
export function toAnswers(
  lick: Lick,
  tempo: number,
  setting: PlayContext = DEFAULT_SETTING,
  playedClean: number | null = null,
  counting?: CountingSystem,
): Answers {
  const clashes = limbClashes(lick)
  const shown = clashes
    .slice(0, 3)
    .map(
      ({ tick, limb }) =>
        `${capital(LIMB_NAMES[limb])} wanted twice on ${placeIn(lick, tick, counting)}`,
    )
  return {
    lands: landingWords(lick, tempo, setting, counting),
    foot: footAdvice(lick, tempo, setting),
    speed: slotSpeed(lick, tempo),
    ...limits(lick, setting, playedClean, counting),
    together: togetherWords(lick, sumOf(lick).linear, counting),
    limbs: limbCounts(lick),
    names: cellNames(lick),
    pedal: pedalWords(lick, setting, tempo),
    clashes: clashes.length > 3 ? [...shown, `and ${clashes.length - 3} more`] : shown,
  }
}

/** Slots a minute and milliseconds a slot; of a line on several grids from the slowest to the fastest. */
function slotSpeed(lick: Lick, tempo: number): string {
  const { beat } = frameTicks(lick.frame)
  const grids = lickSlots(lick).map(({ grid }) => grid)
  const all = grids.length > 0 ? grids : [lick.frame.grid]
  const ordered = all
    .filter((grid, i) => all.findIndex((other) => sameGrid(other, grid)) === i)
    .sort((a, b) => gridTicks(b) - gridTicks(a))
    .map((grid) => trueSpeed(tempo, beat, grid))
  const [slow, fast] = [ordered[0], ordered.at(-1)]
  if (!slow || !fast || slow === fast) {
    const speed = slow ?? trueSpeed(tempo, beat, lick.frame.grid)
    return `${Math.round(speed.strokesPerMinute)} slots a minute, ${wholeMs(speed.millisecondsPerSlot)} ms each`
  }
  return `${Math.round(slow.strokesPerMinute)} to ${Math.round(fast.strokesPerMinute)} slots a minute, ${wholeMs(slow.millisecondsPerSlot)} to ${wholeMs(fast.millisecondsPerSlot)} ms each`
}

/** The lowest limit; where more was played clean, that. */
function lowestOf(
  said: readonly { readonly bpm: number; readonly reading: Reading }[],
  playedClean: number | null,
): Answers['lowest'] {
  const last = said.at(-1)
  if (!last) return null
  return { bpm: Math.max(last.bpm, playedClean ?? 0), reading: last.reading }
}

const LANDING_READING = {
  crash: 'With the crash',
  stop: 'With the stop',
  strokes: 'With its landing',
  groove: 'With its landing',
  last: 'With its landing',
  none: 'With its landing',
} as const

/**
 * The limit of the line, and of a wider reading where that is lower; at a usual setting. What was
 * played clean above the model's limit is the limit.
 */
function limits(
  lick: Lick,
  setting: PlayContext,
  playedClean: number | null,
  counting: CountingSystem | undefined,
): Pick<Answers, 'limits' | 'lowest' | 'bottleneck'> {
  if (undecidedSlots(lick).length > 0) {
    return {
      limits: ['Speed limit not known: hands are not decided'],
      lowest: null,
      bottleneck: null,
    }
  }
  const readings = [
    ['line', 'Playable up to'],
    ['landing', `${LANDING_READING[lick.frame.landing.kind]}: up to`],
    ['loop', 'Looped with groove: up to'],
  ] as const
  let lowest = Number.POSITIVE_INFINITY
  let first: Move | null = null
  const said = readings.flatMap(([reading, words]) => {
    const { bpm, bottleneck } = speedLimit(lick, reading, setting)
    if (reading === 'line') first = bottleneck
    if (bpm === null || !bottleneck || bpm >= lowest * (1 - 1e-9)) return []
    lowest = bpm
    return [
      {
        bpm,
        reading,
        text: `${words} ${wholeTempo(bpm)} bpm. ${moveWords(lick, bottleneck, counting)}`,
      },
    ]
  })
  const beaten = said.filter(({ bpm }) => playedClean !== null && bpm < playedClean)
  const standing = said.filter((one) => !beaten.includes(one)).map(({ text }) => text)
  return {
    limits:
      playedClean === null || beaten.length === 0
        ? standing
        : [
            ...standing,
            `Played clean at ${tempoFigure(playedClean)}`,
            ...beaten.map(({ text }) => byModel(text)),
          ],
    lowest: lowestOf(said, playedClean),
    bottleneck: first,
  }
}

function byModel(words: string): string {
  return `By your limb speeds: ${words.charAt(0).toLowerCase()}${words.slice(1)}`
}

function pedalWords(lick: Lick, { kit }: PlayContext, tempo: number): string {
  const missing = missingPedal(lick, kit, tempo)
  if (!missing) return ''
  const strokes = plural(missing.strokes, 'stroke')
  const alone =
    missing.nearestMs === null
      ? 'the lead foot could play it'
      : `the lead foot would have ${wholeMs(missing.nearestMs)} ms between its nearest strokes`
  return `${kit.name} has one pedal, and ${strokes} of J need a second: ${alone}`
}

const MAX_NAMES = 4

function cellNames({ line }: Lick): string[] {
  const { whole, groups } = namesInLine(line)
  if (whole) return [namingWords(whole)]
  const known = groups.flatMap((name) => (name ? [namingWords(name)] : []))
  return [...new Set(known)].slice(0, MAX_NAMES)
}
