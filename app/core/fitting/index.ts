export { type Chains, chainsOf, countChains, type Part } from './chains'
export { type CutKind, cutLine, cutsOf, type LineCut } from './cuts'
export { type GroupFit, groupsInSpace, naturalMetre } from './groups'
export { type Meeting, type MeetingMark, meetingOf } from './meeting'
export { type Mend, type MendKind, mendsOf, nextGroup } from './mending'
export {
  type FilledMetre,
  filledMetres,
  onGrid,
  type Rate,
  ratesOf,
  renotate,
} from './rates'
export { type RunOn, runOn } from './run-on'
