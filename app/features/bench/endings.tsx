import { useEffect, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { formatPhrase } from '~/core/changes'
import type { LineEnding } from '~/core/finder'
import type { Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import { useSettled } from '~/ui/use-settled'
import { startFinder } from '~/workers'
import { appendPhrase, type Edit } from '~/workspace/edits/edits'
import Remedy from './remedy'
import { useBenchLick, useSetting, useWorkspace } from './state/use-workspace'

/** After the last key; what is asked then is answered by a worker. */
const REST_MS = 30

/** Whom an ending leaves free to land. */
const LEAVES: Readonly<Record<string, string>> = {
  L: 'the right hand is free to land',
  R: 'the left hand is free to land',
  K: 'both hands are free to land',
}

/**
 * The best ways to fill what is left of the space, one for each limb to end on, each a key away and shown on the
 * ruler while it is pointed at; where there is none, the first way to make the line fit.
 */
export default function Endings() {
  const workspace = useWorkspace()
  const lick = useBenchLick()
  const setting = useSetting()
  const found = useEndings(useSettled(lick, REST_MS), setting)
  // Nothing of an older line is shown.
  const endings = found?.lick === lick ? found.endings : NONE
  const edits = endings.map(({ phrase }): Edit => appendPhrase(lick, phrase, 'Add an ending'))
  useHotkeys(
    ['alt+shift+1', 'alt+shift+2', 'alt+shift+3'],
    (event) => {
      const edit = edits[Number(event.code.at(-1)) - 1]
      if (edit) workspace.edit(edit, lick)
    },
    { enableOnFormTags: true, preventDefault: true },
  )
  if (found?.lick === lick && endings.length === 0) return <Remedy />
  return endings.map(({ phrase, ends }, i) => {
    const text = formatPhrase(phrase)
    const edit = edits[i] as Edit
    return (
      <button
        key={ends}
        type="button"
        className={`verdict-remedy font-mono ${i > 0 ? 'max-sm:hidden' : ''}`}
        aria-label={`End with ${text}: ${LEAVES[ends]}`}
        title={`End with ${text}: ${LEAVES[ends]} (Alt Shift ${i + 1})`}
        onClick={() => workspace.edit(edit, lick)}
        onPointerEnter={() => workspace.show(edit)}
        onPointerLeave={() => workspace.show(null)}
        onFocus={() => workspace.show(edit)}
        onBlur={() => workspace.show(null)}
      >
        <span className="inline-block max-w-36 truncate align-middle">+ {text}</span>
      </button>
    )
  })
}

const NONE: readonly LineEnding[] = []

/** The endings of a line, worked out in a worker; null until they are known, and where that fails. */
function useEndings(lick: Lick, setting: PlayContext) {
  const [worker] = useState(startFinder)
  useEffect(() => () => worker.close(), [worker])
  const [found, setFound] = useState<{ lick: Lick; endings: readonly LineEnding[] } | null>(null)
  useEffect(() => {
    let gone = false
    worker.ask('end-line', { lick, setting }).then(
      (endings) => {
        if (!gone) setFound({ lick, endings })
      },
      () => {
        if (!gone) setFound({ lick, endings: NONE })
      },
    )
    return () => {
      gone = true
    }
  }, [worker, lick, setting])
  return found
}
