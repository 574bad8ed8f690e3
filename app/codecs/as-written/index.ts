export {
  type AsWritten,
  findAllGhosts,
  findAsWritten,
  findSpaced,
  isLickText,
  type KickLetter,
} from './as-written'
