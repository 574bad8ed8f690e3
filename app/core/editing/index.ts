export { type ChangedSpan, changedSpan, joinSpans } from './changed-span'
export { commit, commitBeside, type History, redo, toHistory, undo } from './history'
export {
  applyTransaction,
  invertTransaction,
  mapOffset,
  type Splice,
  type Transaction,
  toBesideTransaction,
  toTransaction,
} from './transaction'
