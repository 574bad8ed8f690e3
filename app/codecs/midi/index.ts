export { formatMidi, type MidiOptions } from './write'
