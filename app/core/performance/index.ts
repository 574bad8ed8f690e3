export type { SoundClick, SoundEvent, SoundStroke } from './events'
export { GRACE_LEAD_MS, graceLeads, LONGEST_GRACE_MS } from './grace'
export { type Performance, type PlayOptions, toPerformance } from './performance'
export { onKit } from './sounds'
export {
  eventsBetween,
  type Position,
  positionAt,
  secondsAt,
  type TempoMark,
  tickAt,
} from './timeline'
