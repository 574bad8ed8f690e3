export { GROOVES, type Groove, type GrooveBar } from './data'
export {
  grooveBar,
  grooveEvents,
  hasGroove,
  parseGrooveBar,
  swapHands,
  toGroove,
} from './groove'
export {
  type Pattern,
  type PatternId,
  type PatternSlot,
  patternOf,
  patternSlotsBetween,
  patternsOf,
} from './patterns'
