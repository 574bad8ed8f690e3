export { kitFault } from './fault'
export { formatKit, parseKit } from './kit'
