export { toHeadlessEvents, toHeadlessSum } from './headless'
export { type LimitOptions, toHeadlessLimit } from './limit'
