import { findAsWritten, isLickText, type KickLetter } from '~/codecs/as-written'
import { createLick, notSavedWords } from '~/storage'
import type { Workspace } from '~/workspace/workspace'

/**
 * Pastes a text into the line: a whole lick opens as that lick, a sticking as people write it is turned
 * into the line's notation, anything else goes in as it is.
 */
export async function paste(
  workspace: Workspace,
  text: string,
  kick: KickLetter,
  onOpen: (id: string) => void,
): Promise<void> {
  const plain = () => workspace.insertText(text.replace(/\r\n?/g, '\n'))
  if (isLickText(text)) {
    if (workspace.lick.line.slots.length === 0) {
      workspace.replaceText(text)
      return
    }
    const made = await createLick({ text, draft: null, voicing: '' })
    if (made.ok) onOpen(made.value)
    else workspace.refuse(notSavedWords(made.error))
    return
  }
  const written = findAsWritten(text, kick)
  if (!written) {
    plain()
    return
  }
  workspace.insertText(written.line)
  workspace.tell({
    message: `Pasted as ${shortened(written.line)}: ${written.turned.join(', ')}.`,
    offer: {
      label: 'Undo conversion',
      act: () => {
        workspace.travel('undo')
        plain()
      },
    },
  })
}

const SHOWN = 32

function shortened(line: string): string {
  return line.length > SHOWN ? `${line.slice(0, SHOWN)}…` : line
}
