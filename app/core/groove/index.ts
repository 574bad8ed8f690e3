export { GROOVES, type Groove } from './data'
export { grooveEvents, hasGroove, toGroove } from './groove'
