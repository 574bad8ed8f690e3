import { isOneHand, type Limb } from '../sticking'
import { HEARD_LEVELS, type HeardLevel } from './levels'
import { intervalOf } from './statistics'
import type { TimingReport } from './told'

/** What a series of rounds of one line is worth saying, each with how sure it is. */
export type Claim =
  /** A limb comes later than the line, or earlier where negative, by so many milliseconds. */
  | {
      readonly kind: 'offset'
      readonly limb: Limb
      readonly meanMs: number
      /** Half of the interval that holds the mean 95 times in 100, for all limbs together. */
      readonly withinMs: number
      /** The slot at which that is most, where it is clearly more there than elsewhere; null for none. */
      readonly most: number | null
    }
  /** Two limbs' gaps differ: the first limb's gaps are so many times as long as the second's. */
  | { readonly kind: 'uneven'; readonly limbs: readonly [Limb, Limb]; readonly ratio: number }
  /** The line runs ahead of the click from its first stroke on, behind it where negative, in percent. */
  | { readonly kind: 'rushing'; readonly percent: number; readonly withinPercent: number }
  /** A level stands out of a softer one by less than half of what is written, in decibels. */
  | {
      readonly kind: 'levelled'
      readonly loud: HeardLevel
      readonly soft: HeardLevel
      readonly heardDb: number
      readonly meantDb: number
    }
  /** Threes are drawn towards triplets: 0 as written, 1 as triplets. */
  | { readonly kind: 'leaning'; readonly share: number; readonly withinShare: number }
  /** Running sixteenths came out as triplets, three to a beat, in so many of the rounds that had any. */
  | { readonly kind: 'tripled'; readonly rounds: number; readonly of: number }
  /** What should be struck together is so far apart that it is heard as one after the other. */
  | { readonly kind: 'apart'; readonly meanMs: number; readonly withinMs: number }

export interface Claims {
  readonly claims: readonly Claim[]
  /** Limbs of which too few rounds were heard to say anything. */
  readonly tooFew: readonly Limb[]
}

/** Less than this nobody hears: about 6 ms below gaps of 240 ms (Friberg and Sundberg, 1995, JASA 98, 2524). */
export const NOTICEABLE_MS = 6
export const NOTICEABLE_RATIO = 1.05
/** A line that is off the tempo by less than this is heard as steady. */
export const NOTICEABLE_PERCENT = 1
/** Less than this share of the way to a triplet is as written. */
export const NOTICEABLE_LEAN = 0.15
/** From here on two strokes are heard one after the other (I. J. Hirsh, 1959, J. Acoust. Soc. Am. 31, 759). */
export const ONE_AFTER_THE_OTHER_MS = 20
/** The chance of a false claim about a player without habits, over all that is said of a series, at all looks. */
const FALSE_CLAIMS = 0.05
/**
 * So many times as often as one look alone, looks after each of 3 to 64 rounds claim what is not there: each has
 * the same small chance, so that all of them together keep to the whole (S. J. Pocock, 1977, Biometrika 64,
 * 191-199). For means of rounds it was found by simulation: 6 to 7 times within 12 rounds, 10 to 13 within 24,
 * 13 within 64; a test simulates it anew.
 */
export const LOOKS_COUNT_AS = 13

/**
 * What may be said after some rounds: the mean of each limb's round means, tested on rounds and not on single
 * strokes, since strokes of one round wander together; corrected for the number of limbs and pairs that are
 * looked at (C. E. Bonferroni, 1936) and for being asked anew after every round. Nothing is claimed that is too
 * small to be heard.
 */
