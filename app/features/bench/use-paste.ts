import { type ClipboardEvent, useCallback } from 'react'
import { useNavigate } from 'react-router'
import { useSettings } from '~/live/use-live'
import { useWorkspace } from './state/use-workspace'

/**
 * What is pasted into the line: a sticking as people write it is turned into the line's notation, with
 * the way back said; a whole lick opens as that lick. Anything else is pasted as it is.
 */
export function usePaste(): (event: ClipboardEvent<HTMLTextAreaElement>) => void {
  const workspace = useWorkspace()
  const { kickLetter } = useSettings().settings
  const navigate = useNavigate()
  return useCallback(
    (event) => {
      const text = event.clipboardData.getData('text/plain')
      if (workspace.hasCopied(text)) {
        event.preventDefault()
        workspace.insertText(text)
        return
      }
      if (!/[\s:+/|(]|\S>|[FB]/.test(text)) return
      event.preventDefault()
      void import('./paste').then(({ paste }) =>
        paste(workspace, text, kickLetter, (id) => navigate(`/bench/${id}`)),
      )
    },
    [workspace, kickLetter, navigate],
  )
}
