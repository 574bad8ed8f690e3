export {
  filesWorker,
  findDelay,
  kitMaker,
  renderLoopFile,
  startFinder,
  startTicker,
} from './clients'
export type { FoundPart, FoundWay, FoundWays, PartWishes, SoundFormat, WayPick } from './protocol'
