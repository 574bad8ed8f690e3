export { lickPicture } from './lick-picture'
