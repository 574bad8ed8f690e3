import { useState } from 'react'
import { findPhrase } from '~/core/changes'
import { useSaving } from '~/live/use-saving'
import type { CellRecord, Kept } from '~/storage'
import { Button, ErrorText, TextBox } from '~/ui/parts'
import { type CellCommand, changeCells } from './saved-store'

/** Changes an own cell's name, sticking and tags, or deletes it. */
export function OwnCellEdit({ cell }: { cell: Kept<CellRecord> }) {
  const { tell, trouble, busy, notice } = useSaving(changeCells)
  const [name, setName] = useState(cell.name)
  const [line, setLine] = useState(cell.line)
  const [tags, setTags] = useState(cell.tags.join(', '))
  const readable = findPhrase(line) !== undefined && line.trim() !== ''
  const command = (revision: number): CellCommand => {
    const { id, createdAt } = cell
    const list = tags.split(',').flatMap((tag) => tag.trim().slice(0, 40) || [])
    return { intent: 'save', id, createdAt, revision, name, line, tags: list }
  }
  // Edited as it was when it was opened, or last saved: what another tab does since is noticed.
  const [seen, setSeen] = useState(cell.revision)
  const save = async (revision: number) => {
    const { trouble: refused } = await tell(command(revision))
    if (refused === '') setSeen(revision + 1)
  }
  const overtaken = notice?.revision
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        void save(seen)
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
      <Button
        label={`Delete ${cell.name}`}
        onClick={() => void tell({ intent: 'delete', id: cell.id })}
      >
        Delete
      </Button>
      <ErrorText words={trouble} />
      {overtaken !== undefined && (
        <Button onClick={() => void save(overtaken)}>Replace it with mine</Button>
      )}
    </form>
  )
}
