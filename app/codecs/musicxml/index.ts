export { parseMusicXml } from './read'
export { formatMusicXml, type MusicXmlOptions } from './write'
