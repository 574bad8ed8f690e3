export { formatMxl, parseMxl } from './mxl'
export { parseMusicXml } from './read'
export { formatMusicXml, type MusicXmlOptions } from './write'
