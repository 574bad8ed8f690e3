export { toHeadlessEvents, toHeadlessSum } from './headless'
export { type Played, parsePlayed, toHeadlessHear } from './hear'
export { type LimitOptions, toHeadlessLimit } from './limit'
