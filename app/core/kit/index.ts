export { DEFAULT_KIT, KIT_PRESETS } from './data'
export { distance, findPiece, type Kit, mirrorKit, PIECE_KINDS, type Piece, placeOf } from './kit'
export {
  DEFAULT_PLAYER,
  FOOT_DOUBLE_MS,
  FOOT_SINGLE_MS,
  type LimbSpeed,
  mirrorPlayer,
  type Player,
} from './player'
