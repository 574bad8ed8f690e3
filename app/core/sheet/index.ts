export { type SheetLine, toSheetLine, type WrittenAs } from './bars'
export { DEFAULT_CHOICES, lookOf, SHEET_SIZES, type SheetChoices } from './choices'
export { layOut, type Page } from './pages'
export {
  PAPERS,
  type Paper,
  type Sheet,
  type SheetItem,
  type SheetLook,
  type SheetRow,
} from './sheet'
export { type SoloWrittenAs, toSoloLine } from './solo-line'
export type { Rows } from './system'
