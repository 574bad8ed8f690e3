import { fail, ok, type Result } from '~/core/foundation'
import { MAX_TEXT_BYTES, parseLickText } from '../lick-text'
import { parseVoicing } from '../voicing'
import { pack, unpack } from './pack'

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
const MAX_BYTES = 2 * MAX_TEXT_BYTES + 1
export const NOT_WHOLE = 'The link is incomplete: copy it again, to its last letter.'

/**
 * A lick as it stands in an address after the hash, compressed; only letters that addresses keep as they
 * are. Law: `parseLink` reads it back as it was. Source: zlib (RFC 1950), base64url (RFC 4648, 5).
 */
export function formatLink({ text, voicing }: LinkedLick): string {
  return FORM + pack(`${text}${SEPARATOR}${voicing}`)
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
  const whole = unpack(written.slice(FORM.length), MAX_BYTES)
  if (whole === undefined) return fail(NOT_WHOLE)
  const [text = '', voicing, ...more] = whole.split(SEPARATOR)
  if (voicing === undefined || more.length > 0) return fail(NOT_WHOLE)
  const read = parseLickText(text)
  if (!read.ok) return fail('The lick in this link cannot be read.')
  const laid = parseVoicing(voicing)
  return laid.ok ? ok({ text, voicing }) : fail('The voices of this link cannot be read.')
}
