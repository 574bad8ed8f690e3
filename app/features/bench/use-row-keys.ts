import { type KeyboardEvent, useCallback, useEffect, useRef } from 'react'
import { LateValue } from '~/ui/late-value'
import type { PressedKey, RowKeys } from '~/workspace/rows/row-keys'
import { useBenchGrooves, useBenchPlayer, useSetting, useWorkspace } from './state/use-workspace'

/** Fetched once the page stands: nobody types on the ruler before it is there. */
const KEYS = new LateValue(async () => (await import('~/workspace/rows/row-keys')).RowKeys)
const NAMED = /^(Arrow|Home$|End$|Delete$|Backspace$|Insert$|Enter$)/

/** The keys that are typed in the rows of the ruler; those that come before it can read them wait. */
export function useRowKeys(): (event: KeyboardEvent<HTMLElement>) => void {
  const workspace = useWorkspace()
  const { toggle } = useBenchPlayer()
  const { kit } = useSetting()
  const grooves = useBenchGrooves()
  const keys = useRef<RowKeys | null>(null)
  const early = useRef<PressedKey[]>([])
  const context = useRef({ kit, grooves, play: toggle })
  context.current = { kit, grooves, play: toggle }
  useEffect(() => {
    const come = () => {
      const now = KEYS.state()
      if (now.kind !== 'here' || keys.current) return
      keys.current = new now.value(workspace)
      for (const pressed of early.current.splice(0)) keys.current.press(pressed, context.current)
    }
    const leave = KEYS.subscribe(come)
    come()
    return () => {
      leave()
      keys.current = null
    }
  }, [workspace])
  return useCallback((event) => {
    if (event.altKey || event.metaKey) return
    const { key, shiftKey, ctrlKey, timeStamp } = event
    const pressed = { key, shiftKey, ctrlKey, at: timeStamp }
    const typed = NAMED.test(key) || (key.length === 1 && !ctrlKey)
    if (!keys.current && typed) early.current.push(pressed)
    const done = keys.current ? keys.current.press(pressed, context.current) : typed
    if (!done) return
    event.preventDefault()
    event.stopPropagation()
  }, [])
}
