export { handWay, type Point, reachOf, shoulderOf } from './arms'
export { DEFAULT_KIT, KIT_PRESETS, MIDI_NOTES } from './data'
export {
  ANY_KIT,
  distance,
  findPiece,
  type Kit,
  type KitSound,
  mirrorKit,
  mirrorPart,
  numberedPieces,
  overlapsOf,
  PIECE_KINDS,
  type Piece,
  pieceAt,
  placeOf,
  type StandIn,
  soundsOn,
  staffKeyOf,
  standIns,
  tomsOf,
} from './kit'
export { doubleInterval, singleInterval, travelRatio, tripleInterval } from './measuring'
export { noteOf, surfaceOfNote } from './notes'
export {
  type Arms,
  DEFAULT_ARMS,
  DEFAULT_PLAYER,
  type HandSpeed,
  type LimbSpeed,
  mirrorPlayer,
  type Player,
} from './player'
export {
  HEAD_SHAPES,
  type HeadPlace,
  type HeadShape,
  STAFF_KEY,
  STAFF_STEPS,
  type StaffKey,
} from './staff-key'
