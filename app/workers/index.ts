export { filesWorker, renderKit, renderLoopFile, startTicker } from './clients'
export type { FoundPart, PartWishes } from './protocol'
