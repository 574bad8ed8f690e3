export { formatSolo, parseSolo, SOLO_FORMAT, type SoloFileIssue } from './solo'
