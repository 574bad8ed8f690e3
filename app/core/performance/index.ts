export { CLICK_MARKS, type ClickMark, type ClickScheme, type DropOut } from './clicks'
export type { SoundClick, SoundEvent, SoundStroke } from './events'
export { GRACE_LEAD_MS, graceLeads, LONGEST_GRACE_MS } from './grace'
export { type Performance, toMedley, toPerformance } from './performance'
export { lineSounds, type PlayOptions, roundStrokes, soundsAt } from './round'
export { sequenceStrokes, type Turn, toSequence } from './sequence'
export { onKit } from './sounds'
export { type Strike, strikesOf } from './strikes'
export {
  barOf,
  barStart,
  eventsBetween,
  type Position,
  plannedSeconds,
  positionAt,
  secondsAt,
  type TempoMark,
  type TempoPlan,
  tickAt,
} from './timeline'
