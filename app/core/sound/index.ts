export { renderSound, SOUND_NAMES, type SoundName } from './kit-sounds'
export {
  type LoopOptions,
  type LoopParts,
  type LoopStretch,
  loopSeconds,
  renderLoops,
  renderSequence,
  type SequenceSound,
  sequenceSeconds,
} from './loop'
export { CHOKE_SECONDS, CLICK_GAIN, silencedBy, soundOf, velocityGain } from './striking'
