export { formatSittings, type LoggedSitting } from './sittings'
