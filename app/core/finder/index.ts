export { cellsOfPattern, natural, PUTS, type Put, patternOf } from './conditions/pattern'
export { isKick } from './conditions/strokes'
export { type Bolt, type Door, doorOf, type Opening, without } from './door'
export { type LineEnding, lineEndings } from './endings'
export { type CellForm, formsOf, TooLarge } from './forms'
export {
  type ConditionName,
  type Conditions,
  type FinderCell,
  type FormChoice,
  type Free,
  type PatternWish,
  type Question,
  SIZE_ORDERS,
  type SizeOrder,
  type Space,
  type Taste,
} from './question'
export { spaceOf } from './space'
export { distance } from './taste'
export {
  type FoundVoices,
  KIT_SHAPES,
  type KitShape,
  type VoiceWish,
  voicesFor,
} from './voices'
export { type Different, type Way, Ways } from './ways'
