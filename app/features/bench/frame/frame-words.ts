/** The parts of the frame, in the order of the sentence, with the key that opens each. */
export const PART_NAMES = {
  metre: { name: 'Metre', key: 'Alt M' },
  grid: { name: 'Grid', key: 'Alt G' },
  start: { name: 'Start', key: 'Alt S' },
  groove: { name: 'Groove', key: 'Alt R' },
  landing: { name: 'Landing', key: 'Alt O' },
  tempo: { name: 'Tempo', key: 'Alt T' },
} as const
export type FramePartId = keyof typeof PART_NAMES
