import type { Limb } from '~/core/sticking'
import {
  type Claim,
  type Claims,
  type CleanLimits,
  type Cleanness,
  type Finding,
  type HeardLevel,
  type HeardSummary,
  type LimbTold,
  scoreOf,
  type TimingReport,
} from '~/core/timing'
import { listWords, plural } from './figures'
import { LIMB_NAMES } from './limb-names'

/** Rounds before anything is said of them. */
const MIN_ROUNDS = 3

const LEVEL_NAMES: Readonly<Record<HeardLevel, string>> = {
  accent: 'accents',
  plain: 'plain strokes',
  ghost: 'ghosts',
}

/**
 * What helps after some rounds, in a sentence or two; where too few carry one, or none holds of rounds that
 * were not clean, so much is said.
 *
 * @example of a left hand 9 ms late: `Left hand 9 ms late, give or take 3.`
 */
export function claimsWords(
  { claims }: Claims,
  counted: number,
  clean: boolean,
  placeOf: (slot: number) => string = (slot) => `slot ${slot + 1}`,
): string {
  if (counted < MIN_ROUNDS)
    return `Not enough yet: ${counted} of the ${MIN_ROUNDS} rounds that carry a sentence.`
  if (claims.length === 0)
    return clean ? 'No audible faults in these rounds.' : 'No one habit shows yet.'
  return claims.map((claim) => claimWords(claim, placeOf)).join(' ')
}

function claimWords(claim: Claim, placeOf: (slot: number) => string): string {
  if (claim.kind === 'offset') {
    const { limb, meanMs, withinMs, most } = claim
    const within = Math.max(1, Math.round(withinMs))
    const where = most === null ? '' : `, most on ${placeOf(most)}`
    return `${capital(limbName(limb))} ${lateWords(meanMs)}, give or take ${within}${where}.`
  }
  if (claim.kind === 'rushing') {
    const percent = Math.round(Math.abs(claim.percent) * 10) / 10
    return `The line runs ${percent} % ${claim.percent > 0 ? 'faster' : 'slower'} than the click.`
  }
  if (claim.kind === 'levelled') {
    const [loud, soft] = [LEVEL_NAMES[claim.loud], LEVEL_NAMES[claim.soft]]
    const [heard, meant] = [claim.heardDb, claim.meantDb].map(Math.round)
    return `${capital(loud)} are only ${heard} dB louder than ${soft}; ${meant} dB are written.`
  }
  if (claim.kind === 'tripled')
    return 'The sixteenths come out as triplets: three to a beat, not four.'
  if (claim.kind === 'leaning') return `Threes lean to triplets, by ${leanWords(claim.share)}.`
  if (claim.kind === 'apart')
    return `What should be struck together is ${Math.round(claim.meanMs)} ms apart.`
  const [a, b] = claim.limbs.map(limbName)
  const percent = Math.round((claim.ratio - 1) * 100)
  return `The step from ${a} to ${b} is ${percent} % longer than the step back.`
}

/** A limb, or strokes of which nobody can hear whose they are. */
function limbName(limb: Limb): string {
  return limb === 'XH' ? 'strokes' : LIMB_NAMES[limb]
}

/** How much of the way to triplets that is: `a third of the way`. */
function leanWords(share: number): string {
  const parts = [
    [1, 'all of the way'],
    [0.75, 'three quarters of the way'],
    [0.5, 'half of the way'],
    [0.33, 'a third of the way'],
    [0.2, 'a fifth of the way'],
  ] as const
  const [, words] = parts.reduce((best, part) =>
    Math.abs(part[0] - share) < Math.abs(best[0] - share) ? part : best,
  )
  return words
}

/** `Threes lean to triplets from 104 up.` */
export function leansFromWords(tempo: number): string {
  return `Threes lean to triplets from ${Math.round(tempo)} bpm up.`
}

