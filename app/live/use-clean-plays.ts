import { useEffect, useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import type { CleanPlay } from '~/core/playability'
import { liveLogs, loadLicks } from '~/storage'
import { useLive } from './use-live'

/** Licks that are read at once: a frame of work. */
const CHUNK = 20

/** Every lick that was played clean as a whole, as it is voiced, at its fastest clean tempo; read bit by bit. */
export function useCleanPlays(): readonly CleanPlay[] {
  const { rows, kind } = useLive(liveLogs)
  const [plays, setPlays] = useState<readonly CleanPlay[]>([])
  useEffect(() => {
    if (kind !== 'ready') return
    let gone = false
    const clean = rows.filter(({ bestClean }) => bestClean !== null)
    const tempos = new Map(clean.map(({ id, bestClean }) => [id, bestClean ?? 0]))
    const read = async () => {
      const found: CleanPlay[] = []
      const ids = [...tempos.keys()]
      for (let from = 0; from < ids.length && !gone; from += CHUNK) {
        const licks = await loadLicks(ids.slice(from, from + CHUNK))
        if (!licks.ok) return
        for (const record of licks.value) {
          const lick = findVoicedLick(record)
          const tempo = Math.round((tempos.get(record.id) ?? 0) * 10) / 10
          if (lick && tempo > 0) found.push({ lick, tempo })
        }
      }
      if (!gone) setPlays(found)
    }
    void read()
    return () => {
      gone = true
    }
  }, [rows, kind])
  return plays
}
