import { medianOf } from '../foundation'

/** A click as a microphone hears it: how long after it was played, and how sharply it begins, in decibels. */
export interface Bleed {
  readonly delayMs: number
  readonly attackDb: number
}

/**
 * A sound that a microphone heard, and how sharply it begins, in decibels: of that little comes from what
 * still rings, as it does of loudness.
 */
export interface LevelledSound {
  readonly ms: number
  readonly attackDb: number
}

/** So long after a click its sound may come, and so steadily no player strikes, in milliseconds and decibels. */
const MAX_DELAY_MS = 300
const STEADY_MS = 3
const STEADY_DB = 4
/** A click that comes back begins so much more softly than strokes, in decibels: else it is strokes. */
const SOFTER_DB = 6
/** A sound is the click's within this time, and begins up to so many decibels more sharply. */
const WITHIN_MS = 8
const SHARPER_DB = 6
/** Fewer clicks than this may be anything. */
const MIN_CLICKS = 3

/**
 * What a microphone hears of the app's own click, learnt while nothing else should be heard, as in a count-in:
 * most clicks have to be followed by a sound, each after the same time. Null where they are not, or
 * not as steadily as a machine's: the click goes to headphones, or the player warms up.
 *
 * @example clicks at 0 600 1200 and sounds at 41 640 1242 of -31 dB: 41 ms, -31 dB
 */
export function bleedOf(clicks: readonly number[], sounds: readonly LevelledSound[]): Bleed | null {
  const after = clicks.flatMap((click) => {
    const first = sounds.find(({ ms }) => ms >= click && ms - click <= MAX_DELAY_MS)
    return first ? [{ delay: first.ms - click, attackDb: first.attackDb }] : []
  })
  if (after.length < MIN_CLICKS || after.length * 2 <= clicks.length) return null
  const delayMs = medianOf(after.map(({ delay }) => delay))
  const attackDb = medianOf(after.map((one) => one.attackDb))
  const steady = after.filter(
    (one) =>
      Math.abs(one.delay - delayMs) <= STEADY_MS && Math.abs(one.attackDb - attackDb) <= STEADY_DB,
  )
  return steady.length < Math.max(MIN_CLICKS, clicks.length / 2)
    ? null
    : { delayMs, attackDb: Math.max(...steady.map((one) => one.attackDb)) }
}

/**
 * Which sounds are the app's own click, by their numbers, and which clicks those were: what lies where a click
 * is heard and begins no more sharply. A stroke on the click is sharper than the click alone, and stays. None
 * are where what lies between clicks is hardly sharper: then the player went along with the count-in.
 *
 * @example of a bleed of 41 ms and -31 dB: a sound at 642 ms of -30 dB is the click at 600, one of -20 dB is not
 */
export function clicksAmong(
  clicks: readonly number[],
  sounds: readonly LevelledSound[],
  { delayMs, attackDb }: Bleed,
): { readonly sounds: ReadonlySet<number>; readonly clicks: ReadonlySet<number> } {
  const [heard, found] = [new Set<number>(), new Set<number>()]
  const isNear = ({ ms }: LevelledSound) =>
    clicks.some((click) => Math.abs(ms - click - delayMs) <= WITHIN_MS)
  const between = sounds.filter((sound) => !isNear(sound)).map((sound) => sound.attackDb)
  if (between.length > 0 && medianOf(between) < attackDb + SOFTER_DB)
    return { sounds: heard, clicks: found }
  for (const [i, click] of clicks.entries()) {
    const at = sounds.findIndex(
      (sound, j) =>
        !heard.has(j) &&
        Math.abs(sound.ms - click - delayMs) <= WITHIN_MS &&
        sound.attackDb <= attackDb + SHARPER_DB,
    )
    if (at < 0) continue
    heard.add(at)
    found.add(i)
  }
  return { sounds: heard, clicks: found }
}
