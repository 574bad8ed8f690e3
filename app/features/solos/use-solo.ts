import { useEffect, useState } from 'react'
import { formatSolo, parseSolo } from '~/codecs/solo'
import type { Solo } from '~/core/solo'
import { followRecord, type Kept, openSaver, type SoloRecord } from '~/storage'
import { SoloDesk } from '~/workspace/solo-desk'

/** A stored solo on its desk: what is changed is saved, what another tab saves is shown. */
export function useSolo(opened: Kept<SoloRecord>, solo: Solo) {
  const [saver] = useState(() => openSaver('solos', opened.id, opened.revision))
  const [desk] = useState(() => new SoloDesk(solo, (next) => saver.change(toRecord(opened, next))))
  const [gone, setGone] = useState(false)
  useEffect(
    () =>
      followRecord(saver, (theirs) => {
        setGone(theirs === 'deleted')
        if (theirs === 'deleted') return
        const read = parseSolo(theirs.solo)
        if (read.ok) desk.take(read.value)
      }),
    [desk, saver],
  )
  return { desk, saver, gone }
}

/** A solo as it is stored. */
export function toRecord(
  { id, createdAt }: Pick<SoloRecord, 'id' | 'createdAt'>,
  solo: Solo,
): SoloRecord {
  return { id, version: 1, createdAt, name: solo.title, solo: formatSolo(solo) }
}