export function claimsOf(rounds: readonly TimingReport[]): Claims {
  const tripled = tripledOf(rounds)
  // It explains all else: what is late, uneven or missing against sixteenths is so since they are none.
  if (tripled) return { claims: [tripled], tooFew: [] }
  const limbs = [...new Set(rounds.flatMap((round) => round.limbs.map(({ limb }) => limb)))]
  const pairs = pairsOf(rounds)
  const levels = levelPairs(rounds)
  // Only what can be said at all is counted: rushing always, leaning and being apart where there is any.
  const rest = 1 + Number(rounds.some(({ lean }) => lean)) + Number(rounds.some(hasApart))
  const each = FALSE_CLAIMS / LOOKS_COUNT_AS / (limbs.length + pairs.length + levels.length + rest)
  const leaning = leaningOf(rounds, each)
  const claims: Claim[] = leaning ? [leaning] : []
  const tooFew: Limb[] = []
  // What leans explains why its limbs are off and their gaps are not alike.
  const explained = leaning ? drawnLimbs(rounds) : new Set<Limb>()
  for (const limb of limbs) {
    const means = rounds.flatMap((round) => {
      const found = round.limbs.find((one) => one.limb === limb)
      return found ? [found.meanMs] : []
    })
    const told = intervalOf(means, each)
    if (!told) tooFew.push(limb)
    else if (explained.has(limb)) continue
    else if (Math.abs(told.mean) - told.within > 0 && Math.abs(told.mean) >= NOTICEABLE_MS)
      claims.push({
        kind: 'offset',
        limb,
        meanMs: told.mean,
        withinMs: told.within,
        most: mostAt(rounds, limb, told.mean, each),
      })
  }
  for (const [from, to] of leaning ? [] : pairs) {
    // Ratios add up as logarithms: twice as long is as far from even as half as long.
    const ratios = rounds.flatMap((round) => {
      const ratio = ratioOf(round, from, to)
      return ratio === null ? [] : [Math.log(ratio)]
    })
    const told = intervalOf(ratios, each)
    if (!told) continue
    const ratio = Math.exp(Math.abs(told.mean))
    if (Math.abs(told.mean) - told.within <= 0 || ratio < NOTICEABLE_RATIO) continue
    claims.push({ kind: 'uneven', limbs: told.mean > 0 ? [from, to] : [to, from], ratio })
  }
  const rush = intervalOf(
    rounds.flatMap((round) => rushOf(round) ?? []),
    each,
  )
  if (rush && Math.abs(rush.mean) >= NOTICEABLE_PERCENT && Math.abs(rush.mean) > rush.within)
    claims.push({ kind: 'rushing', percent: rush.mean, withinPercent: rush.within })
  const apart = intervalOf(
    rounds.flatMap(({ apartMs }) => apartMs ?? []),
    each,
  )
  if (apart && apart.mean - apart.within > ONE_AFTER_THE_OTHER_MS)
    claims.push({ kind: 'apart', meanMs: apart.mean, withinMs: apart.within })
  for (const [loud, soft] of levels) {
    const [heard, meant] = (['heardDb', 'meantDb'] as const).map((of) =>
      rounds.flatMap((round) => levelGap(round, loud, soft, of) ?? []),
    ) as [number[], number[]]
    const told = intervalOf(heard, each)
    const written = meant.reduce((sum, one) => sum + one, 0) / Math.max(1, meant.length)
    if (!told || told.mean + told.within >= written / 2) continue
    claims.push({ kind: 'levelled', loud, soft, heardDb: told.mean, meantDb: written })
  }
  return { claims, tooFew }
}

/** Rounds before sixteenths are told to come out as triplets. */
const MIN_TRIPLED = 3

/** Whether sixteenths came out as triplets in at least half of the rounds that had any; null where they did not. */
function tripledOf(rounds: readonly TimingReport[]): Claim | null {
  const heard = rounds.flatMap(({ tripled }) => tripled ?? [])
  const count = heard.filter(Boolean).length
  if (count < MIN_TRIPLED || count < heard.length / 2) return null
  return { kind: 'tripled', rounds: count, of: heard.length }
}

/** Whether any two levels next to each other were heard. */
export function hasLevels(rounds: readonly TimingReport[]): boolean {
  return levelPairs(rounds).length > 0
}

/** How far the threes of each round that had any lay towards triplets. */
export function leanShares(rounds: readonly TimingReport[]): number[] {
  return rounds.flatMap(({ lean }) => (lean ? [lean.share] : []))
}

const hasApart = ({ apartMs }: TimingReport) => apartMs !== null

/**
 * Whether threes are drawn towards triplets: both their second and their third strokes have to be, so that a
 * limb that is late by itself is not taken for it. Null where they are not, or nobody would hear it.
 */
function leaningOf(rounds: readonly TimingReport[], chance: number): Claim | null {
  const told = (of: 'second' | 'third' | 'share') =>
    intervalOf(
      rounds.flatMap(({ lean }) => (lean ? [lean[of]] : [])),
      chance,
    )
  const [second, third, share] = [told('second'), told('third'), told('share')]
  if (!second || !third || !share || share.mean < NOTICEABLE_LEAN) return null
  if (second.mean - second.within <= 0 || third.mean - third.within <= 0) return null
  const drawn = rounds.reduce((most, { lean }) => Math.max(most, lean?.drawnMs ?? 0), 0)
  return drawn < NOTICEABLE_MS
    ? null
    : { kind: 'leaning', share: share.mean, withinShare: share.within }
}

