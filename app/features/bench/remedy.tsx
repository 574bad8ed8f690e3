import { useMemo } from 'react'
import { fixesOf } from '~/core/fitting'
import type { Lick } from '~/core/line'
import { useSettled } from '~/ui/use-settled'
import { fixEdit, fixWords } from '~/workspace/edits/fitting-edits'
import { useBenchLick, useSetting, useWorkspace } from './state/use-workspace'

const REST_MS = 300

/** The first way to make it fit, a moment after what is typed; shown on the ruler before it is taken. */
export default function Remedy() {
  const workspace = useWorkspace()
  // Whole lines are tried out for it: that waits for a rest in the typing, also where the key that was
  // just typed made the line too long or too short.
  const lick = useSettled<Lick | null>(useBenchLick(), REST_MS, null)
  const setting = useSetting()
  const found = useMemo(() => {
    const fix = lick && fixesOf(lick, null, null, setting)[0]
    return fix ? { words: fixWords(fix, lick), edit: fixEdit(lick, fix) } : null
  }, [lick, setting])
  if (!found || !lick) return null
  const { words, edit } = found
  return (
    <button
      type="button"
      className="verdict-remedy"
      onClick={() => workspace.edit(edit, lick)}
      onPointerEnter={() => workspace.show(edit)}
      onPointerLeave={() => workspace.show(null)}
      onFocus={() => workspace.show(edit)}
      onBlur={() => workspace.show(null)}
    >
      <span className="truncate">{words}</span>
    </button>
  )
}
