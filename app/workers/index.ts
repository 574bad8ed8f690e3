export { filesWorker, renderKit, startTicker } from './clients'