/** `9 ms late`, `4 ms early`, `on time`. */
export function lateWords(ms: number): string {
  const rounded = Math.round(Math.abs(ms))
  if (rounded === 0) return 'on time'
  return `${rounded} ms ${ms > 0 ? 'late' : 'early'}`
}

/** `all 8 strokes`, `7 of 8 strokes, 1 too many`: what was hit in a round. */
export function hitWords({ strokes, missed, extra }: TimingReport): string {
  const meant = strokes.length + missed.length
  const hit = missed.length === 0 ? `all ${meant} strokes` : `${strokes.length} of ${meant} strokes`
  return extra.length === 0 ? hit : `${hit}, ${extra.length} too many`
}

/** `left hand 9 ms late, spread 4 ms`. */
export function limbWords({ limb, strokes, meanMs, sdMs }: LimbTold): string {
  const spread = strokes > 1 ? `, spread ${Math.round(sdMs)} ms` : ''
  return `${limbName(limb)} ${lateWords(meanMs)}${spread}`
}

/**
 * What clean means with these limits, as a sentence.
 */
export function cleanMeans({ withinMs, share }: CleanLimits): string {
  return `Clean is ${Math.round(share * 100)} % of the strokes within ${withinMs} ms and a quarter of the shortest gap; no limb, tempo or level off by more than can be heard; what is struck together within 20 ms.`
}

/** By which parts rounds were not clean: `Not clean: 84 % on time, uneven.`; empty where they were, or nothing is known. */
export function notCleanWords(
  { is, onTime, even, balance, together }: Cleanness,
  { share }: CleanLimits,
): string {
  if (is !== false) return ''
  const parts = [
    ...(onTime !== null && onTime < share ? [`${Math.floor(onTime * 100)} % on time`] : []),
    ...(even === false ? ['uneven'] : []),
    ...(balance === false ? ['accents or ghosts too near to the plain strokes'] : []),
    ...(together === false ? ['strokes apart that belong together'] : []),
  ]
  return parts.length === 0
    ? 'Not clean: strokes missed or too many.'
    : `Not clean: ${listWords(parts)}.`
}

/**
 * The figures of a practice session that matter, against those of the one before: `92 % on time, spread 9 ms; last
 * time 85 %, 12 ms.`
 */
export function sessionWords(now: HeardSummary, before: HeardSummary | null): string {
  const figures = (of: HeardSummary) => [
    Math.round((scoreOf(of) ?? 0) * 100),
    Math.round(spreadOf(of)),
  ]
  const [share, spread] = figures(now)
  const told = `${plural(now.rounds, 'round')}: ${share} % on time, spread ${spread} ms`
  if (!before) return `${told}.`
  const [shareThen, spreadThen] = figures(before)
  return `${told}; last time ${shareThen} %, ${spreadThen} ms.`
}

/** The spread of all limbs together, weighed by their strokes. */
function spreadOf({ limbs }: HeardSummary): number {
  const strokes = limbs.reduce((sum, one) => sum + one.strokes, 0)
  const squares = limbs.reduce((sum, one) => sum + one.strokes * one.spreadMs ** 2, 0)
  return strokes === 0 ? 0 : Math.sqrt(squares / strokes)
}

/**
 * What to work on next, as a sentence: `On one surface 96 % on time, in the bar 71 %: work on the moves.`
 */
export function findingWords(finding: Finding): string {
  const percent = (share: number) => `${Math.round(share * 100)} %`
  switch (finding.work) {
    case 'sticking':
      return `On one surface ${percent(finding.hard)} are on time: go back to one surface, slower.`
    case 'joining':
      return `Hands alone ${percent(finding.easy)} on time, all together ${percent(finding.hard)}: work on the joining of hands and feet.`
    case 'moves':
      return `On one surface ${percent(finding.easy)} on time, round the kit ${percent(finding.hard)}: the sticking is known, work on the moves.`
    case 'tempo':
      return `At ${Math.round(finding.tempo)} bpm ${percent(finding.easy)} on time, one tempo up ${percent(finding.hard)}: stay at ${Math.round(finding.tempo)}.`
  }
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
