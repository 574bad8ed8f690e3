export { parseMidi } from './read'
export { formatSoloMidi } from './solo'
export { formatMidi, type MidiOptions } from './write'
