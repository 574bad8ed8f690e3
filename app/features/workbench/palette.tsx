import { useEffect, useId, useRef, useState } from 'react'
import { CHANGES, phraseOf, type SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { applyChange, changedPhrase, swellEdit } from '~/workspace/edits/change-edits'
import { type Edit, scopeRange } from '~/workspace/edits/edits'
import { groupingEdits } from '~/workspace/edits/grouping-edits'
import { PhraseText } from '../stacks/phrase-figure'
import { TABS, type WorkbenchTab } from './panel-props'

interface PaletteProps {
  readonly lick: Lick
  readonly selection: SlotRange | null
  readonly onEdit: (edit: Edit) => void
  readonly onOpen: (tab: WorkbenchTab) => void
  readonly onClose: () => void
}

/** Something that can be done by name. */
interface Deed {
  readonly id: string
  readonly name: string
  readonly kind: string
  readonly run: () => void
  readonly preview: ReturnType<typeof changedPhrase> | null
}

const PREVIEWED = 24
const MOST_LISTED = 40

/** Finds a change by its name and does it: arrows choose, Enter does, Escape goes back. */
export function Palette({ lick, selection, onEdit, onOpen, onClose }: PaletteProps) {
  const dialog = useRef<HTMLDialogElement>(null)
  const [words, setWords] = useState('')
  const [at, setAt] = useState(0)
  const listId = useId()
  useEffect(() => dialog.current?.showModal(), [])
  const deeds = deedsFor(lick, selection, onEdit, onOpen).filter((deed) => says(deed, words))
  const listed = deeds.slice(0, MOST_LISTED)
  const chosen = Math.min(at, listed.length - 1)
  const run = (deed: Deed | undefined) => {
    onClose()
    deed?.run()
  }
  return (
    <dialog
      ref={dialog}
      aria-label="Find a change"
      className="m-auto mt-[12vh] w-[min(40rem,94vw)] rounded-box border border-base-300 bg-base-100 p-0 text-base-content shadow-xl backdrop:bg-black/30"
      onClose={onClose}
    >
      <input
        role="combobox"
        aria-label="Find a change by name"
        aria-expanded="true"
        aria-controls={listId}
        aria-activedescendant={listed[chosen] ? `${listId}-${chosen}` : undefined}
        autoComplete="off"
        className="w-full border-base-300 border-b bg-transparent px-4 py-3 outline-none"
        placeholder="mirror, flam, kick, inversion …"
        value={words}
        onChange={(event) => {
          setWords(event.target.value)
          setAt(0)
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(listed.length - 1, chosen + 1))
          else if (event.key === 'ArrowUp') setAt(Math.max(0, chosen - 1))
          else if (event.key === 'Enter') run(listed[chosen])
          else return
          event.preventDefault()
        }}
      />
      <div
        id={listId}
        role="listbox"
        tabIndex={-1}
        aria-label="Changes"
        className="max-h-[50vh] overflow-y-auto p-2"
      >
        {listed.map((deed, i) => (
          <Option
            key={deed.id}
            id={`${listId}-${i}`}
            deed={deed}
            chosen={i === chosen}
            onRun={() => run(deed)}
          />
        ))}
        {listed.length === 0 && <p className="px-2 py-3 text-(--quiet) text-sm">No matches.</p>}
      </div>
    </dialog>
  )
}

function Option({
  id,
  deed,
  chosen,
  onRun,
}: {
  id: string
  deed: Deed
  chosen: boolean
  onRun: () => void
}) {
  const row = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: 'nearest' })
  }, [chosen])
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the field above has the keys
    <div
      ref={row}
      id={id}
      role="option"
      tabIndex={-1}
      aria-selected={chosen}
      className="flex cursor-pointer items-baseline gap-3 rounded-field px-2 py-1.5 text-sm hover:bg-base-200 aria-selected:bg-base-300"
      onClick={onRun}
    >
      <span className="shrink-0 grow">{deed.name}</span>
      {deed.preview && (
        <span className="min-w-0 truncate">
          <PhraseText phrase={deed.preview} />
        </span>
      )}
      <span className="w-16 shrink-0 text-right text-(--quiet) text-xs">{deed.kind}</span>
    </div>
  )
}

/** A selection of several strokes is meant as it is; a caret means its group. */
function deedsFor(
  lick: Lick,
  selection: SlotRange | null,
  onEdit: (edit: Edit) => void,
  onOpen: (tab: WorkbenchTab) => void,
): Deed[] {
  const several = selection !== null && selection.to - selection.from > 1
  const range = scopeRange(lick, selection, several ? 'strokes' : 'groups')
  const shown = { from: range.from, to: Math.min(range.to, range.from + PREVIEWED) }
  const before = JSON.stringify(phraseOf(lick.line, shown).slots)
  const changes = CHANGES.flatMap((change): Deed[] => {
    const preview = changedPhrase(lick, shown, change)
    if (JSON.stringify(preview.slots) === before) return []
    const { id, name, kind } = change
    return [{ id, name, kind, preview, run: () => onEdit(applyChange(lick, range, change)) }]
  })
  const named = (kind: string, label: string, edit: Edit | null): Deed[] =>
    edit ? [{ id: label, name: label, kind, preview: null, run: () => onEdit(edit) }] : []
  const grouping = groupingEdits(lick, selection, range).flatMap(({ label, edit }) =>
    named('groups', label, edit),
  )
  const swells = [
    ...named('swell', 'Swell from ghost to accent', swellEdit(lick, range, 'ghost', 'accent')),
    ...named('swell', 'Fade from accent to ghost', swellEdit(lick, range, 'accent', 'ghost')),
  ]
  const panels = TABS.map(
    ([tab, label]): Deed => ({
      id: `open-${tab}`,
      name: `Open ${label}`,
      kind: 'panel',
      preview: null,
      run: () => onOpen(tab),
    }),
  )
  return [...changes, ...grouping, ...swells, ...panels]
}

function says({ name, kind }: Deed, words: string): boolean {
  const said = `${name} ${kind}`.toLowerCase()
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => said.includes(word))
}
