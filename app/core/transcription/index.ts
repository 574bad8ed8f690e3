export { findVoice } from './instruments'
export type { DrumPart, PartInstrument, PartNote } from './part'
export { levelOf, type Transcribed, transcribe } from './transcribe'
export type { TranscribeWish } from './wish'
