export { toHeadlessEvents, toHeadlessSum } from './headless'
