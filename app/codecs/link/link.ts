import { strFromU8, strToU8, unzlibSync, zlibSync } from 'fflate'
import { fail, ok, type Result } from '~/core/foundation'
import { MAX_TEXT_BYTES, parseLickText } from '../lick-text'
import { parseVoicing } from '../voicing'

/** What a link carries: a lick's text, and how it is laid on the kit; empty where that is plain. */
export interface LinkedLick {
  readonly text: string
  readonly voicing: string
}

/** The form of what stands after the hash; another one is of a newer app. */
const FORM = '1.'
/** Between the text and the voicing: a character that neither has. */
const SEPARATOR = '\u0000'
/** A text and a voicing of 64 KiB each, and what is between them. */
const MOST_BYTES = 2 * MAX_TEXT_BYTES + 1
const NOT_WHOLE = 'The link is not whole: copy it again, to its last letter.'

/**
 * A lick as it stands in an address after the hash, compressed; only letters that addresses keep as they
 * are. Law: `parseLink` reads it back as it was. Source: zlib (RFC 1950), base64url (RFC 4648, 5).
 */
export function formatLink({ text, voicing }: LinkedLick): string {
  const bytes = zlibSync(strToU8(`${text}${SEPARATOR}${voicing}`), { level: 9 })
  const base64 = btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))
  return FORM + base64.replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '')
}

/**
 * Reads what stands after the hash of an address. Fails, in words, with what is cut off, from a newer app,
 * larger than a lick can be, or no lick.
 */
export function parseLink(hash: string): Result<LinkedLick, string> {
  const written = hash.replace(/^#/, '')
  if (written === '') return fail('There is no lick in this link.')
  if (!written.startsWith(FORM)) {
    return /^\d+\./.test(written)
      ? fail('This link is of a newer Dime Stack: reload the app.')
      : fail(NOT_WHOLE)
  }
  const bytes = inflated(written.slice(FORM.length))
  if (!bytes) return fail(NOT_WHOLE)
  const [text = '', voicing, ...more] = strFromU8(bytes).split(SEPARATOR)
  if (voicing === undefined || more.length > 0) return fail(NOT_WHOLE)
  const read = parseLickText(text)
  if (!read.ok) return fail('The lick in this link cannot be read.')
  const laid = parseVoicing(voicing)
  return laid.ok ? ok({ text, voicing }) : fail('The voices of this link cannot be read.')
}

/** What was compressed; undefined for what is broken, or grows beyond any lick. */
function inflated(base64url: string): Uint8Array | undefined {
  try {
    const base64 = base64url.replaceAll('-', '+').replaceAll('_', '/')
    const packed = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
    // What does not fit into this is cut off, and has then another checksum.
    const bytes = unzlibSync(packed, { out: new Uint8Array(MOST_BYTES) })
    return adler32(bytes) === numberOf(packed.subarray(-CHECKSUM_BYTES)) ? bytes : undefined
  } catch {
    return undefined
  }
}

/** The last bytes of the format are its checksum, which the library does not look at. */
const CHECKSUM_BYTES = 4

function numberOf(bytes: Uint8Array): number {
  return bytes.reduce((sum, byte) => sum * 256 + byte, 0)
}

/** The checksum of the format. Source: RFC 1950, 8.2. */
function adler32(bytes: Uint8Array): number {
  let [a, b] = [1, 0]
  for (const byte of bytes) {
    a = (a + byte) % 65521
    b = (b + a) % 65521
  }
  return b * 65536 + a
}
