export { filesWorker, findDelay, renderKit, renderLoopFile, startTicker } from './clients'
export type { FoundPart, PartWishes, SoundFormat } from './protocol'