/** The limbs that strike the second and third strokes of threes. */
function drawnLimbs(rounds: readonly TimingReport[]): Set<Limb> {
  return new Set(
    rounds.flatMap(({ strokes }) =>
      strokes.flatMap(({ limb, drawn }) => (drawn === undefined ? [] : [limb])),
    ),
  )
}

/** Fewer strokes than this have no slope. */
const MIN_SLOPE = 4

/**
 * By how many percent a round ran ahead of the click: the slope of its offsets over the time at which they were
 * meant, by least squares within limbs: of both each limb's own mean is taken off, so that a limb that is late,
 * wherever in the line it plays, changes nothing (Y. Mundlak, 1978, Econometrica 46, 69-85). Null where no limb
 * strikes twice, or it is too short.
 */
export function rushOf({ strokes }: TimingReport): number | null {
  if (strokes.length < MIN_SLOPE) return null
  let [across, along] = [0, 0]
  for (const limb of new Set(strokes.map((one) => one.limb))) {
    const own = strokes.filter((one) => one.limb === limb)
    const at = own.reduce((sum, one) => sum + one.expectedMs, 0) / own.length
    const off = own.reduce((sum, one) => sum + one.offsetMs, 0) / own.length
    for (const { expectedMs, offsetMs } of own) {
      along += (expectedMs - at) ** 2
      across += (expectedMs - at) * (offsetMs - off)
    }
  }
  return along === 0 ? null : (-100 * across) / along
}

/** Levels next to each other that were heard in some round, the louder first. */
export function levelPairs(rounds: readonly TimingReport[]): (readonly [HeardLevel, HeardLevel])[] {
  const known = HEARD_LEVELS.filter((level) =>
    rounds.some(({ levels }) => levels.some((one) => one.level === level)),
  )
  return known.slice(1).map((soft, i) => [known[i] as HeardLevel, soft] as const)
}

/** How far one level is over another in a round, in decibels; null where one was not heard. */
export function levelGap(
  { levels }: TimingReport,
  loud: HeardLevel,
  soft: HeardLevel,
  of: 'heardDb' | 'meantDb',
): number | null {
  const [a, b] = [loud, soft].map((level) => levels.find((one) => one.level === level)?.[of])
  return a === undefined || b === undefined ? null : a - b
}

/**
 * The slot at which a limb's mean offset is furthest the same way, where that is further than everywhere
 * else by what can be heard and by what chance allows, corrected for the number of slots; null for none.
 */
function mostAt(
  rounds: readonly TimingReport[],
  limb: Limb,
  meanMs: number,
  chance: number,
): number | null {
  const way = Math.sign(meanMs)
  const bySlot = new Map<number, number[]>()
  for (const { strokes } of rounds)
    for (const one of strokes)
      if (one.limb === limb)
        bySlot.set(one.slot, [...(bySlot.get(one.slot) ?? []), (one.offsetMs - meanMs) * way])
  let most: { slot: number; more: number } | null = null
  for (const [slot, more] of bySlot) {
    const told = intervalOf(more, chance / bySlot.size)
    if (!told || told.mean < NOTICEABLE_MS || told.mean - told.within <= 0) continue
    if (!most || told.mean > most.more) most = { slot, more: told.mean }
  }
  return most?.slot ?? null
}

/** Pairs of limbs whose gaps both ways were heard, hands before feet. */
export function pairsOf(rounds: readonly TimingReport[]): (readonly [Limb, Limb])[] {
  const found = new Map<string, readonly [Limb, Limb]>()
  for (const { gaps } of rounds) {
    for (const { from, to } of gaps) {
      const [a, b] = [from, to].sort(
        (x, y) => Number(isOneHand(y)) - Number(isOneHand(x)) || (x < y ? -1 : 1),
      )
      if (a && b) found.set(`${a} ${b}`, [a, b])
    }
  }
  return [...found.values()]
}

/** How many times as long the gaps from one limb to another are as those back, in a round; null where one was not heard. */
export function ratioOf({ gaps }: TimingReport, a: Limb, b: Limb): number | null {
  const there = gaps.find(({ from, to }) => from === a && to === b)
  const back = gaps.find(({ from, to }) => from === b && to === a)
  return there && back && there.ratio > 0 && back.ratio > 0 ? there.ratio / back.ratio : null
}
