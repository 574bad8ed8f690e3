export { findVoice } from './instruments'
export type { DrumPart, PartInstrument, PartNote } from './part'
export { levelOf, type PartLick, partToLick } from './part-to-lick'
export type { PartWish } from './wish'
