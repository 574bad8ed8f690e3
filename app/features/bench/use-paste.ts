import { nanoid } from 'nanoid'
import { type ClipboardEvent, useCallback } from 'react'
import { useNavigate } from 'react-router'
import { useSettings } from '~/live/use-live'
import { addLicks, notSavedWords } from '~/storage'
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
      if (!/[\s:+/|(]|\S>|[FB]/.test(text)) return
      event.preventDefault()
      const plain = () => workspace.insertText(text.replace(/\r\n?/g, '\n'))
      void import('~/codecs/as-written').then(async ({ findAsWritten, isLickText }) => {
        if (isLickText(text)) {
          if (workspace.lick.line.slots.length === 0) {
            workspace.replaceText(text)
            return
          }
          const id = nanoid(12)
          const added = await addLicks([{ id, text, draft: null, voicing: '' }], Date.now())
          if (added.ok) navigate(`/bench/${id}`)
          else workspace.refuse(notSavedWords(added.error))
          return
        }
        const written = findAsWritten(text, kickLetter)
        if (!written) {
          plain()
          return
        }
        workspace.insertText(written.line)
        workspace.tell({
          message: `Pasted as ${shortened(written.line)}: ${written.turned.join(', ')}.`,
          offer: {
            label: 'Paste it as it was',
            act: () => {
              workspace.travel('undo')
              plain()
            },
          },
        })
      })
    },
    [workspace, kickLetter, navigate],
  )
}

const SHOWN = 32

function shortened(line: string): string {
  return line.length > SHOWN ? `${line.slice(0, SHOWN)}…` : line
}
