import { useMemo } from 'react'
import { fixesOf } from '~/core/fitting'
import { useSettled } from '~/ui/use-settled'
import { fixEdit, fixWords } from '~/workspace/edits/fitting-edits'
import { useBenchLick, useSetting, useWorkspace } from './state/use-workspace'

const REST_MS = 300

/** The first way to make it fit, a moment after what is typed; shown on the ruler before it is taken. */
export default function Remedy() {
  const workspace = useWorkspace()
  // Whole lines are tried out for it: that waits for a rest in the typing.
  const lick = useSettled(useBenchLick(), REST_MS)
  const setting = useSetting()
  const [first] = useMemo(() => fixesOf(lick, null, null, setting), [lick, setting])
  if (!first) return null
  const edit = fixEdit(lick, first)
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
      <span className="truncate">{fixWords(first, lick)}</span>
    </button>
  )
}
