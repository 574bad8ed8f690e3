export { formatSolo, parseSolo, type SoloFileIssue } from './solo'
