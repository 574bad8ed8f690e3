export { formatMusicXml, type MusicXmlOptions } from './write'
