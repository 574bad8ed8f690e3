import { approachOf, type Lick } from '~/core/line'
import type { Reading } from '~/core/playability'
import type { Answers } from './answers'
import { wholeTempo } from './figures'
import { LIMB_NAMES } from './limb-names'
import { capital } from './move-words'

/** A short answer: what it says first, and the rest, which may be less bold. */
export interface ShortAnswer {
  readonly first: string
  readonly rest: string
}

/**
 * How a line lands, in a few words: what strikes last, and which hand is free where it lands on a crash.
 * Example: `>LK` before a crash: `Kick last, both hands free`.
 */
export function landingVerdict(lick: Lick): ShortAnswer {
  const landing = approachOf(lick)
  if (!landing) return { first: 'No strokes yet', rest: '' }
  const last = landing.lastLimbs
    .map((limb) => (limb === 'XH' ? 'a hand' : LIMB_NAMES[limb]))
    .join(' and ')
  const { kind } = lick.frame.landing
  const free = kind === 'crash' || kind === 'stop' ? FREE[landing.freeHand] : ''
  return { first: free, rest: `${capital(last)} last` }
}

const FREE = {
  RH: 'right hand free',
  LH: 'left hand free',
  both: 'both hands free',
  none: 'no hand free',
  unknown: 'last hand not decided',
} as const

/** How fast it goes: `Playable up to 136`, with what sets that. */
export function speedVerdict({ lowest, limits }: Pick<Answers, 'lowest' | 'limits'>): ShortAnswer {
  if (lowest) return { first: wholeTempo(lowest.bpm), rest: READING_WORDS[lowest.reading] }
  return { first: '', rest: limits[0] ?? 'No speed limit' }
}

const READING_WORDS: Readonly<Record<Reading, string>> = {
  line: '',
  landing: 'with the landing',
  loop: 'looped with the groove',
}
