import { GripVertical, Plus, X } from 'lucide-react'
import { type PointerEvent, useRef } from 'react'
import { TEMPO_RANGE } from '~/core/line'
import type { Rating } from '~/core/log'
import {
  addGridRung,
  type GridRung,
  moveGridRung,
  onlyGrid,
  regridRung,
  removeGridRung,
} from '~/core/practice'
import { findGrid, gridName } from '~/core/time'
import { IconButton } from '~/ui/icon-button'
import { NumberField } from '~/ui/number-field'
import { Pick } from '~/ui/pick'
import { tempoFigure } from '~/words/figures'

interface LadderProps {
  readonly rungs: readonly GridRung[]
  readonly now: number
  readonly goal: number | null
  /** Whether each rung is above what the part can be played at. */
  readonly past: readonly boolean[]
  /** How each rung went last; null where it was not played or not rated. */
  readonly went: readonly (Rating | null)[]
  /** The grids that a rung can be put on. */
  readonly grids: readonly string[]
  readonly editing: boolean
  readonly onGo: (rung: number) => void
  readonly onEdit: (rungs: readonly GridRung[]) => void
}

/** The tempos as a ladder, the goal on top; a click goes to a rung. Edited by drag, keys or numbers. */
export function Ladder(props: LadderProps) {
  const { rungs, now, goal, past, went, editing, onGo, onEdit } = props
  const mixed = !onlyGrid(rungs)
  return (
    <>
      <ol aria-label="Ladder" className="flex flex-col-reverse border-base-300 border-x">
        {rungs.map(({ tempo, grid }, i) => (
          // Rungs are told apart by their place: their tempos change while they are dragged.
          <li
            key={i}
            className={`flex border-base-300 border-b-2 has-[[aria-current]]:border-primary ${editing ? 'items-center gap-1' : 'items-end'}`}
          >
            {editing ? (
              <EditedRung {...props} index={i} />
            ) : (
              <button
                type="button"
                aria-current={i === now ? 'step' : undefined}
                className="flex w-full items-baseline justify-between gap-3 px-3 pt-2.5 pb-0.5 font-semibold text-xl tabular-nums hover:bg-base-300 aria-[current]:text-4xl aria-[current]:text-primary"
                onClick={() => onGo(i)}
              >
                <span>
                  {tempoFigure(tempo)}
                  {mixed && <span className="ml-2 font-normal text-sm">{gridName(grid)}</span>}
                </span>
                <span className="font-normal text-(--quiet) text-sm">
                  {rungWords(tempo === goal, past[i] ?? false, went[i] ?? null)}
                </span>
              </button>
            )}
          </li>
        ))}
      </ol>
      {editing && (
        <button
          type="button"
          className="btn btn-ghost btn-sm self-start"
          onClick={() => onEdit(addGridRung(rungs))}
        >
          <Plus size={15} aria-hidden /> Add a tempo
        </button>
      )}
    </>
  )
}

function rungWords(isGoal: boolean, isPast: boolean, rating: Rating | null): string {
  return [isGoal ? 'goal' : '', isPast ? 'above your limit' : '', rating ?? '']
    .filter(Boolean)
    .join(', ')
}

type EditProps = Pick<LadderProps, 'rungs' | 'grids' | 'onEdit'> & { readonly index: number }

/** A rung whose tempo and grid are changed. */
function EditedRung(props: EditProps) {
  const { rungs, grids, index, onEdit } = props
  const { tempo, grid } = rungs[index] as GridRung
  const name = gridName(grid)
  return (
    <>
      <Handle {...props} />
      <NumberField
        label={`Tempo of rung ${index + 1}`}
        className="my-1 w-18 font-semibold text-lg"
        min={TEMPO_RANGE.least}
        max={TEMPO_RANGE.most}
        whole={false}
        value={tempo}
        onChange={(typed) => onEdit(moveGridRung(rungs, index, typed))}
      />
      <Pick
        label={`Grid of rung ${index + 1}`}
        value={name}
        options={[...new Set([...grids, name])].map((one) => [one, one])}
        onPick={(picked) => onEdit(regridRung(rungs, index, findGrid(picked) ?? grid))}
      />
      {rungs.length > 1 && (
        <IconButton
          size="tiny"
          label={`Remove the rung at ${tempo}`}
          onClick={() => onEdit(removeGridRung(rungs, index))}
        >
          <X size={14} aria-hidden />
        </IconButton>
      )}
    </>
  )
}

/** Pixels that a rung is dragged for one beat a minute. */
const PIXELS_A_BEAT = 3

/** A rung taken hold of: dragged up it is faster; arrows do the same. */
function Handle({ rungs, index, onEdit }: EditProps) {
  const held = useRef<{ y: number; tempo: number } | null>(null)
  const { tempo } = rungs[index] as GridRung
  const drag = (event: PointerEvent) => {
    if (!held.current) return
    const faster = Math.round((held.current.y - event.clientY) / PIXELS_A_BEAT)
    onEdit(moveGridRung(rungs, index, held.current.tempo + faster))
  }
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={`Rung ${index + 1}`}
      aria-orientation="vertical"
      aria-valuenow={Math.round(tempo)}
      aria-valuemin={TEMPO_RANGE.least}
      aria-valuemax={TEMPO_RANGE.most}
      className="flex h-10 cursor-ns-resize touch-none items-center px-2 text-(--quiet)"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        held.current = { y: event.clientY, tempo }
      }}
      onPointerMove={drag}
      onPointerUp={() => {
        held.current = null
      }}
      onKeyDown={(event) => {
        const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key]
        if (by === undefined) return
        event.preventDefault()
        // The arrows are the page's ratings elsewhere.
        event.stopPropagation()
        onEdit(moveGridRung(rungs, index, tempo + (event.shiftKey ? by * 5 : by)))
      }}
    >
      <GripVertical size={18} aria-hidden />
    </div>
  )
}
