import { nanoid } from 'nanoid'
import { useEffect, useState } from 'react'
import type { CopyOf } from '~/live/conflicts'
import { useSlices } from '~/live/use-slices'
import { followRecord, type Kept, openSaver, type SetRecord } from '~/storage'
import { SetDesk } from '~/workspace/set-desk'

/** A stored set on its desk: what is changed is saved; what another tab saves is shown. */
export function useSet(opened: Kept<SetRecord>) {
  const [saver] = useState(() => openSaver('sets', opened.id, opened.revision))
  const [desk] = useState(() => new SetDesk(contentOf(opened), (next) => saver.change(next)))
  useEffect(
    () =>
      followRecord(saver, (theirs) => {
        desk.setGone(theirs === 'deleted')
        if (theirs !== 'deleted') desk.take(contentOf(theirs))
      }),
    [desk, saver],
  )
  return { ...useSlices(desk), desk, saver }
}

function contentOf({
  id,
  version,
  createdAt,
  name,
  note,
  minutes,
  plan,
  exercises,
}: SetRecord): SetRecord {
  return { id, version, createdAt, name, note, minutes, plan, exercises }
}

/** A set's copy under a name of its own. */
export const copyOfSet: CopyOf<'sets'> = (set, why) => ({
  ...contentOf(set),
  id: nanoid(12),
  name: `${set.name}, ${why}`.slice(0, 80),
  createdAt: Date.now(),
})
