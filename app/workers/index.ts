export { filesWorker, renderKit, renderLoopFile, startTicker } from './clients'
