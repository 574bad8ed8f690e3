export type { Tool } from './contact'
export { renderStroke, SOUNDING, type Sounding, type Stroke, TOM_PITCH } from './pieces'
