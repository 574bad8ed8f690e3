import { GripVertical, Plus, X } from 'lucide-react'
import { type PointerEvent, useRef } from 'react'
import { TEMPO_RANGE } from '~/core/line'
import type { Rating } from '~/core/log'
import { addRung, moveRung, removeRung } from '~/core/practice'
import { IconButton } from '~/ui/icon-button'

interface LadderProps {
  readonly rungs: readonly number[]
  readonly now: number
  readonly goal: number | null
  /** Rungs past what the part can be played at. */
  readonly past: readonly number[]
  /** How each rung went last; null where it was not played or not said. */
  readonly went: readonly (Rating | null)[]
  readonly editing: boolean
  readonly onGo: (rung: number) => void
  readonly onEdit: (rungs: readonly number[]) => void
}

/** The tempos as a ladder, the goal on top; a click goes to a rung. Edited by drag, keys or numbers. */
export function Ladder(props: LadderProps) {
  const { rungs, now, goal, past, went, editing, onGo, onEdit } = props
  return (
    <>
      <ol aria-label="Ladder" className="flex flex-col-reverse border-base-300 border-x">
        {rungs.map((rung, i) => (
          // Rungs are told apart by their place: their tempos change while they are dragged.
          <li
            key={i}
            className={`flex border-base-300 border-b-2 has-[[aria-current]]:border-primary ${editing ? 'items-center' : 'items-end'}`}
          >
            {editing && <Handle rungs={rungs} index={i} onEdit={onEdit} />}
            {editing ? (
              <RungField rungs={rungs} index={i} onEdit={onEdit} />
            ) : (
              <button
                type="button"
                aria-current={i === now ? 'step' : undefined}
                className="flex w-full items-baseline justify-between gap-3 px-3 pt-2.5 pb-0.5 font-semibold text-xl tabular-nums hover:bg-base-300 aria-[current]:text-4xl aria-[current]:text-primary"
                onClick={(event) => {
                  onGo(i)
                  if (event.detail > 0) event.currentTarget.blur()
                }}
              >
                {Math.round(rung * 10) / 10}
                <span className="font-normal text-(--quiet) text-sm">
                  {rungWords(rung === goal, past.includes(rung), went[i] ?? null)}
                </span>
              </button>
            )}
            {editing && rungs.length > 1 && (
              <IconButton
                size="tiny"
                label={`Take out the rung at ${rung}`}
                onClick={() => onEdit(removeRung(rungs, i))}
              >
                <X size={14} aria-hidden />
              </IconButton>
            )}
          </li>
        ))}
      </ol>
      {editing && (
        <button
          type="button"
          className="btn btn-ghost btn-sm self-start"
          onClick={() => onEdit(addRung(rungs))}
        >
          <Plus size={15} aria-hidden /> A rung more
        </button>
      )}
    </>
  )
}

function rungWords(isGoal: boolean, isPast: boolean, rating: Rating | null): string {
  return [isGoal ? 'goal' : '', isPast ? 'past what it plays up to' : '', rating ?? '']
    .filter(Boolean)
    .join(', ')
}

interface EditProps {
  readonly rungs: readonly number[]
  readonly index: number
  readonly onEdit: (rungs: readonly number[]) => void
}

/** A tempo typed; taken when it can be. */
function RungField({ rungs, index, onEdit }: EditProps) {
  const rung = rungs[index] as number
  return (
    <input
      type="number"
      aria-label={`Tempo of rung ${index + 1}`}
      className="my-1 w-20 rounded-field border border-base-300 bg-base-100 px-2 py-1 font-semibold text-lg tabular-nums"
      key={rung}
      defaultValue={Math.round(rung)}
      min={TEMPO_RANGE.least}
      max={TEMPO_RANGE.most}
      onBlur={(event) => {
        const typed = event.currentTarget.valueAsNumber
        if (Number.isFinite(typed) && typed !== rung) onEdit(moveRung(rungs, index, typed))
        else event.currentTarget.value = String(Math.round(rung))
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur()
      }}
    />
  )
}

/** Pixels that a rung is dragged for one beat a minute. */
const PIXELS_A_BEAT = 3

/** A rung taken hold of: dragged up it is faster; arrows do the same. */
function Handle({ rungs, index, onEdit }: EditProps) {
  const held = useRef<{ y: number; tempo: number } | null>(null)
  const rung = rungs[index] as number
  const drag = (event: PointerEvent) => {
    if (!held.current) return
    const faster = Math.round((held.current.y - event.clientY) / PIXELS_A_BEAT)
    onEdit(moveRung(rungs, index, held.current.tempo + faster))
  }
  const step = (by: number) => onEdit(moveRung(rungs, index, rung + by))
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={`Rung ${index + 1}`}
      aria-orientation="vertical"
      aria-valuenow={Math.round(rung)}
      aria-valuemin={TEMPO_RANGE.least}
      aria-valuemax={TEMPO_RANGE.most}
      className="flex h-10 cursor-ns-resize touch-none items-center px-2 text-(--quiet)"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        held.current = { y: event.clientY, tempo: rung }
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
        step(event.shiftKey ? by * 5 : by)
      }}
    >
      <GripVertical size={18} aria-hidden />
    </div>
  )
}
