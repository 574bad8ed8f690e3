import { type KeyboardEvent, useCallback, useRef } from 'react'
import { voiceKey } from '~/workspace/rows/voice-keys'
import type { Workspace } from '~/workspace/workspace'
import { focusLine } from './focus'
import { useBenchPlayer, useSetting, useWorkspace } from './state/use-workspace'

/** How long the first letter of a voice's name waits for the second. */
const NAME_MS = 1500

/** The keys that are typed in the rows of the ruler: the same in both to move, others in each to change. */
export function useRowKeys(): (event: KeyboardEvent<HTMLElement>) => void {
  const workspace = useWorkspace()
  const { toggle } = useBenchPlayer()
  const { kit } = useSetting()
  const typed = useRef({ name: '', at: 0 })
  return useCallback(
    (event) => {
      if (event.altKey || event.metaKey) return
      const { key, shiftKey, ctrlKey } = event
      const done =
        moveKey(workspace, key, shiftKey, ctrlKey) ||
        (!ctrlKey && changeKey(key, toggle)) ||
        (!ctrlKey && rowKey())
      if (!done) return
      event.preventDefault()
      event.stopPropagation()

      function rowKey(): boolean {
        const { row } = workspace.state()
        if (row === 'sticking') return workspace.stickingKey({ key, shiftKey })
        if (row === 'layer') return workspace.layerKey({ key, shiftKey })
        const now = performance.now()
        const { name, at } = typed.current
        const read = voiceKey(kit, now - at < NAME_MS ? name : '', key)
        typed.current = { name: read?.kind === 'more' ? read.typed : '', at: now }
        if (read?.kind === 'surface') workspace.strike(read.surface)
        if (read?.kind === 'unknown') {
          workspace.refuse(`No drum or cymbal is called “${read.typed}”.`)
        }
        return read !== undefined
      }

      function changeKey(pressed: string, play: () => void): boolean {
        const voices = workspace.state().row === 'voices'
        if (pressed === 'Delete' && voices) workspace.unstrike()
        else if (pressed === 'Delete') workspace.remove(false)
        else if (pressed === 'Backspace' && voices) workspace.step(-1, 'slot', false)
        else if (pressed === 'Backspace') workspace.remove(true)
        else if (pressed === 'Insert' && !voices) workspace.insert()
        else if (pressed === 'Enter') play()
        else if (pressed === 'Escape') focusLine()
        else return false
        return true
      }
    },
    [workspace, toggle, kit],
  )
}

/** Arrows, Home and End; with Shift they mark, with Ctrl they go by groups; up and down change the row. */
function moveKey(workspace: Workspace, key: string, extend: boolean, byGroup: boolean): boolean {
  const unit = byGroup ? 'group' : 'slot'
  if (key === 'ArrowRight') workspace.step(1, unit, extend)
  else if (key === 'ArrowLeft') workspace.step(-1, unit, extend)
  else if (key === 'Home') workspace.step(-1, 'end', extend)
  else if (key === 'End') workspace.step(1, 'end', extend)
  else if (key === 'ArrowUp') workspace.stepRow(-1)
  else if (key === 'ArrowDown') workspace.stepRow(1)
  else return false
  return true
}
