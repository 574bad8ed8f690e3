import { ChevronLeft, ChevronRight } from 'lucide-react'
import { IconButton } from '~/ui/icon-button'
import { wayNumberWords } from '~/words/finder-words'

const STEPS: Readonly<Record<string, bigint>> = {
  ArrowRight: 1n,
  ArrowUp: 1n,
  ArrowLeft: -1n,
  ArrowDown: -1n,
  PageUp: 10n,
  PageDown: -10n,
}

/** Goes through all ways by their numbers, from 1; null while none is picked. */
export function WayStepper({
  number,
  count,
  line,
  onNumber,
}: {
  number: bigint | null
  count: bigint
  /** The fill that has the number, as it is typed. */
  line: string
  onNumber: (number: bigint) => void
}) {
  const step = (by: bigint) => {
    const to = (number ?? 0n) + by
    onNumber(to < 1n ? 1n : to > count ? count : to)
  }
  return (
    <div className="flex items-center rounded-field border border-base-300">
      <IconButton label="Previous" disabled={number === 1n} onClick={() => step(-1n)}>
        <ChevronLeft size={18} aria-hidden />
      </IconButton>
      <span
        role="spinbutton"
        tabIndex={0}
        aria-label="Way by its number"
        aria-valuenow={Number(number ?? 0n)}
        aria-valuemin={1}
        aria-valuemax={Number(count)}
        aria-valuetext={number === null ? 'none yet' : `number ${number}: ${line}`}
        className="min-w-20 py-1 text-center text-sm tabular-nums focus-visible:outline-2"
        onKeyDown={(event) => {
          const by = STEPS[event.key]
          if (by === undefined) return
          event.preventDefault()
          step(by)
        }}
      >
        {wayNumberWords(number, count)}
      </span>
      <IconButton label="Next" disabled={number === count} onClick={() => step(1n)}>
        <ChevronRight size={18} aria-hidden />
      </IconButton>
    </div>
  )
}
