export { formatSittings } from './sittings'
