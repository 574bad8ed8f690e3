export { createSolo } from './solo-actions'
