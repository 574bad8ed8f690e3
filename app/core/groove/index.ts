export { GROOVES, type Groove, type GrooveBar } from './data'
export {
  grooveBar,
  grooveEvents,
  hasGroove,
  type OwnGroove,
  parseGrooveBar,
  swapHands,
  toGroove,
  toOwnGrooves,
} from './groove'
export {
  type Pattern,
  type PatternId,
  type PatternPlace,
  type PatternSlot,
  patternOf,
  patternSlotsBetween,
  patternsOf,
} from './patterns'
