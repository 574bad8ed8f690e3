import { X } from 'lucide-react'
import { useState } from 'react'
import { lineCounts } from '~/core/line'
import { IconButton } from '~/ui/icon-button'
import { Button, EmptyState, TextBox } from '~/ui/parts'
import { notesIn, withAbout, withNote } from '~/workspace/notes'
import { usePanel } from '../state/use-panel'
import { PartsPart } from './parts-part'

/** Offered, so that the usual ones need no typing. */
const USUAL = ['low wrist', 'centre of the head', 'move while the kick sounds', 'relaxed grip']

/** What the player watches at single strokes: shown again while they are practised. */
export function NotesPanel() {
  const { lick, voicing, selection, counting, onVoice } = usePanel()
  const [typed, setTyped] = useState('')
  const counts = lineCounts(lick, counting)
  const notes = notesIn(voicing, { from: 0, to: lick.line.slots.length })
  const slot = selection?.from
  const place = (at: number) => `slot ${at + 1} (${counts[at] ?? ''})`
  const add = (text: string) => {
    if (slot === undefined || text.trim() === '') return
    onVoice(`Note: ${text}`, withNote(voicing, slot, text))
    setTyped('')
  }
  return (
    <div className="flex flex-col gap-3">
      <textarea
        aria-label="Note for the whole lick"
        className="w-full rounded-field border border-base-300 bg-base-100 p-2 text-sm"
        placeholder="For the whole lick: what it is for, what to mind …"
        rows={3}
        maxLength={2000}
        dir="auto"
        value={voicing.about ?? ''}
        onChange={(event) => onVoice('Note for the lick', withAbout(voicing, event.target.value))}
      />
      {slot === undefined ? (
        <EmptyState>
          Select a stroke on the ruler, or put the caret before it, to add a note to it.
        </EmptyState>
      ) : (
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            add(typed)
          }}
        >
          <TextBox
            label={`Note at ${place(slot)}`}
            placeholder={`at ${place(slot)} …`}
            className="w-64"
            maxLength={200}
            value={typed}
            onType={setTyped}
          />
          <button type="submit" className="btn btn-primary btn-sm" disabled={typed.trim() === ''}>
            Add note
          </button>
          {USUAL.map((text) => (
            <Button key={text} onClick={() => add(text)}>
              {text}
            </Button>
          ))}
        </form>
      )}
      <ul aria-label="Notes" className="flex flex-col text-sm">
        {notes.map((note) => (
          <li key={note.slot} className="flex items-center gap-3 border-base-300 border-t py-1">
            <span className="w-28 text-(--quiet)">{place(note.slot)}</span>
            <span className="min-w-0 grow">{note.text}</span>
            <IconButton
              size="tiny"
              label={`Delete the note at ${place(note.slot)}`}
              onClick={() => onVoice('Delete note', withNote(voicing, note.slot, ''))}
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <PartsPart />
    </div>
  )
}
