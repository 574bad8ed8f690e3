export {
  filesWorker,
  findDelay,
  renderKit,
  renderLoopFile,
  startFinder,
  startTicker,
} from './clients'
export type { FoundPart, FoundWay, FoundWays, PartWishes, SoundFormat, WayPick } from './protocol'
