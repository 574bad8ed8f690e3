export { handMeets, type Meet, undecidedSlots } from './crossings'
export { type FootLanding, footLanding } from './feet'
export type { Reading } from './hits'
export {
  DEFAULT_SETTING,
  type Move,
  movesOf,
  type Setting,
  type SpeedLimit,
  speedLimit,
  travelTime,
} from './limit'
export { type SideMeeting, sideMeetings } from './sides'
