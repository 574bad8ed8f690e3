import { frameTicks, type Lick, lickSlots } from '../line'
import { lineSounds, soundsAt } from '../performance'
import type { Limb } from '../sticking'
import { secondsPerTick } from '../time'
import { withoutGraces } from './graces'
import { type LevelTold, levelsOf } from './levels'
import { type Matching, matchStrokes } from './match'
import { delayOfPairs, findDelay, pairStrokes } from './pairing'
import { isTripled, runsOf } from './running'
import type { ExpectedStroke, HeardStroke, LineStroke, MeantStroke, PlayedStroke } from './strokes'
import { drawnAt, type LeanTold, leanOf, threesOf } from './threes'

/** How one limb lies against the line. */
export interface LimbTold {
  readonly limb: Limb
  readonly strokes: number
  readonly meanMs: number
  /** The sample's standard deviation; 0 for a single stroke. */
  readonly sdMs: number
}

/** The gaps from strokes of one limb to the next stroke, of another. */
export interface GapTold {
  readonly from: Limb
  readonly to: Limb
  readonly count: number
  readonly meanMs: number
  /** The sum of the gaps over the sum of what was expected. */
  readonly ratio: number
}

/** What is told of a line that was played once. */
export interface TimingReport {
  readonly delayMs: number
  readonly strokes: readonly PlayedStroke[]
  readonly missed: readonly ExpectedStroke[]
  readonly extra: readonly HeardStroke[]
  readonly limbs: readonly LimbTold[]
  readonly gaps: readonly GapTold[]
  /** How loud accents, plain strokes and ghosts were; none where no loudness is known. */
  readonly levels: readonly LevelTold[]
  /** How far apart what should be together was, in milliseconds: the mean; null where nothing should. */
  readonly apartMs: number | null
  /** How far threes lie towards triplets; null where no three was played. */
  readonly lean: LeanTold | null
  /** Whether running sixteenths came out as triplets; null where there are none, or too few were heard. */
  readonly tripled: boolean | null
  /** The two limbs whose gaps differ most each way, and by how much; null below two limbs. */
  readonly uneven: { readonly limbs: readonly [Limb, Limb]; readonly ratio: number } | null
}

/**
 * The main strokes of a line as they are meant: at the ticks at which they sound, swung where the lick swings,
 * counted from the barline of the fill's bar; graces, pick-up and layers apart.
 *
 * @example of `swing: 60`, `grid: 1/8`, `line: RL` the ticks are 0 and 6048
 */
export function lineStrokes(lick: Lick): LineStroke[] {
  const [threes, runs] = [threesOf(lick), runsOf(lick)]
  return lineSounds(lick).map(({ tick, limb, slot, velocity, graces, graceLimb }) => {
    const [three, run] = [threes.get(slot), runs.get(slot)]
    return {
      tick,
      limb,
      slot,
      velocity,
      ...(graces > 0 && { grace: { strokes: graces, limb: graceLimb } }),
      ...(three && { three }),
      ...(run !== undefined && { run }),
    }
  })
}

/**
 * Strokes of a line at a tempo: their ticks in milliseconds from tick 0.
 *
 * @example a stroke at tick 2520 at 100 quarters a minute is meant at 150 ms
 */
export function atTempo(strokes: readonly LineStroke[], secondsPerTick: number): MeantStroke[] {
  const perTick = secondsPerTick * 1000
  return strokes.map(({ tick, three, ...stroke }) => ({
    ...stroke,
    ms: tick * perTick,
    ...(three && { drawn: drawnAt(three, perTick) }),
  }))
}

/**
 * The main strokes of a line, graces and layers apart, at a tempo in beats of the metre a minute: when they
 * sound, in milliseconds from when the line's first slot does.
 *
 * @example `grid: 1/8`, `swing: 66`, `line: RLR` at 100: 0, 396 and 600 ms
 */
export function expectedStrokes(lick: Lick, tempo: number): MeantStroke[] {
  const from = soundsAt(lick, lick.frame.start, lickSlots(lick)[0]?.grid ?? lick.frame.grid)
  const strokes = lineStrokes(lick).map((one) => ({ ...one, tick: one.tick - from }))
  return atTempo(strokes, secondsPerTick(tempo, frameTicks(lick.frame).beat))
}

/**
 * Holds what was heard against a line: each stroke's offset, each limb's mean and spread, each pair of
 * neighbouring limbs' gaps, and how uneven they are. `delayMs` is the constant delay of what was heard; with
 * `find` it is found and taken out. A stroke belongs to the one that it is nearest to.
 *
 * @example hand foot hand foot at 150 ms heard at 0 158 299 462: offsets 0 8 -1 12, uneven 1.138
 */
export function toldOf(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  delayMs: number | 'find' = 0,
): TimingReport {
  const delay = delayMs === 'find' ? findDelay(expected, heard) : delayMs
  const lag = { delayMs: delay, slowerPercent: 0 }
  return toldOfPairs(expected, heard, matchStrokes(expected, heard, lag), delay)
}

/**
 * The same of a round that was played along with: strokes are paired at the likeliest lag, so that who is late
 * by more than half of a gap, falls behind, or plays threes as triplets, is told so and not taken for one who
 * leaves strokes out.
 *
 * @example sixteen strokes 83 ms apart, each 50 ms late: all are hit, each 50 ms late
 */
