import { strToU8, zipSync } from 'fflate'
import { formatLickText, joinLickTexts, parseLickText, withOwnGroove } from '~/codecs/lick-text'
import { findVoicedLick } from '~/codecs/voicing'
import { ok, type Result } from '~/core/foundation'
import { toOwnGrooves } from '~/core/groove'
import { liveGrooves, loadLicks, type StoreIssue } from '~/storage'

/** A lick as it is saved: its text, with its voices and its own groove, and what its file is called. */
interface LickFile {
  readonly name: string
  readonly text: string
}

/** The texts of licks, in the order of their ids; one that has rules has the voices they gave it. */
async function loadFiles(ids: readonly string[]): Promise<Result<LickFile[], StoreIssue>> {
  const licks = await loadLicks(ids)
  if (!licks.ok) return licks
  const grooves = toOwnGrooves((await liveGrooves.settled()).rows)
  const files = licks.value.map((record): LickFile => {
    const read = parseLickText(record.text)
    if (!read.ok) return { name: 'lick', text: record.text }
    const voiced = record.voicing === '' ? undefined : findVoicedLick(record)
    const text = voiced ? formatLickText(voiced) : record.text
    const { lick } = read.value
    return { name: lick.title || 'lick', text: withOwnGroove(text, lick, grooves) }
  })
  return ok(files)
}

/** Licks as one text, to be copied. */
export async function copiedTexts(ids: readonly string[]): Promise<Result<string, StoreIssue>> {
  const files = await loadFiles(ids)
  return files.ok ? ok(joinLickTexts(files.value.map(({ text }) => text))) : files
}

/** Licks as text files: one by itself, several in a zip with a file each. */
export async function savedTexts(
  ids: readonly string[],
): Promise<Result<{ name: string; type: string; content: BlobPart }, StoreIssue>> {
  const files = await loadFiles(ids)
  if (!files.ok) return files
  const [only] = files.value
  if (files.value.length === 1 && only)
    return ok({ name: `${only.name}.lick`, type: 'text/plain', content: only.text })
  const named: Record<string, Uint8Array> = {}
  for (const { name, text } of files.value) named[freeName(name, named)] = strToU8(text)
  const content = zipSync(named) as Uint8Array<ArrayBuffer>
  return ok({ name: 'licks.zip', type: 'application/zip', content })
}

/** A file name that no other has yet; signs that file systems refuse are left out. */
export function freeName(name: string, taken: Readonly<Record<string, unknown>>): string {
  const plain =
    name
      .replace(/[\\/:*?"<>|\p{Cc}]/gu, ' ')
      .trim()
      .slice(0, 80) || 'lick'
  for (let count = 1; ; count += 1) {
    const file = count === 1 ? `${plain}.lick` : `${plain} ${count}.lick`
    if (!Object.hasOwn(taken, file)) return file
  }
}
