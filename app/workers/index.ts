export { renderKit, startTicker } from './clients'
