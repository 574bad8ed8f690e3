export type { Atom, Bracket } from './atoms'
export { type Sounds, soundsAmong } from './groove-atoms'
export { landedOn } from './landed'
export { emptyBar, type ScoreBar, type ScoreVoice, toScore, visitingVoice } from './score'
export { scoreUnits, strokesOf } from './score-units'
export {
  landingUnit,
  type Staff,
  type StaffHead,
  type StaffNote,
  type StaffTuplet,
  type StaffUnit,
  type StaffView,
  staffUnit,
  toStaff,
} from './staff'
