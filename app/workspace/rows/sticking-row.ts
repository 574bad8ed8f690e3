import { lineTextOf } from '~/codecs/lick-text'
import { aimOf, frameTicks } from '~/core/line'
import type { Workspace } from '../workspace'
import { openSlot, removeSlots, stickingKey } from './sticking-keys'

/** A key typed on the marked slots of the sticking row. Returns whether it meant something. */
export function typeSticking(workspace: Workspace, key: string): boolean {
  const { selection, waiting } = workspace.state()
  const done = stickingKey(workspace.lick, selection.range, waiting, key)
  if (!done) return false
  const { edit, to, refused } = done
  workspace.together(() => {
    if (edit) workspace.edit(edit)
    else if (refused) workspace.refuse(refused)
    if (edit && !edit.select) {
      if (to >= workspace.slots.length) workspace.toEnd()
      else workspace.mark(to, to)
    }
    workspace.wait(done.waiting)
  })
  return true
}

/** Does what a key of the sticking row does, and leaves marked what is. */
export function pressSticking(workspace: Workspace, key: string): void {
  const { range } = workspace.state().selection
  const before = workspace.lick
  workspace.together(() => {
    typeSticking(workspace, key)
    if (range && workspace.lick !== before) workspace.select(range)
  })
}

/** Opens a slot before the marked one, as a rest. */
export function insertSlot(workspace: Workspace): void {
  const { range } = workspace.state().selection
  workspace.edit(openSlot(workspace.lick, range?.from ?? workspace.slots.length))
}

/** Removes the marked slots, or with `before` the one before a single marked one. */
export function removeMarked(workspace: Workspace, before: boolean): void {
  const { range } = workspace.state().selection
  const at = range?.from ?? workspace.slots.length
  const one = !range || range.to - range.from === 1
  const gone = before && one ? { from: at - 1, to: at } : range
  if (!gone || gone.from < 0) {
    workspace.refuse('There is no stroke here.')
    return
  }
  const atEnd = gone.to >= workspace.slots.length
  workspace.together(() => {
    // What was behind the last stroke still is: the next one goes there.
    if (workspace.edit(removeSlots(workspace.lick, gone)) && atEnd) workspace.toEnd()
  })
}

/** Puts a bar check before the marked slot, or behind the line, where that is on a barline. */
export function checkBar(workspace: Workspace): void {
  const { document, lick } = workspace
  const line = lineTextOf(document.history.text)
  const slot = workspace.state().selection.range?.from
  const at = slot === undefined ? line.length : (document.good.spans[slot]?.from ?? line.length)
  const { bar } = frameTicks(lick.frame)
  const tick = slot === undefined ? aimOf(lick).end : workspace.slots[slot]?.tick
  if (tick === undefined || tick % bar !== 0) {
    workspace.refuse('No barline stands here: a bar check would be an error.')
    return
  }
  const checked = `${line.slice(0, at)} | ${line.slice(at)}`.replace(/ {2,}/g, ' ').trim()
  workspace.type(checked, at + 3)
}
