export { GROOVES, type Groove } from './data'
export { grooveEvents, hasGroove } from './groove'
