export { formatSessions, type LoggedSession } from './sessions'
