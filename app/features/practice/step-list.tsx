import { Copy, Eye, EyeOff, X } from 'lucide-react'
import type { StepLog } from '~/core/log'
import { isAdded, moveStep, type PlannedStep, repeatStep } from '~/core/practice'
import { IconButton } from '~/ui/icon-button'
import { MoveHandle, SortableList, useSortableRow } from '~/ui/sortable-list'
import { partKeyOf, type Step } from './step-view'
import { stepLogWords } from './words'

interface StepListProps {
  readonly steps: readonly Step[]
  readonly planned: readonly PlannedStep[]
  /** What the log says of each part. */
  readonly logs: readonly StepLog[]
  readonly index: number
  readonly arranging: boolean
  readonly onGo: (index: number) => void
  readonly onArrange: (planned: readonly PlannedStep[]) => void
}

/** The steps of the plan; while they are arranged, each can be moved, skipped, and played once more. */
export function StepList(props: StepListProps) {
  const { steps, planned, logs, index, arranging, onGo, onArrange } = props
  if (!arranging) {
    return (
      <ol aria-label="Steps" className="flex max-h-60 flex-col overflow-y-auto text-sm">
        {steps.map((step, i) => (
          <li key={step.key}>
            <GoButton
              step={step}
              log={logOfStep(logs, step)}
              at={i}
              current={i === index}
              onGo={onGo}
            />
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
