import { findPhrase } from '~/core/changes'
import { frameTicks } from '~/core/line'
import { gridTicks, type Ticks } from '~/core/time'
import { insertPhrase, moveGroupTo, stepStart, withStart } from './edits/edits'
import type { Workspace } from './workspace'

/** Why the start is moved no further. */
const OUT_OF_BAR = 'The line can only start within its bar.'

/** Moves the start of the line along its bar, to a slot of its grid. Returns the ticks that it went. */
export function dragStart(workspace: Workspace, ticks: Ticks): Ticks {
  const { frame } = workspace.lick
  const slot = gridTicks(frame.grid)
  const moved = Math.round(ticks / slot) * slot
  const start = frame.start + moved
  const inBar = start >= 0 && start < frameTicks(frame).bar
  if (!inBar) workspace.refuse(OUT_OF_BAR)
  if (moved === 0 || !inBar) return 0
  workspace.edit(withStart(workspace.lick, start))
  return moved
}

/** Starts the line a slot of its grid earlier or later. */
export function moveStart(workspace: Workspace, way: 1 | -1): void {
  const moved = stepStart(workspace.lick, way)
  if (moved) workspace.edit(moved)
  else workspace.refuse(OUT_OF_BAR)
}

/** Moves the group at a slot to stand before the group that begins at another, or at the end. */
export function moveGroup(workspace: Workspace, from: number, to: number): void {
  const moved = moveGroupTo(workspace.lick, from, to)
  if (moved) workspace.edit(moved)
  else workspace.refuse('The group stays where it is: it was dropped on its own place.')
}

const MAX_DROPPED = 4096

/** Puts a dropped sticking before the group that a slot lies in. */
export function dropText(workspace: Workspace, slot: number, text: string): void {
  const phrase = findPhrase(text.slice(0, MAX_DROPPED))
  if (phrase && phrase.slots.length > 0) {
    workspace.edit(insertPhrase(workspace.lick, slot, phrase, 'Drop'))
  } else workspace.refuse(`“${text.trim().slice(0, 24)}” cannot be read as a sticking.`)
}
