import { Copy, Eye, EyeOff, X } from 'lucide-react'
import type { Rating, StepLog } from '~/core/log'
import { isAdded, moveStep, type PlanCell, type PlannedStep, repeatStep } from '~/core/practice'
import { IconButton } from '~/ui/icon-button'
import { MoveHandle, SortableList, useSortableRow } from '~/ui/sortable-list'
import { tempoFigure } from '~/words/figures'
import { partKeyOf, type Step } from '~/words/practice-steps'
import { stepLogWords } from './words'

interface StepListProps {
  readonly steps: readonly Step[]
  readonly planned: readonly PlannedStep[]
  /** What the log says of each part. */
  readonly logs: readonly StepLog[]
  readonly index: number
  readonly arranging: boolean
  /** The ladder of a step, and how each of its rungs went last. */
  readonly cellsOf: (at: number) => readonly Cell[]
  /** The rung that stands. */
  readonly rung: number
  readonly onGo: (index: number) => void
  readonly onGoCell: (cell: PlanCell) => void
  readonly onArrange: (planned: readonly PlannedStep[]) => void
}

/** A tempo of a step. */
export interface Cell {
  readonly tempo: number
  readonly rating: Rating | null
}

/** The plan: steps down, tempos across, each open or as it went last; while arranged, steps are moved, skipped, repeated. */
export function StepList(props: StepListProps) {
  const { steps, planned, logs, index, arranging, cellsOf, rung, onGo, onGoCell, onArrange } = props
  if (!arranging) {
    return (
      <ol aria-label="Steps" className="flex flex-col gap-1 text-sm">
        {steps.map((step, i) => (
          <li key={step.key}>
            <GoButton
              step={step}
              log={logOfStep(logs, step)}
              at={i}
              current={i === index}
              onGo={onGo}
            />
            {!step.skipped && (
              <Cells
                cells={cellsOf(i)}
                at={i}
                rung={i === index ? rung : -1}
                words={step.words}
                onGo={onGoCell}
              />
            )}
          </li>
        ))}
      </ol>
    )
  }
  return (
    <SortableList
      label="Steps"
      className="flex max-h-96 flex-col overflow-y-auto text-sm"
      onMove={(_, from, to) => onArrange(moveStep(planned, from, to))}
    >
      {steps.map((step, i) => (
        <ArrangedStep key={step.key} {...props} step={step} at={i} />
      ))}
    </SortableList>
  )
}

/** What the log says of a step; old sessions told its kind alone. */
function logOfStep(logs: readonly StepLog[], step: Step): StepLog | undefined {
  const find = (key: string) => logs.find(({ part }) => part === key)
  return find(partKeyOf(step)) ?? find(step.part.kind)
}

function GoButton({
  step: { words, skipped },
  log,
  at,
  current,
  onGo,
}: {
  step: Step
  log?: StepLog | undefined
  at: number
  current: boolean
  onGo: (index: number) => void
}) {
  return (
    <button
      type="button"
      aria-current={current ? 'step' : undefined}
      className={`flex w-full min-w-0 grow items-baseline gap-2 rounded-field px-2 py-1 text-left hover:bg-base-300 aria-[current]:bg-base-300 aria-[current]:font-semibold ${skipped ? 'text-(--quiet) line-through' : ''}`}
      title={words}
      onClick={() => onGo(at)}
    >
      <span className="min-w-0 grow truncate">
        {at + 1}. {words}
      </span>
      {log && <span className="shrink-0 text-(--quiet) text-xs">{stepLogWords(log)}</span>}
    </button>
  )
}

const MARKS: Readonly<Record<Rating, string>> = { clean: '✓', rough: '~', lost: '×' }

/** The tempos of a step across, each a way in. */
function Cells({
  cells,
  at,
  rung,
  words,
  onGo,
}: {
  cells: readonly Cell[]
  at: number
  /** The rung that stands; -1 where another step does. */
  rung: number
  words: string
  onGo: (cell: PlanCell) => void
}) {
  return (
    <fieldset className="mt-1 mb-1.5 flex flex-wrap gap-1 pl-2">
      <legend className="sr-only">{`Tempos of ${words}`}</legend>
      {cells.map(({ tempo, rating }, i) => (
        <button
          key={i}
          type="button"
          aria-current={i === rung ? 'step' : undefined}
          aria-label={`${tempoFigure(tempo)} bpm, ${rating ?? 'open'}`}
          className={`min-h-7 min-w-11 rounded-field border border-base-300 px-1.5 text-xs tabular-nums hover:bg-base-300 aria-[current]:border-primary aria-[current]:font-semibold aria-[current]:text-primary pointer-coarse:min-h-11 ${rating === 'clean' ? 'bg-base-300' : ''}`}
          onClick={() => onGo({ step: at, rung: i })}
        >
          {tempoFigure(tempo)}
          {rating && <span aria-hidden> {MARKS[rating]}</span>}
        </button>
      ))}
    </fieldset>
  )
}

/** A step that is moved by its handle: dragged, or lifted by space and carried by arrows. */
function ArrangedStep({
  step,
  at,
  steps,
  planned,
  index,
  onGo,
  onArrange,
}: StepListProps & { readonly step: Step; readonly at: number }) {
  const { ref, handleRef } = useSortableRow(step.key, at, step.words)
  const { words, skipped } = step
  const removable = isAdded(step.part) || steps.filter(({ part }) => part === step.part).length > 1
  return (
    <li ref={ref} className="flex items-center bg-base-200">
      <MoveHandle handleRef={handleRef} name={words} />
      <GoButton step={step} at={at} current={at === index} onGo={onGo} />
      <IconButton
        size="tiny"
        label={skipped ? `Play again: ${words}` : `Skip: ${words}`}
        onClick={() =>
          onArrange(planned.map((one, i) => (i === at ? { ...one, skipped: !skipped } : one)))
        }
      >
        {skipped ? <EyeOff size={14} aria-hidden /> : <Eye size={14} aria-hidden />}
      </IconButton>
      <IconButton
        size="tiny"
        label={`Repeat the step: ${words}`}
        onClick={() => onArrange(repeatStep(planned, at))}
      >
        <Copy size={14} aria-hidden />
      </IconButton>
      {removable && (
        <IconButton
          size="tiny"
          label={`Remove: ${words}`}
          onClick={() => onArrange(planned.toSpliced(at, 1))}
        >
          <X size={14} aria-hidden />
        </IconButton>
      )}
    </li>
  )
}
