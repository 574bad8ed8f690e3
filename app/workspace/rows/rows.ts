import type { Groove } from '~/core/groove'
import type { StepUnit } from '../selection'
import type { Workspace } from '../workspace'
import { insertInPattern, removeFromPattern, stepInPattern, typePattern } from './pattern-row'
import { insertSlot, pressSticking, removeMarked, typeSticking } from './sticking-row'
import { NOTHING_WAITING } from './waiting'

/** A stroke's key or a sign typed in the row that has the keys. Returns whether it meant something. */
export function typeInRow(workspace: Workspace, key: string, grooves: readonly Groove[]): boolean {
  return workspace.place ? typePattern(workspace, key, grooves) : typeSticking(workspace, key)
}

/** Does what a key does in the row that has the keys, and leaves marked what is. */
export function pressInRow(workspace: Workspace, key: string, grooves: readonly Groove[]): void {
  const { place } = workspace
  if (!place) {
    pressSticking(workspace, key)
    return
  }
  workspace.together(() => {
    typePattern(workspace, key, grooves)
    const { waiting } = workspace.state()
    if (workspace.place) workspace.editRow(place)
    workspace.wait(waiting)
  })
}

/**
 * A sign set by a key of its own, as on a pad: on what is marked, and on that alone, or at the end of the line on
 * the next stroke.
 */
export function signInRow(workspace: Workspace, key: string, grooves: readonly Groove[]): void {
  const marked = workspace.place !== null || workspace.state().selection.range !== null
  workspace.together(() => {
    pressInRow(workspace, key, grooves)
    if (marked) workspace.wait(NOTHING_WAITING)
  })
}

/** Marks the slot that a step comes to in the row that has the keys. */
export function stepInRow(
  workspace: Workspace,
  way: 1 | -1,
  { unit, extend }: { readonly unit: StepUnit; readonly extend: boolean },
  grooves: readonly Groove[],
): void {
  if (workspace.place) stepInPattern(workspace, way, unit === 'end', grooves)
  else workspace.step(way, unit, extend)
}

/** Opens a slot before the marked one. */
export function insertInRow(workspace: Workspace, grooves: readonly Groove[]): void {
  if (workspace.place) insertInPattern(workspace, grooves)
  else insertSlot(workspace)
}

/** Removes what is marked, or in the sticking with `before` the slot before it. */
export function removeInRow(
  workspace: Workspace,
  before: boolean,
  grooves: readonly Groove[],
): void {
  if (workspace.place) removeFromPattern(workspace, grooves)
  else removeMarked(workspace, before)
}
