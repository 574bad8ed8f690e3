import { type KeyboardEvent, useCallback, useRef } from 'react'
import type { Groove } from '~/core/groove'
import { stepRow, strikePattern } from '~/workspace/rows/pattern-row'
import { insertInRow, removeInRow, stepInRow, typeInRow } from '~/workspace/rows/rows'
import { voiceKey } from '~/workspace/rows/voice-keys'
import { strike, unstrike } from '~/workspace/rows/voices-row'
import type { StepUnit } from '~/workspace/selection'
import type { Workspace } from '~/workspace/workspace'
import { focusLine } from './focus'
import { useBenchGrooves, useBenchPlayer, useSetting, useWorkspace } from './state/use-workspace'

/** How long the first letter of a voice's name waits for the second. */
const NAME_MS = 1500

/** The keys that are typed in the rows of the ruler: the same in both to move, others in each to change. */
export function useRowKeys(): (event: KeyboardEvent<HTMLElement>) => void {
  const workspace = useWorkspace()
  const { toggle } = useBenchPlayer()
  const { kit } = useSetting()
  const grooves = useBenchGrooves()
  const typed = useRef({ name: '', at: 0 })
  return useCallback(
    (event) => {
      if (event.altKey || event.metaKey) return
      const { key, shiftKey, ctrlKey } = event
      const done =
        moveKey(workspace, key, { unit: ctrlKey ? 'group' : 'slot', extend: shiftKey }, grooves) ||
        (!ctrlKey && changeKey(key, toggle)) ||
        (!ctrlKey && rowKey())
      if (!done) return
      event.preventDefault()
      event.stopPropagation()

      function rowKey(): boolean {
        const { row } = workspace.state()
        if (row !== 'voices') return typeInRow(workspace, { key, shiftKey }, grooves) || pieceKey()
        const now = performance.now()
        const { name, at } = typed.current
        const read = voiceKey(kit, now - at < NAME_MS ? name : '', key)
        typed.current = { name: read?.kind === 'more' ? read.typed : '', at: now }
        if (read?.kind === 'surface') strike(workspace, read.surface)
        if (read?.kind === 'unknown') {
          workspace.refuse(`No drum or cymbal is called “${read.typed}”.`)
        }
        return read !== undefined
      }

      // In a pattern under the line a number strikes too: its letters are limbs.
      function pieceKey(): boolean {
        const read = workspace.place && /^\d$/.test(key) ? voiceKey(kit, '', key) : undefined
        if (read?.kind === 'surface') strikePattern(workspace, read.surface, grooves)
        return read?.kind === 'surface'
      }

      function changeKey(pressed: string, play: () => void): boolean {
        const voices = workspace.state().row === 'voices'
        if (pressed === 'Delete' && voices) unstrike(workspace)
        else if (pressed === 'Delete') removeInRow(workspace, false, grooves)
        else if (pressed === 'Backspace' && voices) workspace.step(-1, 'slot', false)
        else if (pressed === 'Backspace') removeInRow(workspace, true, grooves)
        else if (pressed === 'Insert' && !voices) insertInRow(workspace, grooves)
        else if (pressed === 'Enter') play()
        else if (pressed === 'Escape') focusLine()
        else return false
        return true
      }
    },
    [workspace, toggle, kit, grooves],
  )
}

/** Arrows, Home and End; with Shift they mark, with Ctrl they go by groups; up and down change the row. */
function moveKey(
  workspace: Workspace,
  key: string,
  step: { readonly unit: StepUnit; readonly extend: boolean },
  grooves: readonly Groove[],
): boolean {
  const toEnd = { ...step, unit: 'end' } as const
  if (key === 'ArrowRight') stepInRow(workspace, 1, step, grooves)
  else if (key === 'ArrowLeft') stepInRow(workspace, -1, step, grooves)
  else if (key === 'Home') stepInRow(workspace, -1, toEnd, grooves)
  else if (key === 'End') stepInRow(workspace, 1, toEnd, grooves)
  else if (key === 'ArrowUp') stepRow(workspace, -1, grooves)
  else if (key === 'ArrowDown') stepRow(workspace, 1, grooves)
  else return false
  return true
}
