import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { NumberField } from '~/ui/number-field'

/** A loop of some slots, chosen by their numbers: the same as drawing over them. */
export function LoopFields({
  lick,
  loop,
  onLoop,
  onKeep,
}: {
  lick: Lick
  loop: SlotRange | null
  onLoop: (loop: SlotRange | null) => void
  onKeep: (loop: SlotRange) => void
}) {
  const count = lick.line.slots.length
  const { from, to } = loop ?? { from: 0, to: count }
  const take = (first: number, last: number) => {
    if (!(first >= 1 && last <= count && first <= last)) return
    onLoop(first === 1 && last === count ? null : { from: first - 1, to: last })
  }
  return (
    <span className="flex flex-wrap items-baseline gap-1.5 text-sm">
      loop slots
      <NumberField
        label="First slot of the loop"
        className="w-12 text-center"
        min={1}
        max={to}
        value={from + 1}
        onChange={(first) => take(first, to)}
      />
      to
      <NumberField
        label="Last slot of the loop"
        className="w-12 text-center"
        min={from + 1}
        max={count}
        value={to}
        onChange={(last) => take(from + 1, last)}
      />
      {loop && (
        <button type="button" className="link" onClick={() => onKeep(loop)}>
          keep as a step
        </button>
      )}
      {loop && (
        <button type="button" className="link" onClick={() => onLoop(null)}>
          back to the step
        </button>
      )}
    </span>
  )
}
