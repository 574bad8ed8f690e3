export { lineTextOf, setLineText, setValues, valuesOf } from './edit'
export { HEADER_CODES, type HeaderCode, type TextIssue } from './issue'
export {
  type CarriedGroove,
  findOwnGrooves,
  formatOwnGroove,
  toOwnGrooveRow,
  withOwnGroove,
} from './own-groove'
export { type LickReading, MAX_TEXT_BYTES, parseLickText } from './read'
export { type LineChange, rewriteLick, type SpanMarks, setSpanMarks } from './rewrite'
export { KEYS, type Key } from './rows'
export { joinLickTexts, splitLickTexts } from './several'
export { normalTitle, splitTags } from './title'
export { turnHands } from './turn'
export { formatLanding, formatLayer, formatLickText, formatSwing, headerValues } from './write'
