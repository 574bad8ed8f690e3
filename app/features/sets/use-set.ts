import { nanoid } from 'nanoid'
import { useEffect, useState } from 'react'
import type { CopyOf } from '~/live/conflicts'
import { useSlices } from '~/live/use-slices'
import { closeSaver, type Kept, onStoreChange, openSaver, type SetRecord } from '~/storage'
import { SetDesk } from '~/workspace/set-desk'

/** A stored set on its desk: what is changed is saved; what another tab saves is shown. */
export function useSet(opened: Kept<SetRecord>) {
  const [saver] = useState(() => openSaver('sets', opened.id, opened.revision))
  const [desk] = useState(() => new SetDesk(contentOf(opened), (next) => saver.change(next)))
  useEffect(() => {
    const stop = onStoreChange(({ table, ids }) => {
      if (table !== 'sets' || !ids.includes(opened.id)) return
      void saver.heard().then((theirs) => {
        desk.setGone(theirs === 'deleted')
        if (theirs && theirs !== 'deleted') desk.take(contentOf(theirs))
      })
    })
    return () => {
      stop()
      void closeSaver(saver)
    }
  }, [desk, saver, opened.id])
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

/** In what a set differs from another, each a line. */
export function setDifferences(theirs: SetRecord, mine: SetRecord): string[] {
  const fields = [
    ['Name', theirs.name, mine.name],
    ['Note', theirs.note, mine.note],
    ['Minutes', String(theirs.minutes), String(mine.minutes)],
    ['Exercises', String(theirs.exercises.length), String(mine.exercises.length)],
  ] as const
  const lines = fields.flatMap(([name, was, is]) =>
    was === is ? [] : [`${name}: ${was || 'none'} in the other, ${is || 'none'} in yours`],
  )
  const order = ({ exercises }: SetRecord) => exercises.map(({ lickId }) => lickId).join(' ')
  const plans = ({ plan, exercises }: SetRecord) =>
    JSON.stringify([plan, exercises.map((one) => one.plan)])
  if (plans(theirs) !== plans(mine)) lines.push('The plan of the set')
  if (lines.length === 0 && order(theirs) !== order(mine)) lines.push('The order of the exercises')
  return lines
}
