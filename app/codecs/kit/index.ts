export { parseKit } from './kit'
