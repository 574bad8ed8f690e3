export { FindButton } from './find-button'
export { type Found, offer } from './sources'
