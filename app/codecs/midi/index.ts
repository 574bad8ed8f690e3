export { parseMidi } from './read'
export { formatMidi, type MidiOptions } from './write'
