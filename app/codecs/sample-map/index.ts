export { guessSurface } from './guess'
export { type MapReading, parseSampleMap, type WrittenRegion } from './read'