export function toldOfRound(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  delayMs: number | 'find' = 0,
): TimingReport {
  const pairing = pairStrokes(expected, heard, delayMs === 'find' ? null : delayMs)
  const delay = delayMs === 'find' ? delayOfPairs(pairing.read, heard, pairing.pairs) : delayMs
  return toldOfPairs(expected, heard, pairing, delay)
}

function toldOfPairs(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  { pairs, missed, extra }: Matching,
  delayMs: number,
): TimingReport {
  const strokes = pairs.map((pair): PlayedStroke => {
    const [meant, played] = [
      expected[pair.expected] as ExpectedStroke,
      heard[pair.heard] as HeardStroke,
    ]
    const { slot, limb, drawn } = meant
    return {
      slot,
      limb,
      expectedMs: meant.ms,
      heardMs: played.ms,
      offsetMs: played.ms - delayMs - meant.ms,
      velocity: played.velocity,
      meantVelocity: meant.velocity,
      drawn,
    }
  })
  const gaps = gapsOf(expected, pairs, heard)
  return {
    delayMs,
    strokes,
    missed: missed.map((i) => expected[i] as ExpectedStroke),
    extra: withoutGraces(expected, heard, pairs, extra).map((i) => heard[i] as HeardStroke),
    limbs: limbsOf(strokes),
    gaps,
    levels: levelsOf(strokes),
    apartMs: apartOf(strokes),
    lean: leanOf(strokes),
    tripled: isTripled(expected, heard, delayMs),
    uneven: unevenOf(gaps),
  }
}

function limbsOf(strokes: readonly PlayedStroke[]): LimbTold[] {
  return inOrder(strokes.map(({ limb }) => limb)).map((limb) => {
    const offsets = strokes.flatMap((one) => (one.limb === limb ? [one.offsetMs] : []))
    const meanMs = meanOf(offsets)
    const squares = offsets.reduce((sum, off) => sum + (off - meanMs) ** 2, 0)
    const sdMs = offsets.length > 1 ? Math.sqrt(squares / (offsets.length - 1)) : 0
    return { limb, strokes: offsets.length, meanMs, sdMs }
  })
}

/** Gaps between strokes at neighbouring onsets that were both heard, by the limbs on either side. */
function gapsOf(
  expected: readonly ExpectedStroke[],
  pairs: readonly { readonly expected: number; readonly heard: number }[],
  heard: readonly HeardStroke[],
): GapTold[] {
  const heardAt = new Map(
    pairs.map((pair) => [pair.expected, (heard[pair.heard] as HeardStroke).ms]),
  )
  const onsets: number[][] = []
  for (const [i, { ms }] of expected.entries()) {
    const last = onsets.at(-1)
    if (last && expected[last[0] as number]?.ms === ms) last.push(i)
    else onsets.push([i])
  }
  const found = new Map<
    string,
    { from: Limb; to: Limb; count: number; played: number; meant: number }
  >()
  for (let at = 1; at < onsets.length; at += 1) {
    for (const i of onsets[at - 1] as number[]) {
      for (const j of onsets[at] as number[]) {
        const [a, b] = [expected[i] as ExpectedStroke, expected[j] as ExpectedStroke]
        const [from, to] = [heardAt.get(i), heardAt.get(j)]
        if (a.limb === b.limb || from === undefined || to === undefined) continue
        const key = `${a.limb} ${b.limb}`
        const known = found.get(key) ?? { from: a.limb, to: b.limb, count: 0, played: 0, meant: 0 }
        known.count += 1
        known.played += to - from
        known.meant += b.ms - a.ms
        found.set(key, known)
      }
    }
  }
  return [...found.values()].map(({ from, to, count, played, meant }) => ({
    from,
    to,
    count,
    meanMs: played / count,
    ratio: played / meant,
  }))
}

/** The mean of how far apart strokes of one instant were. Example: two hands 4 ms apart once are 4. */
function apartOf(strokes: readonly PlayedStroke[]): number | null {
  const together = new Map<number, number[]>()
  for (const { expectedMs, offsetMs } of strokes)
    together.set(expectedMs, [...(together.get(expectedMs) ?? []), offsetMs])
  const spans = [...together.values()]
    .filter((offsets) => offsets.length > 1)
    .map((offsets) => Math.max(...offsets) - Math.min(...offsets))
  return spans.length === 0 ? null : meanOf(spans)
}

function unevenOf(gaps: readonly GapTold[]): TimingReport['uneven'] {
  let worst: TimingReport['uneven'] = null
  for (const gap of gaps) {
    const back = gaps.find(({ from, to }) => from === gap.to && to === gap.from)
    if (!back || back.meanMs <= 0 || back.ratio <= 0) continue
    const ratio = gap.ratio / back.ratio
    if (ratio >= 1 && (!worst || ratio > worst.ratio)) worst = { limbs: [gap.from, gap.to], ratio }
  }
  return worst
}

function inOrder(limbs: readonly Limb[]): Limb[] {
  return [...new Set(limbs)]
}

function meanOf(values: readonly number[]): number {
  return values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length
}
