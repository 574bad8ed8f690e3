export { NOTATION_CODES, type NotationCode, type NotationIssue } from './issue'
export type { SourceSpan } from './read-items'
export { type LineContext, type LineReading, parseLine } from './read-line'
export { formatLine, formatSlot } from './write-line'
