export { type Chains, chainsOf, countChains, type Part } from './chains'
export { type CutKind, cutLine, cutsOf, type LineCut } from './cuts'
export { type Cycle, type CycleMark, cycleOf } from './cycle'
export { type Fix, type FixKind, fixesOf, nextGroup } from './fixes'
export { type GroupFit, groupsInSpace, naturalMetre } from './groups'
export {
  type FilledMetre,
  filledMetres,
  onGrid,
  type Rate,
  ratesOf,
  renotate,
} from './rates'
export { type RunOn, runOn } from './run-on'
