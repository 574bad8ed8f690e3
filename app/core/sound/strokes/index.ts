export type { Tool } from './contact'
export { longestRing, renderStroke, SOUNDING, type Sounding, type Stroke } from './pieces'
