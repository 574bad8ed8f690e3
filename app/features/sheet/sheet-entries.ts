import { findVoicedLick, parseVoicing } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import { buildUp } from '~/core/practice'
import { PART_WORDS } from '~/words/practice-words'
import type { SheetEntry } from '~/words/sheet-words'
import { turnTexts } from '~/workspace/turned'
import type { Under } from './sheet-address'

/** A lick as it comes to a sheet: its texts, and those of its saved versions. */
export interface SheetSource {
  readonly id: string
  readonly text: string
  readonly voicing: string
  readonly versions: readonly {
    readonly name: string
    readonly text: string
    readonly voicing: string
  }[]
}

/**
 * What is printed of a lick: itself, the parts it is learnt in, in order, and its saved versions;
 * undefined where its text cannot be read.
 */
export function entryOf(
  source: SheetSource,
  under: readonly Under[],
  turned: boolean,
  setting: PlayContext,
): SheetEntry | undefined {
  const texts = turnTexts({ ...source, draft: null }, turned)
  const lick = findVoicedLick(texts)
  if (!lick) return undefined
  const laid = parseVoicing(texts.voicing)
  const about = laid.ok ? (laid.value.about ?? '') : ''
  const rows = [
    ...(under.includes('parts') ? partRows(lick, setting) : []),
    ...(under.includes('versions') ? versionRows(source, turned) : []),
  ]
  return { lick, notes: about === '' ? [] : [about], rows }
}

/** The parts of the build-up, but the whole in the bar: that is the lick's own row. */
function partRows(lick: Lick, setting: PlayContext): SheetEntry['rows'] {
  return buildUp(lick, 'parts', setting)
    .filter(({ kind }) => kind !== 'bar')
    .map((part, i) => ({ label: `${i + 1}. ${capital(PART_WORDS[part.kind])}`, lick: part.lick }))
}

function versionRows({ versions }: SheetSource, turned: boolean): SheetEntry['rows'] {
  return versions.flatMap(({ name, text, voicing }) => {
    const lick = findVoicedLick(turnTexts({ text, voicing, draft: null }, turned))
    return lick ? [{ label: name, lick }] : []
  })
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
