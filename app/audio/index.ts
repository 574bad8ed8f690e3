export type { Channel } from './kit-sampler'
export { SoundSession, type SoundSources } from './session'
