export { type Chains, chainsOf, countChains, type Part } from './chains'
export {
  type Continuing,
  continued,
  continuedFrom,
  continuingOf,
} from './continuing'
export { type CutKind, cutLine, cutsOf, type LineCut } from './cuts'
export { type Cycle, type CycleMark, cycleOf } from './cycle'
export { type Ending, endingsOf, landedBy, stoppedOn, stopsOf, withEnding } from './endings'
export { type Fix, type FixKind, fixesOf } from './fixes'
export { type GroupFit, groupsInSpace, naturalMetre } from './groups'
export {
  type FilledMetre,
  filledMetres,
  onGrid,
  type Rate,
  ratesOf,
} from './rates'
export { type Renotated, type RenotateFault, renotate } from './renotating'
export { type RunOn, runOn } from './run-on'
export { type EndRun, endRun, startRun } from './tails'
