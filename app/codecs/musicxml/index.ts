export { formatMxl, parseMxl } from './mxl'
export { parseMusicXml } from './read'
export { formatSoloMusicXml } from './solo'
export { formatMusicXml, type MusicXmlOptions } from './write'
