export type { Atom, Bracket } from './atoms'
export { landedOn } from './landed'
export { type ScoreBar, type ScoreVoice, toScore } from './score'
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
