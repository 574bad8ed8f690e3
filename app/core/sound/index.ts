export { renderSound, SOUND_NAMES, type SoundName } from './kit-sounds'
export { silencedBy, soundOf, velocityGain } from './striking'
