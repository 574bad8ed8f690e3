import { useCallback, useEffect } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { formatPhrase } from '~/core/changes'
import type { LineEnding } from '~/core/finder'
import { useSettled } from '~/ui/use-settled'
import { appendPhrase, type Edit } from '~/workspace/edits/edits'
import type { LineEndings } from '~/workspace/workspace'
import Remedy from './remedy'
import { type Finder, useFinder } from './state/use-finder'
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
  const settled = useSettled(lick, REST_MS)
  const ask = useCallback(
    (finder: Finder) => finder.ask('end-line', { lick: settled, setting }),
    [settled, setting],
  )
  const found = useFinder(ask, NONE)
  // Nothing of an older line is shown.
  const endings = (settled === lick && found) || NONE
  const edits = endings.map(({ phrase }): Edit => appendPhrase(lick, phrase, 'Add an ending'))
  // They stand at the end of the line on the ruler too.
  useEffect(() => {
    workspace.endings.show({ of: settled, phrases: endings.map(({ phrase }) => phrase) })
    return () => workspace.endings.show(NO_ENDINGS)
  }, [workspace, settled, endings])
  useHotkeys(
    ['alt+shift+1', 'alt+shift+2', 'alt+shift+3'],
    (event) => {
      const edit = edits[Number(event.code.at(-1)) - 1]
      if (edit) workspace.edit(edit, lick)
    },
    { enableOnFormTags: true, preventDefault: true },
  )
  if (settled === lick && found?.length === 0) return <Remedy />
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
const NO_ENDINGS: LineEndings = { of: null, phrases: [] }
