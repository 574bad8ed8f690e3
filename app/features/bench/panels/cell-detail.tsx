import { Play } from 'lucide-react'
import { useMemo } from 'react'
import { type Cell, inversionsOf, traitsOf } from '~/core/catalogue'
import { formatPhrase, mirrorHands, type Phrase } from '~/core/changes'
import { PhraseStacks, PhraseText } from '~/drawing/stacks/phrase-figure'
import type { CellRecord, Kept } from '~/storage'
import { Button } from '~/ui/parts'
import { appendPhrase, insertAt, replaceRange } from '~/workspace/edits/edits'
import type { PanelView } from '../state/use-panel'
import { useSelection } from '../state/use-workspace'
import { dragPhrase } from './drag-phrase'
import { OwnCellEdit } from './own-cell-edit'
import { soloLick } from './solo'

interface CellDetailProps extends PanelView {
  readonly cell: Cell
  /** The stored record, where the cell is the player's own. */
  readonly own: Kept<CellRecord> | undefined
}

const MAX_FORMS = 12

/** One cell: into the line, and its mirror and inversions in one glance. */
export function CellDetail(props: CellDetailProps) {
  const { cell, own, lick, range, selection, onEdit, onHear } = props
  const marked = useSelection()
  // A caret stands before its stroke; what is marked is gone past.
  const caret = !marked.range ? 0 : marked.caret ? marked.range.from : marked.range.to
  const forms = useMemo(() => inversionsOf(cell.phrase), [cell])
  const traits = traitsOf(cell.phrase)
  const append = (phrase: Phrase, name: string) => () => onEdit(appendPhrase(lick, phrase, name))
  return (
    <section aria-label={cell.name} className="flex min-w-0 flex-col gap-3">
      <div className="flex items-end gap-3">
        <PhraseStacks phrase={cell.phrase} />
        <div className="min-w-0 pb-2">
          <h3 className="font-semibold">{cell.name}</h3>
          <p className="text-(--quiet) text-sm">
            <PhraseText phrase={cell.phrase} />
            <span className="block text-xs">
              {traits.strokes} strokes in {traits.slots} slots
              {cell.tags.length > 0 && ` · ${cell.tags.join(', ')}`}
            </span>
          </p>
        </div>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button onClick={append(cell.phrase, cell.name)}>Append</Button>
        <Button onClick={() => onEdit(insertAt(lick, caret, cell.phrase, cell.name))}>
          {selection ? 'Insert at the caret' : 'Insert first'}
        </Button>
        <Button
          disabled={range.to === range.from}
          onClick={() => onEdit(replaceRange(lick, range, cell.phrase, cell.name))}
        >
          {selection ? 'Replace' : 'Replace the line'}
        </Button>
        <Button onClick={() => onHear(soloLick(lick, cell.phrase))}>
          <Play size={14} aria-hidden /> Hear
        </Button>
      </div>
      {own && <OwnCellEdit key={own.id} cell={own} />}
      <ul aria-label="Its mirror and inversions" className="flex flex-col">
        <FormRow
          words="led by the other hand"
          phrase={mirrorHands(cell.phrase)}
          onAppend={append(mirrorHands(cell.phrase), `${cell.name}, mirrored`)}
          onHear={() => onHear(soloLick(lick, mirrorHands(cell.phrase)))}
        />
        {forms.slice(1, MAX_FORMS).map(({ steps, phrase, mirrorOf }) => (
          <FormRow
            key={steps}
            words={
              mirrorOf === null
                ? `from stroke ${steps + 1}`
                : `from ${steps + 1}, mirrors ${mirrorOf + 1}`
            }
            phrase={phrase}
            onAppend={append(phrase, `${cell.name}, inverted`)}
            onHear={() => onHear(soloLick(lick, phrase))}
          />
        ))}
      </ul>
      {forms.length > MAX_FORMS && (
        <p className="text-(--quiet) text-xs">{forms.length} inversions in all</p>
      )}
    </section>
  )
}

interface FormRowProps {
  readonly words: string
  readonly phrase: Phrase
  readonly onAppend: () => void
  readonly onHear: () => void
}

function FormRow({ words, phrase, onAppend, onHear }: FormRowProps) {
  const text = formatPhrase(phrase)
  return (
    <li
      className="flex items-center gap-2 text-sm"
      draggable
      onDragStart={(event) => dragPhrase(event.dataTransfer, phrase)}
    >
      <button
        type="button"
        aria-label={`Append ${text}, ${words}`}
        className="flex min-w-0 grow items-baseline gap-3 rounded-field px-2 py-0.5 text-left hover:bg-base-200"
        onClick={onAppend}
      >
        <span className="w-36 shrink-0 text-(--quiet) text-xs">{words}</span>
        <span className="truncate">
          <PhraseText phrase={phrase} />
        </span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-square btn-xs"
        aria-label={`Hear ${text}`}
        onClick={onHear}
      >
        <Play size={13} aria-hidden />
      </button>
    </li>
  )
}
