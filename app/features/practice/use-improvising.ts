import { nanoid } from 'nanoid'
import { useCallback, useMemo, useState } from 'react'
import { formatLickText } from '~/codecs/lick-text'
import type { Lick } from '~/core/line'
import type { Position } from '~/core/performance'
import type { Setting } from '~/core/playing'
import { type Bounds, type Drawn, toImprovised } from '~/core/practice'
import type { Surface } from '~/core/sticking'
import { notSavedWords, saveRecord } from '~/storage'
import { turnTexts } from '~/workspace/turned'

/** What is drawn anew each time, and how much of it. */
export interface ImproviseChoice {
  /** `versions` plays the saved versions in turn, as they are. */
  readonly drawn: Drawn | 'versions' | null
  readonly share: number
}

const MOST_IN_ROW = 4

interface Improvised {
  readonly lickId: string
  readonly lick: Lick
  /** The fastest tempo that is played. */
  readonly tempo: number
  readonly setting: Setting
  readonly turned: boolean
}

/**
 * Improvising within bounds: the lick goes round, and each time its voices, accents or kicks are others.
 * What was heard, now or the time before, can be kept as a version.
 */
export function useImprovising({ lickId, lick, tempo, setting, turned }: Improvised) {
  const [choice, setChoice] = useState<ImproviseChoice>({ drawn: null, share: 0.5 })
  const [seed, setSeed] = useState(() => 1 + (Date.now() % 999_999))
  const [said, setSaid] = useState('')
  const { drawn, share } = choice
  const bounds = useMemo((): Bounds | null => {
    if (!drawn || drawn === 'versions') return null
    return { drawn, surfaces: drumsOf(setting), share, mostInRow: MOST_IN_ROW, tempo, seed }
  }, [drawn, share, tempo, seed, setting])
  const choose = useCallback((changed: Partial<ImproviseChoice>) => {
    setChoice((now) => ({ ...now, ...changed }))
    setSeed((now) => (now % 999_999) + 1)
    setSaid('')
  }, [])
  const keep = useCallback(
    async (heard: Lick, position: Position | undefined, before: number) => {
      if (!bounds || position?.phase !== 'round') return
      const round = Math.max(0, position.round - before)
      const { line } = toImprovised(heard, bounds, setting)(round)
      const { text, voicing } = turnTexts(
        { text: formatLickText({ ...lick, line }), voicing: '', draft: null },
        turned,
      )
      const name = `Improvised ${DRAWN_WORDS[bounds.drawn]} ${bounds.seed}.${round + 1}`
      const record = { id: nanoid(12), version: 1 as const, lickId, name, text, voicing }
      const saved = await saveRecord('versions', { ...record, createdAt: Date.now() }, null)
      setSaid(saved.ok ? `Saved as the version “${name}”.` : notSavedWords(saved.error))
    },
    [bounds, lick, lickId, setting, turned],
  )
  return { choice, bounds, choose, keep, said }
}

export const DRAWN_WORDS: Readonly<Record<Drawn, string>> = {
  voices: 'voices',
  accents: 'accents',
  kicks: 'kicks',
}

/** The drums that hands strike on a kit. */
function drumsOf({ kit }: Setting): Surface[] {
  const drums = kit.pieces.filter(({ kind }) => kind === 'drum').map(({ surface }) => surface)
  return drums.length > 0 ? drums : ['sn']
}
