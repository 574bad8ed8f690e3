import { useEffect, useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import { type Character, characterOf, type PlayContext } from '~/core/playability'
import { liveSummaries, loadLicks } from '~/storage'

/** Licks that are looked at in one piece, so that the page stays alive. */
const CHUNK = 20

/** What the other licks of the library are like, looked at bit by bit: the list grows as they are read. */
export function useOthers(id: string, setting: PlayContext): readonly Character[] {
  const [others, setOthers] = useState<readonly Character[]>([])
  useEffect(() => {
    let gone = false
    const look = async () => {
      const { rows } = await liveSummaries.open()
      const ids = rows.flatMap((row) => (row.id === id || row.slots === 0 ? [] : row.id))
      const found: Character[] = []
      for (let from = 0; from < ids.length && !gone; from += CHUNK) {
        const licks = await loadLicks(ids.slice(from, from + CHUNK))
        if (!licks.ok) return
        for (const record of licks.value) {
          const lick = findVoicedLick(record)
          if (!lick || lick.line.slots.length === 0) continue
          found.push(characterOf(lick, setting.kit, lick.frame.tempo, setting.grooves))
        }
        if (!gone) setOthers([...found])
        await new Promise((resolve) => setTimeout(resolve))
      }
    }
    void look()
    return () => {
      gone = true
    }
  }, [id, setting])
  return others
}
