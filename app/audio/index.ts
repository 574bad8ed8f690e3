export type { Channel } from './kit-player'
export { SoundSession, type SoundSources } from './session'
