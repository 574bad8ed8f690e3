import { Plus, X } from 'lucide-react'
import { memo } from 'react'
import { type Key, parseLickText } from '~/codecs/lick-text'
import { type FieldFault, TypedField } from '~/ui/field'
import { faultWords } from '~/words/fault-words'
import type { SetRow } from '~/workspace/document'

interface FeetPanelProps {
  /** The ostinatos under groove and fill, and those under the fill only, as they are typed. */
  readonly under: readonly string[]
  readonly underFill: readonly string[]
  readonly onSet: (rows: readonly SetRow[]) => void
}

const PRESETS: readonly (readonly [text: string, name: string])[] = [
  ['@1/4 H', 'Hi-hat foot on the quarters'],
  ['@1/8 H', 'Hi-hat foot on the eighths'],
  ['@1/8 -H', 'Hi-hat foot off the beat'],
  ['@1/4 K', 'Kick on the quarters'],
  ['@1/8 KJKKJKJJ', 'Paradiddle in the feet'],
]

/** The feet's ostinatos under groove and fill, each in the line's own notation. */
export const FeetPanel = memo(function FeetPanel({ under, underFill, onSet }: FeetPanelProps) {
  const lists: readonly (readonly [Key, string, readonly string[]])[] = [
    ['under', 'under groove and fill', under],
    ['under fill', 'under the fill only', underFill],
  ]
  const replace = (key: Key, old: readonly string[], i: number, text: string | null) =>
    onSet([[key, old.flatMap((one, at) => (at !== i ? [one] : text === null ? [] : [text]))]])
  return (
    <section aria-labelledby="ostinatos-title">
      <h2 id="ostinatos-title" className="mb-2 font-semibold">
        Feet
      </h2>
      <ul className="flex flex-col gap-2">
        {lists.flatMap(([key, label, typed]) =>
          typed.map((one, i) => (
            <li key={`${key} ${i}`} className="flex items-start gap-2">
              <TypedField
                label={label}
                value={one}
                check={ostinatoFault}
                onChange={(value) => replace(key, typed, i, value)}
                className="w-64 font-mono"
              />
              <button
                type="button"
                className="btn btn-ghost btn-square btn-sm mt-5"
                aria-label={`Remove ${one}`}
                onClick={() => replace(key, typed, i, null)}
              >
                <X size={16} aria-hidden />
              </button>
            </li>
          )),
        )}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        {PRESETS.filter(([text]) => !under.includes(text)).map(([text, name]) => (
          <button
            key={text}
            type="button"
            className="btn btn-outline border-base-300 btn-sm font-normal"
            onClick={() => onSet([['under', [...under, text]]])}
          >
            <Plus size={14} aria-hidden />
            {name}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm font-normal"
          onClick={() => onSet([['under fill', [...underFill, '@1/4 H']]])}
        >
          <Plus size={14} aria-hidden />
          Under the fill only
        </button>
      </div>
    </section>
  )
})

/** What is wrong with an ostinato as it is typed; null where nothing is. */
function ostinatoFault(typed: string): FieldFault | null {
  const expected = 'Expected a grid and limbs, such as @1/4 H'
  if (typed === '' || typed.includes('#') || typed.includes('\n')) return { message: expected }
  const read = parseLickText(`under: ${typed}`)
  if (read.ok) return null
  const [first] = read.error
  return { message: first ? faultWords(first) : expected }
}
