import { type Lick, lickSlots } from '~/core/line'
import type { CountingSystem } from '~/core/time'
import { type CleanLimits, MIN_RATED_ROUNDS } from '~/core/timing'
import { claimsWords, notCleanWords } from '~/words/heard-words'
import { placeInBar } from '~/words/places'
import type { AlongState } from '~/workspace/along-session'

/** What was heard of a player, as far as enough rounds carry it: `Left hand 9 ms late, give or take 3.` Empty for nothing. */
export function heardSentence(
  { claims, counted, cleanness }: AlongState,
  lick: Lick,
  counting: CountingSystem,
  limits: CleanLimits,
): string {
  if (!claims || counted === 0) return ''
  const enough = counted >= MIN_RATED_ROUNDS
  const slots = lickSlots(lick)
  const placeOf = (slot: number) => placeInBar(lick, slots[slot]?.tick ?? 0, counting)
  const clean = enough && cleanness?.is === true
  const not = enough && cleanness ? notCleanWords(cleanness, limits) : ''
  return [not, claimsWords(claims, counted, clean, placeOf)].filter(Boolean).join(' ')
}
