import { formatSlot } from '~/core/notation'
import type { TappedLine } from '~/core/timing'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'

/** A line as it is tapped in: its stacks, and its slots, those that might belong to the next one marked. */
export function TappedFigure({ found: { line, doubtfulSlots } }: { found: TappedLine }) {
  const doubtful = new Set(doubtfulSlots)
  return (
    <>
      <PhraseStacks phrase={line} />
      <p className="break-words font-mono text-sm">
        {line.slots.map((slot, i) =>
          doubtful.has(i) ? (
            <mark
              key={i}
              title="Between two slots"
              className="bg-warning/25 text-inherit underline decoration-2 decoration-warning decoration-wavy underline-offset-4"
            >
              {formatSlot(slot)}
            </mark>
          ) : (
            formatSlot(slot)
          ),
        )}
      </p>
    </>
  )
}
