export type { Channel } from './kit-sampler'
export type { Microphone, MicrophoneEars, MicrophoneFault } from './microphone'
export { SoundSession, type SoundSources } from './session'
