import type { Stroke } from '~/session/use-strikes'
import { EmptyState } from '~/ui/parts'
import { LIMB_NAMES } from '~/words/limb-names'

const SOURCE_WORDS = { keys: 'key or finger', pads: 'MIDI pad', mic: 'microphone' } as const

/** The last strokes, the newest first, with how far each came after the one before. */
export function Arrivals({ strokes }: { strokes: readonly Stroke[] }) {
  if (strokes.length === 0)
    return <EmptyState>No stroke yet. F, J, B and N are the limbs.</EmptyState>
  return (
    <ol aria-label="Strokes" className="flex flex-col text-sm tabular-nums">
      {strokes.map((stroke, i) => (
        <li
          key={`${stroke.stamp} ${stroke.limb}`}
          className="grid grid-cols-[6rem_6.5rem_1fr_auto] gap-3 border-base-300 border-b py-1 first:font-semibold"
        >
          <span>{limbWords(stroke)}</span>
          <span>{SOURCE_WORDS[stroke.from]}</span>
          <span>
            {stroke.note !== undefined && `note ${stroke.note}, `}
            {stroke.velocity === undefined ? '' : `velocity ${stroke.velocity}`}
          </span>
          <span className="text-(--quiet)">{gapWords(stroke, strokes[i + 1])}</span>
        </li>
      ))}
    </ol>
  )
}

function limbWords({ limb, from }: Stroke): string {
  if (limb) return LIMB_NAMES[limb]
  return from === 'mic' ? 'a stroke' : 'a hand'
}

/** `153 ms later`; nothing after a pause. */
function gapWords(stroke: Stroke, before: Stroke | undefined): string {
  const gap = before ? Math.round(stroke.stamp - before.stamp) : Number.POSITIVE_INFINITY
  return gap >= 0 && gap < 3000 ? `${gap} ms later` : ''
}
