export {
  type AsWritten,
  findAllGhosts,
  findAsWritten,
  isLickText,
  type KickLetter,
} from './as-written'
