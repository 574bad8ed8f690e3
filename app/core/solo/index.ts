export { type BarShape, type Column, columnsOf, shapeOf } from './bar-shape'
export { draftSolo, ideaParts, type SoloIdea, STAGES, type Stage, stageBars } from './idea'
export {
  type Join,
  type JoinFault,
  judgeSolo,
  type SoloJudgement,
} from './joins'
export { playableSolo } from './playable'
export { type JoinRemedy, remediesOf } from './remedies'
export {
  grooveBars,
  type Section,
  sectionAt,
  soloLength,
  soloSecondsPerTick,
  toSections,
} from './sections'
export {
  type FlowPart,
  type GroovePart,
  type LickPart,
  MAX_PART_BARS,
  MAX_PARTS,
  MAX_SOLO_BARS,
  type OthersPart,
  PART_ENDS,
  type PartEnd,
  type RunPart,
  type Solo,
  type SoloPart,
  type SoloPartKind,
} from './solo'
