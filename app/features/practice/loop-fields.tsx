import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'

/** A loop of some slots, chosen by their numbers: the same as drawing over them. */
export function LoopFields({
  lick,
  loop,
  onLoop,
}: {
  lick: Lick
  loop: SlotRange | null
  onLoop: (loop: SlotRange | null) => void
}) {
  const count = lick.line.slots.length
  const { from, to } = loop ?? { from: 0, to: count }
  const take = (first: number, last: number) => {
    if (!(first >= 1 && last <= count && first <= last)) return
    onLoop(first === 1 && last === count ? null : { from: first - 1, to: last })
  }
  const field =
    'w-12 rounded-field border border-base-300 bg-base-100 px-1 text-center tabular-nums'
  return (
    <span className="ml-auto flex items-baseline gap-1.5">
      loop of slots
      <input
        type="number"
        aria-label="First slot of the loop"
        className={field}
        min={1}
        max={to}
        value={from + 1}
        onChange={(event) => take(event.target.valueAsNumber, to)}
      />
      to
      <input
        type="number"
        aria-label="Last slot of the loop"
        className={field}
        min={from + 1}
        max={count}
        value={to}
        onChange={(event) => take(from + 1, event.target.valueAsNumber)}
      />
      {loop && (
        <button type="button" className="link" onClick={() => onLoop(null)}>
          back to the step
        </button>
      )}
    </span>
  )
}
