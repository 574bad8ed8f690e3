export {
  accentsOf,
  type Chosen,
  clearAccents,
  firstsOf,
  layAccents,
  moveAccents,
  oneSurface,
  setGraces,
  setLevel,
} from './dynamics'
export { halfRateOstinatos, withoutOstinatos } from './easier'
export {
  addAfter,
  addAt,
  append,
  doubleLimb,
  doubleUp,
  fillGaps,
  keepLimb,
  leaveOut,
  prepend,
  replaceLimb,
  silence,
  squeezeDoubles,
} from './limbs'
export {
  alternate,
  cut,
  fillTo,
  mirrorFeet,
  mirrorHands,
  reverse,
  rotate,
  someToFeet,
  toFeet,
  toHands,
} from './order'
export {
  joinPhrases,
  mapStrokes,
  type Phrase,
  phraseOf,
  type SlotRange,
  toPhrase,
  withoutGraces,
} from './phrase'
export { findPhrase, formatPhrase } from './phrase-text'
export {
  inPlace,
  mapSlot,
  originsOf,
  type SlotMap,
  sameSlots,
  spliceMap,
  thenMap,
} from './slot-map'
export { changeLick, gridAt, regroup, startsOf } from './splice'
export { addSwell, moveSpans, plainStrokes, removeSwell } from './swells'
