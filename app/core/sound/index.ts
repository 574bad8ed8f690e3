export { type Side, type SoundChoice, USUAL_SOUND } from './choice'
export { CLICK_SOUNDS, type ClickSound, type ClickWeight, renderClick } from './clicks'
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
export { heardAt, neighboursOf, type Samples } from './mix'
export { regionFor, type SampleMap, type SampleRegion } from './own'
export { inRoom, ROOM_SECONDS, responseOf, ringingAlong, type Stereo } from './room'
export {
  CHOKE_SECONDS,
  CLICK_GAIN,
  layerOf,
  limited,
  type Sample,
  type Started,
  Striking,
  sampleKey,
  samplesOf,
  silencedBy,
  velocityGain,
} from './striking'
export { renderStroke, SOUNDING, type Sounding, type Tool } from './strokes'
