import { fail, ok, type Result } from '~/core/foundation'
import { type BundleEntry, parseBundle } from '../bundle'
import { parseKit } from '../kit'
import { lineTextOf, parseLickText } from '../lick-text'
import { type Backup, type FileIssue, parseBackup } from './backup'

/** A file of ours, whatever it is called. */
export type OurFile =
  | { readonly kind: 'backup'; readonly backup: Backup }
  | { readonly kind: 'bundle'; readonly licks: readonly BundleEntry[] }
  | { readonly kind: 'lick'; readonly text: string }
  | { readonly kind: 'kit'; readonly json: string }

const MOST_BYTES = 256 * 1024 * 1024
const ZIP = [0x50, 0x4b, 0x03, 0x04]

/** Tells what a file is from what is in it, never from its name. */
export function recogniseFile(bytes: Uint8Array): Result<OurFile, FileIssue> {
  if (bytes.length > MOST_BYTES)
    return fail({ code: 'too-large', message: 'The file is larger than 256 MB.' })
  if (ZIP.every((byte, i) => bytes[i] === byte)) {
    const read = parseBackup(bytes)
    return read.ok ? ok({ kind: 'backup', backup: read.value }) : read
  }
  let text: string
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return fail({
      code: 'not-ours',
      message: 'The file is neither a backup nor a text that Dime Stack can read.',
    })
  }
  return text.trimStart().startsWith('{') ? recogniseJson(text) : recogniseLick(text)
}

function recogniseJson(text: string): Result<OurFile, FileIssue> {
  const bundle = parseBundle(text)
  if (bundle.ok) return ok({ kind: 'bundle', licks: bundle.value })
  if (bundle.error.code === 'newer') return fail({ code: 'newer', message: bundle.error.message })
  const kit = parseKit(text)
  if (kit.ok) return ok({ kind: 'kit', json: text })
  return fail({
    code: bundle.error.code === 'not-json' ? 'damaged' : 'not-ours',
    message: bundle.error.message,
  })
}

function recogniseLick(text: string): Result<OurFile, FileIssue> {
  const read = parseLickText(text)
  if (read.ok && lineTextOf(text).trim() !== '') return ok({ kind: 'lick', text })
  if (read.ok) return fail({ code: 'not-ours', message: 'There is no sticking in the file.' })
  const [issue] = read.error
  const place = issue ? ` Line ${issue.line}, character ${issue.column}: ${issue.expected}.` : ''
  return fail({ code: 'not-ours', message: `The file can’t be read as a lick.${place}` })
}
