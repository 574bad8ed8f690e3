export { formatKit, parseKit } from './kit'
