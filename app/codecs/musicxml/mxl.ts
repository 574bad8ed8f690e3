import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { fail, ok, type Result } from '~/core/foundation'
import { attribute, child, children, element, parseXml } from '../xml'

const CONTAINER = 'META-INF/container.xml'
const SCORE = 'score.musicxml'
const MIME = 'application/vnd.recordare.musicxml'
/** A drum part of 64 bars is a megabyte; nothing larger than this is unpacked. */
const MAX_UNPACKED = 40 * 1024 * 1024
const MAX_FILES = 200

/** A MusicXML document compressed: a zip with the score and a container that names it (MusicXML 4.0). */
export function formatMxl(musicXml: string): Uint8Array {
  const rootfile = element('rootfile', { 'full-path': SCORE, 'media-type': `${MIME}+xml` })
  const container = element('container', {}, element('rootfiles', {}, rootfile))
  return zipSync({
    mimetype: [strToU8(MIME), { level: 0 }],
    [CONTAINER]: strToU8(`<?xml version="1.0" encoding="UTF-8"?>\n${container.xml}\n`),
    [SCORE]: strToU8(musicXml),
  })
}

/**
 * The score in a compressed MusicXML file: what its container names. Names in the zip are looked up and
 * never lead anywhere; what would be larger than 40 MB is not unpacked. Undefined where a zip is none.
 */
export function parseMxl(bytes: Uint8Array): Result<string, string> | undefined {
  try {
    const container = only(bytes, CONTAINER)
    if (!container) return undefined
    const root = parseXml(strFromU8(container))?.find(({ name }) => name === 'container')
    const files = root && child(root, 'rootfiles')
    const names = files ? children(files, 'rootfile').map((one) => attribute(one, 'full-path')) : []
    const [name] = names
    const score = name ? only(bytes, name) : undefined
    return score
      ? ok(strFromU8(score))
      : fail(
          'The compressed score does not have the file that its container names, or it is too large.',
        )
  } catch {
    return fail('The compressed score is damaged or cut off: it can’t be unpacked.')
  }
}

/** One file of a zip, if it is there and not too large. */
function only(bytes: Uint8Array, wanted: string): Uint8Array | undefined {
  let seen = 0
  const found = unzipSync(bytes, {
    filter: ({ name, originalSize }) => {
      seen += 1
      return name === wanted && originalSize <= MAX_UNPACKED && seen <= MAX_FILES
    },
  })
  return Object.hasOwn(found, wanted) ? found[wanted] : undefined
}
