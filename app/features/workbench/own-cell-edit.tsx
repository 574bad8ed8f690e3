import { useState } from 'react'
import { findPhrase } from '~/core/catalogue'
import type { CellRecord } from '~/storage'
import { Act, TextBox, Trouble } from './parts'
import type { CellCommand } from './saved-store'
import { useSaving } from './use-saving'

/** Changes an own cell's name, sticking and tags, or deletes it. */
export function OwnCellEdit({ cell }: { cell: CellRecord }) {
  const { tell, trouble, busy } = useSaving<CellCommand>('/cells')
  const [name, setName] = useState(cell.name)
  const [line, setLine] = useState(cell.line)
  const [tags, setTags] = useState(cell.tags.join(', '))
  const readable = findPhrase(line) !== undefined && line.trim() !== ''
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        const { id, createdAt } = cell
        const list = tags.split(',').flatMap((tag) => tag.trim().slice(0, 40) || [])
        tell({ intent: 'save', id, createdAt, name, line, tags: list })
      }}
    >
      <TextBox label="Name" className="w-36" maxLength={80} value={name} onType={setName} />
      <TextBox
        label="Sticking of the cell"
        aria-invalid={!readable}
        className="w-36 font-mono"
        value={line}
        onType={setLine}
      />
      <TextBox label="Tags" className="w-28" placeholder="tags" value={tags} onType={setTags} />
      <button
        type="submit"
        className="btn btn-outline border-base-300 btn-sm font-normal"
        disabled={busy || !readable || name.trim() === ''}
      >
        Save changes
      </button>
      <Act label={`Delete ${cell.name}`} onClick={() => tell({ intent: 'delete', id: cell.id })}>
        Delete
      </Act>
      <Trouble words={trouble} />
    </form>
  )
}
