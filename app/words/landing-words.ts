import {
  approachOf,
  frameTicks,
  type Lick,
  lastStrokes,
  lineEvents,
  strokeEvents,
} from '~/core/line'
import { GRACE_LEAD_MS } from '~/core/performance'
import {
  type FootLanding,
  footLanding,
  type LandingHand,
  landingHands,
  movesIntoLanding,
  type PlayContext,
} from '~/core/playability'
import { isOneHand } from '~/core/sticking'
import { type CountingSystem, secondsPerTick, type Ticks } from '~/core/time'
import { wholeMs, wholeTempo } from './figures'
import { LIMB_NAMES } from './limb-names'
import { capital } from './move-words'
import { placeIn } from './places'
import { theSurface } from './surface-words'

/** How a lick lands, in sentences: what strikes last, which hand is free, who has too little time. */
export function landingWords(
  lick: Lick,
  tempo: number,
  setting: PlayContext,
  counting?: CountingSystem,
): string[] {
  const approach = approachOf(lick)
  if (!approach) return ['No strokes yet']
  const { beat } = frameTicks(lick.frame)
  const milliseconds = (ticks: Ticks) => ticks * secondsPerTick(tempo, beat) * 1000
  const last = lineEvents(lick).at(-1)
  const limbs = approach.lastLimbs
    .map((limb) => (limb === 'XH' ? 'either hand' : `the ${LIMB_NAMES[limb]}`))
    .join(' and ')
  const surfaces = [...new Set(approach.lastSurfaces.map(theSurface))].join(' and ')
  const gap = milliseconds(approach.gapTicks)
  const when =
    gap > 0
      ? `${wholeMs(gap)} ms before the landing`
      : gap === 0
        ? 'the landing itself'
        : `${wholeMs(-gap)} ms after the landing`
  const place = placeIn(lick, last?.tick ?? 0, counting)
  const lines = [`Ends with ${limbs} on ${surfaces}, on ${place}: ${when}`]
  const { kind } = lick.frame.landing
  if (kind === 'crash' || kind === 'stop') {
    lines.push(freeHandWords(lick, approach.freeHand))
    const hands = landingHands(lick, setting, tempo)
    if (hands.length > 0 && gap > 0) lines.push(crashWords(hands))
  }
  if (kind === 'groove' || kind === 'strokes') {
    lines.push(...handsBackWords(lick, setting, milliseconds))
  }
  return lines
}

/** Which hand is there in time at this tempo, on which crash; or that none is. */
function crashWords(hands: readonly LandingHand[]): string {
  const inTime = hands.filter(({ hasMs, needMs }) => hasMs >= needMs)
  const best = inTime.find(({ open }) => !open) ?? inTime[0]
  if (!best) {
    return hands.some(({ open }) => open)
      ? 'Whether a hand reaches a crash in time is not known: hands are not decided'
      : 'At this tempo no hand reaches a crash in time: see Speed'
  }
  const crash = `${capital(LIMB_NAMES[best.hand])} reaches ${theSurface(best.crash)} in time`
  const until = Number.isFinite(best.bpm) ? `, up to ${wholeTempo(best.bpm)} bpm` : ''
  return `${crash}${until}${best.open ? ', whoever plays the undecided strokes' : ''}`
}

/** The free hand; a grace just before, or a part in an ostinato, keeps it from being quite free. */
function freeHandWords(lick: Lick, free: keyof typeof FREE_HAND_WORDS): string {
  const words = FREE_HAND_WORDS[free]
  const graced = lastStrokes(lick).find(({ grace }) => grace > 0)
  if (graced?.graceLimb && graced.graceLimb === free) {
    const lead = GRACE_LEAD_MS[graced.grace]
    return `${words}, after its grace ${lead} ms before the last stroke`
  }
  const busy = [
    ...new Set(
      strokeEvents(lick).flatMap(({ layer, limb }) => (layer > 0 && isOneHand(limb) ? [limb] : [])),
    ),
  ]
  if (busy.length === 0) return words
  return `${words} of the line; the ${busy.map((limb) => LIMB_NAMES[limb]).join(' and ')} ${busy.length > 1 ? 'play' : 'plays'} an ostinato`
}

const FREE_HAND_WORDS = {
  RH: 'Free for the crash: right hand',
  LH: 'Free for the crash: left hand',
  both: 'Free for the crash: both hands',
  none: 'No hand is free: both strike last',
  unknown: 'Free for the crash: not known, the last hand is not decided',
} as const

/** Each hand that has to be somewhere at the landing or within a beat after it. */
function handsBackWords(
  lick: Lick,
  setting: PlayContext,
  milliseconds: (ticks: Ticks) => number,
): string[] {
  const { beat } = frameTicks(lick.frame)
  return movesIntoLanding(lick, setting)
    .filter(({ limb, toTick, fromTick }) => isOneHand(limb) && toTick - fromTick <= beat)
    .map(({ limb, fromTick, toTick, toSurface, needMs }) => {
      const has = milliseconds(toTick - fromTick)
      const enough = has >= needMs ? 'enough' : 'too little'
      return `${capital(LIMB_NAMES[limb])} to ${theSurface(toSurface)}: has ${wholeMs(has)} ms, needs ${Math.round(needMs)}, ${enough}`
    })
}

/** What the landing asks of a foot that has just played; null where it does not. */
export type FootAdvice = FootLanding & { readonly text: string }

const NTH: Readonly<Record<FootLanding['kind'], string>> = {
  single: 'as a single',
  double: 'as the second of a double',
  triple: 'as the third in a row',
  buzz: 'as a buzz',
  travel: 'as a single',
}

/** `The kick lands again 133.9 ms later, as the second of a double: it needs 110, enough`. */
export function footAdvice(lick: Lick, tempo: number, setting: PlayContext): FootAdvice | null {
  const foot = footLanding(lick, setting)
  if (!foot) return null
  const { beat } = frameTicks(lick.frame)
  const has = foot.gapTicks * secondsPerTick(tempo, beat) * 1000
  const enough = has >= foot.needMs ? 'enough' : 'too little'
  return {
    ...foot,
    text: `The kick lands again ${wholeMs(has)} ms later, ${NTH[foot.kind]}: it needs ${Math.round(foot.needMs)}, ${enough}`,
  }
}
