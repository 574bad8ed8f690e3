import { nanoid } from 'nanoid'
import { formatLickText } from '~/codecs/lick-text'
import type { Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import { type Bounds, type Drawn, toImprovised } from '~/core/practice'
import type { Surface } from '~/core/sticking'
import { notSavedWords, saveRecord } from '~/storage'
import { turnTexts } from '~/workspace/turned'

/** What is drawn anew each time, and how much of it. */
export interface ImproviseChoice {
  /** `versions` plays the saved versions in turn, as they are. */
  readonly drawn: Drawn | 'versions' | null
  readonly share: number
  /** What the drawing begins with. */
  readonly seed: number
}

const MAX_IN_ROW = 4

export const DRAWN_WORDS: Readonly<Record<Drawn, string>> = {
  voices: 'voices',
  accents: 'accents',
  kicks: 'kicks',
}

/** Within what a line is drawn anew each time; null where it is played as it is. `tempo` is the fastest. */
export function boundsOf(
  { drawn, share, seed }: ImproviseChoice,
  setting: PlayContext,
  tempo: number,
): Bounds | null {
  if (!drawn || drawn === 'versions') return null
  return { drawn, surfaces: drumsOf(setting), share, mostInRow: MAX_IN_ROW, tempo, seed }
}

/** The drums that hands strike on a kit. */
function drumsOf({ kit }: PlayContext): Surface[] {
  const drums = kit.pieces.filter(({ kind }) => kind === 'drum').map(({ surface }) => surface)
  return drums.length > 0 ? drums : ['sn']
}

interface Keepable {
  readonly lickId: string
  readonly lick: Lick
  /** What is heard before it is drawn anew. */
  readonly heard: Lick
  readonly bounds: Bounds
  readonly setting: PlayContext
  readonly turned: boolean
}

/** Keeps the line of a round, from 0, as it was drawn, as a version of the lick. Tells what came of it. */
export async function keepDrawn(drawn: Keepable, round: number): Promise<string> {
  const { lickId, lick, heard, bounds, setting, turned } = drawn
  const { line } = toImprovised(heard, bounds, setting)(round)
  const { text, voicing } = turnTexts(
    { text: formatLickText({ ...lick, line }), voicing: '', draft: null },
    turned,
  )
  const name = `Improvised ${DRAWN_WORDS[bounds.drawn]} ${bounds.seed}.${round + 1}`
  const record = { id: nanoid(12), version: 1 as const, lickId, name, text, voicing }
  const saved = await saveRecord('versions', { ...record, createdAt: Date.now() }, null)
  return saved.ok ? `Saved as the version “${name}”.` : notSavedWords(saved.error)
}
