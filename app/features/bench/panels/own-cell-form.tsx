import { useState } from 'react'
import { formatPhrase, phraseOf, type SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { PhraseText } from '~/drawing/stacks/phrase-figure'
import { useSaving } from '~/live/use-saving'
import { ErrorText, TextBox } from '~/ui/parts'
import { type CellCommand, changeCells } from './saved-store'

/** Saves what is selected as a cell of the player's own, by a name and tags. */
export function OwnCellForm({
  lick,
  range,
  selected,
}: {
  lick: Lick
  range: SlotRange
  selected: boolean
}) {
  const { tell, trouble, busy } = useSaving(changeCells)
  const [name, setName] = useState('')
  const [tags, setTags] = useState('')
  const phrase = phraseOf(lick.line, range)
  if (!selected || phrase.slots.length === 0) return null
  return (
    <form
      className="flex flex-wrap items-center gap-2 border-base-300 border-t pt-3 text-sm"
      onSubmit={(event) => {
        event.preventDefault()
        const command: CellCommand = {
          intent: 'save',
          name,
          line: formatPhrase(phrase),
          tags: tags.split(',').flatMap((tag) => tag.trim().slice(0, 40) || []),
        }
        void tell(command).then((notice) => {
          if (notice.trouble === '') setName('')
        })
      }}
    >
      <span className="min-w-0 truncate">
        Save <PhraseText phrase={phrase} /> as
      </span>
      <TextBox
        label="Name of the cell"
        className="w-40"
        placeholder="name"
        maxLength={80}
        value={name}
        onType={setName}
      />
      <TextBox
        label="Tags of the cell"
        className="w-32"
        placeholder="tags"
        maxLength={200}
        value={tags}
        onType={setTags}
      />
      <button
        type="submit"
        className="btn btn-outline border-base-300 btn-sm font-normal"
        disabled={name.trim() === '' || busy}
      >
        Save as cell
      </button>
      <ErrorText words={trouble} />
    </form>
  )
}
