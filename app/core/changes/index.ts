export {
  accentsOf,
  clearAccents,
  firstsOf,
  isAccented,
  layAccents,
  moveAccents,
  oneSurface,
  setGraces,
  setLevel,
} from './dynamics'
export { halfRateLayers, withoutLayers } from './easier'
export {
  addAfter,
  addAt,
  append,
  doubleLimb,
  doubleUp,
  fillGaps,
  leaveOut,
  prepend,
  replaceLimb,
  squeezeDoubles,
} from './limbs'
export { CHANGES, type Change, type ChangeContext, type ChangeKind } from './list'
export {
  alternate,
  cut,
  fillTo,
  mirrorFeet,
  mirrorHands,
  repeat,
  reverse,
  rotate,
  someToFeet,
  toFeet,
  toHands,
} from './order'
export { joinPhrases, mapStrokes, type Phrase, phraseOf, type SlotRange, toPhrase } from './phrase'
export { changeLick, gridAt, regroup, replaceSlots, startsOf } from './splice'
