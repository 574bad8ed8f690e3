export { toHeadlessEvents, toHeadlessSum } from './headless'
export type { Played } from './hear'
export { type LimitOptions, toHeadlessLimit } from './limit'
