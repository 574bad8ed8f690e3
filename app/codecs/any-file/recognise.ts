import { strFromU8, unzipSync } from 'fflate'
import type { DrumPart } from '~/core/drum-parts'
import { fail, ok, type Result } from '~/core/foundation'
import type { Kit } from '~/core/kit'
import { type Backup, type FileIssue, parseBackup } from '../backup'
import { type BundleEntry, parseBundle } from '../bundle'
import { kitFault, parseKit } from '../kit'
import { joinLickTexts, lineTextOf, parseLickText, splitLickTexts } from '../lick-text'
import { parseMidi } from '../midi'
import { parseMusicXml, parseMxl } from '../musicxml'
import { parseSolo } from '../solo'

/** What a file is, whatever it is called: one of ours, or a drum part of another program. */
export type AnyFile =
  | { readonly kind: 'backup'; readonly backup: Backup }
  | { readonly kind: 'bundle'; readonly licks: readonly BundleEntry[] }
  | { readonly kind: 'licks'; readonly texts: readonly string[] }
  | { readonly kind: 'kit'; readonly json: string }
  | { readonly kind: 'solo'; readonly json: string; readonly title: string }
  | { readonly kind: 'part'; readonly part: DrumPart }

const MAX_BYTES = 256 * 1024 * 1024
const MAX_LICKS = 10_000
const MAX_TEXT = 64 * 1024 * 1024
const ZIP = [0x50, 0x4b, 0x03, 0x04]
const MIDI = [0x4d, 0x54, 0x68, 0x64]

/**
 * Tells what a file is from what is in it, never from its name. `kit` is the player's, by whose MIDI
 * notes the instruments of other programs are known.
 */
export function recogniseFile(bytes: Uint8Array, kit?: Kit): Result<AnyFile, FileIssue> {
  if (bytes.length > MAX_BYTES)
    return fail({ code: 'too-large', message: 'The file is larger than 256 MB.' })
  if (begins(bytes, ZIP)) return recogniseZip(bytes, kit)
  if (begins(bytes, MIDI)) return asPart(parseMidi(bytes, kit))
  const text = decoded(bytes)
  if (text === undefined) {
    return fail({
      code: 'not-ours',
      message:
        'The file is neither a backup nor a text, a score or a MIDI file that Dime Stack can read.',
    })
  }
  const start = text.trimStart()
  if (start.startsWith('{')) return recogniseJson(text)
  if (start.startsWith('<')) return asPart(parseMusicXml(start, kit))
  return recogniseLicks(text)
}

function begins(bytes: Uint8Array, sign: readonly number[]): boolean {
  return sign.every((byte, i) => bytes[i] === byte)
}

/** A text in UTF-8, or in UTF-16 with its mark; undefined where it is neither. */
function decoded(bytes: Uint8Array): string | undefined {
  const wide = begins(bytes, [0xff, 0xfe])
    ? 'utf-16le'
    : begins(bytes, [0xfe, 0xff])
      ? 'utf-16be'
      : null
  try {
    return new TextDecoder(wide ?? 'utf-8', { fatal: true }).decode(bytes)
  } catch {
    return undefined
  }
}

function asPart(read: Result<DrumPart, string>): Result<AnyFile, FileIssue> {
  if (read.ok) return ok({ kind: 'part', part: read.value })
  return fail({ code: 'damaged', message: read.error })
}

function recogniseZip(bytes: Uint8Array, kit: Kit | undefined): Result<AnyFile, FileIssue> {
  const read = parseBackup(bytes)
  if (read.ok) return ok({ kind: 'backup', backup: read.value })
  if (read.error.code !== 'not-ours') return read
  const score = parseMxl(bytes)
  if (!score) return lickZip(bytes) ?? read
  return asPart(score.ok ? parseMusicXml(score.value, kit) : score)
}

function recogniseJson(text: string): Result<AnyFile, FileIssue> {
  const bundle = parseBundle(text)
  if (bundle.ok) return ok({ kind: 'bundle', licks: bundle.value })
  if (bundle.error.code === 'newer') return fail({ code: 'newer', message: bundle.error.message })
  const solo = parseSolo(text)
  if (solo.ok) return ok({ kind: 'solo', json: text, title: solo.value.title })
  if (solo.error.code === 'newer') return fail({ code: 'newer', message: solo.error.message })
  if (solo.error.code === 'broken')
    return fail({ code: 'damaged', message: `The solo can’t be read. ${solo.error.message}` })
  const kit = parseKit(text)
  if (kit.ok) return ok({ kind: 'kit', json: text })
  if (/"pieces"\s*:/.test(text)) return fail({ code: 'damaged', message: kitFault(text) })
  return fail({
    code: bundle.error.code === 'not-json' ? 'damaged' : 'not-ours',
    message: bundle.error.message,
  })
}

/** The licks of a text: all of them, or the first fault of the first that cannot be read. */
function recogniseLicks(text: string): Result<AnyFile, FileIssue> {
  const texts = splitLickTexts(text)
  if (texts.length > MAX_LICKS)
    return fail({ code: 'too-large', message: `The text has more than ${MAX_LICKS} licks.` })
  for (const [i, one] of texts.entries()) {
    const read = parseLickText(one)
    if (read.ok && lineTextOf(one).trim() !== '') continue
    if (read.ok) return fail({ code: 'not-ours', message: 'There is no sticking in the file.' })
    const [issue] = read.error
    const which = texts.length > 1 ? `lick ${i + 1}` : 'a lick'
    const place = issue ? ` Line ${issue.line}, character ${issue.column}: ${issue.expected}.` : ''
    return fail({ code: 'not-ours', message: `The file can’t be read as ${which}.${place}` })
  }
  return ok({ kind: 'licks', texts })
}

/** A zip of lick texts, as the library saves a selection: whole or not at all; undefined where there is none in it. */
function lickZip(bytes: Uint8Array): Result<AnyFile, FileIssue> | undefined {
  const sizes = { all: 0 }
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!/\.lick$/i.test(name)) return false
        sizes.all += originalSize
        return sizes.all <= MAX_TEXT
      },
    })
    if (sizes.all > MAX_TEXT)
      return fail({ code: 'too-large', message: 'The licks of the file are larger than 64 MB.' })
    const texts = Object.values(files).map((one) => strFromU8(one))
    return texts.length === 0 ? undefined : recogniseLicks(joinLickTexts(texts))
  } catch {
    return undefined
  }
}
