export { renderSound, SOUND_NAMES, type SoundName } from './kit-sounds'
export { type LoopOptions, renderLoop } from './loop'
export { silencedBy, soundOf, velocityGain } from './striking'
