import { keepMine, keepTheirs } from '~/live/conflicts'
import { SaverNotice } from '~/live/saver-notice'
import type { RecordSaver, SetRecord } from '~/storage'
import { setDifferences } from '~/workspace/set-differences'
import { copyOfSet } from './use-set'

/** What is wrong with saving a set, and the say in it; nothing where nothing is. */
export function SetNotice({
  saver,
  onTake,
}: {
  saver: RecordSaver<'sets'>
  /** Takes what another tab saved. */
  onTake: (theirs: SetRecord) => void
}) {
  return (
    <SaverNotice
      saver={saver}
      what="set"
      differences={setDifferences}
      onMine={(theirs) => keepMine(saver, theirs, copyOfSet)}
      onTheirs={async (theirs) => {
        if ((await keepTheirs(saver, theirs, copyOfSet)) && theirs) onTake(theirs)
      }}
    />
  )
}
