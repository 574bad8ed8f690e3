import type { Claim, Claims, LimbTold, Told } from '~/core/listening'
import { LIMB_NAMES } from './limb-names'

/** Rounds before anything is said of them. */
const LEAST_ROUNDS = 3

/**
 * What helps after some rounds, in a sentence or two; where too few carry one, so much is said.
 *
 * @example of a left hand 9 ms late: `Left hand 9 ms late, give or take 3.`
 */
export function claimsWords({ claims }: Claims, counted: number): string {
  if (counted < LEAST_ROUNDS)
    return `Not enough yet: ${counted} of the ${LEAST_ROUNDS} rounds that carry a sentence.`
  if (claims.length === 0) return 'Nothing that would be heard is off in these rounds.'
  return claims.map(claimWords).join(' ')
}

function claimWords(claim: Claim): string {
  if (claim.kind === 'offset') {
    const { limb, meanMs, withinMs } = claim
    const within = Math.max(1, Math.round(withinMs))
    return `${capital(LIMB_NAMES[limb])} ${lateWords(meanMs)}, give or take ${within}.`
  }
  const [a, b] = claim.limbs.map((limb) => LIMB_NAMES[limb])
  const percent = Math.round((claim.ratio - 1) * 100)
  return `From ${a} to ${b} it takes ${percent} % longer than back.`
}

/** `9 ms late`, `4 ms early`, `on time`. */
export function lateWords(ms: number): string {
  const rounded = Math.round(Math.abs(ms))
  if (rounded === 0) return 'on time'
  return `${rounded} ms ${ms > 0 ? 'late' : 'early'}`
}

/** `all 8 strokes`, `7 of 8 strokes, 1 too many`: what was hit in a round. */
export function hitWords({ strokes, missed, extra }: Told): string {
  const meant = strokes.length + missed.length
  const hit = missed.length === 0 ? `all ${meant} strokes` : `${strokes.length} of ${meant} strokes`
  return extra.length === 0 ? hit : `${hit}, ${extra.length} too many`
}

/** `left hand 9 ms late, spread 4 ms`. */
export function limbWords({ limb, strokes, meanMs, sdMs }: LimbTold): string {
  const spread = strokes > 1 ? `, spread ${Math.round(sdMs)} ms` : ''
  return `${LIMB_NAMES[limb]} ${lateWords(meanMs)}${spread}`
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
