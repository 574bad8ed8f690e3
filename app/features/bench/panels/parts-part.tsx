import { X } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { MAX_NAMED_PARTS, PART_NAME_MOST } from '~/core/line'
import { IconButton } from '~/ui/icon-button'
import { Button, EmptyState, Part, TextBox } from '~/ui/parts'
import { nameBeats, namePart, removePart, renamePart } from '~/workspace/edits/part-edits'
import { usePanel } from '../state/use-panel'
import { useWorkspace } from '../state/use-workspace'

/** Spans of the line that are practised, exchanged and kept by name. */
export function PartsPart() {
  const { id, lick, selection, onEdit } = usePanel()
  const workspace = useWorkspace()
  const [name, setName] = useState('')
  const full = lick.parts.length >= MAX_NAMED_PARTS
  return (
    <Part
      title="Parts"
      aside={
        lick.line.slots.length > 0 && (
          <Button disabled={full} onClick={() => onEdit(nameBeats(lick))}>
            One for each beat
          </Button>
        )
      }
    >
      {selection ? (
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (name.trim() === '' || full) return
            onEdit(namePart(lick, selection, name))
            setName('')
          }}
        >
          <TextBox
            label={`Name for slots ${selection.from + 1} to ${selection.to}`}
            placeholder={`slots ${selection.from + 1} to ${selection.to} …`}
            className="w-52"
            maxLength={PART_NAME_MOST}
            value={name}
            onType={setName}
          />
          <button
            type="submit"
            className="btn btn-outline border-base-300 btn-sm font-normal"
            disabled={name.trim() === '' || full}
          >
            Name this part
          </button>
        </form>
      ) : (
        <EmptyState>
          Select slots on the ruler to name them as a part. Without names, the groups are the parts.
        </EmptyState>
      )}
      {lick.parts.length > 0 && (
        <>
          <ul aria-label="Parts" className="flex flex-col text-sm">
            {lick.parts.map((part, at) => (
              <li
                key={`${at} ${part.from}-${part.to}`}
                className="flex items-center gap-3 border-base-300 border-t py-1"
              >
                <PartName name={part.name} onName={(next) => onEdit(renamePart(lick, at, next))} />
                <span className="grow text-(--quiet)">
                  slots {part.from + 1} to {part.to + 1}
                </span>
                <Button
                  label={`Select the part ${part.name}`}
                  onClick={() => workspace.mark(part.from, part.to)}
                >
                  Select
                </Button>
                <IconButton
                  size="tiny"
                  label={`Remove the part ${part.name}`}
                  onClick={() => onEdit(removePart(lick, at))}
                >
                  <X size={14} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ul>
          <p className="text-sm">
            <Link className="link" to={`/practice/${id}`}>
              Practise part by part
            </Link>
          </p>
        </>
      )}
    </Part>
  )
}

function PartName({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <input
      aria-label={`Name of the part ${name}`}
      className="w-40 rounded-field bg-transparent font-semibold hover:bg-base-200"
      maxLength={PART_NAME_MOST}
      value={typed ?? name}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => {
        if (typed !== null && typed.trim() !== '' && typed !== name) onName(typed)
        setTyped(null)
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur()
      }}
    />
  )
}
