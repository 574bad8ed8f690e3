import { Plus, X } from 'lucide-react'
import { memo } from 'react'
import { type Key, parseLickText, valuesOf } from '~/codecs/lick-text'
import { TypedField } from '~/ui/field'

interface FeetPanelProps {
  readonly text: string
  readonly onSet: (key: Key, values: readonly string[]) => void
}

const PRESETS: readonly (readonly [text: string, name: string])[] = [
  ['@1/4 H', 'Hi-hat foot on the quarters'],
  ['@1/8 H', 'Hi-hat foot on the eighths'],
  ['@1/8 -H', 'Hi-hat foot off the beat'],
  ['@1/4 K', 'Kick on the quarters'],
  ['@1/8 KJKKJKJJ', 'Paradiddle in the feet'],
]

/** The feet's ostinatos under groove and fill, each in the line's own notation. */
export const FeetPanel = memo(function FeetPanel({ text, onSet }: FeetPanelProps) {
  const under = valuesOf(text, 'under')
  const underFill = valuesOf(text, 'under fill')
  const ostinatos = [
    ...under.map((typed, i) => ({ key: 'under' as const, i, typed })),
    ...underFill.map((typed, i) => ({ key: 'under fill' as const, i, typed })),
  ]
  const lists = { under, 'under fill': underFill }
  const replace = (key: 'under' | 'under fill', i: number, text: string | null) =>
    onSet(
      key,
      lists[key].flatMap((old, at) => (at !== i ? [old] : text === null ? [] : [text])),
    )
  return (
    <section aria-labelledby="ostinatos-title">
      <h2 id="ostinatos-title" className="mb-2 font-semibold">
        Under it
      </h2>
      <ul className="flex flex-col gap-2">
        {ostinatos.map(({ key, i, typed }) => (
          <li key={`${key} ${i}`} className="flex items-end gap-2">
            <TypedField
              label={key === 'under' ? 'under groove and fill' : 'under the fill only'}
              value={typed}
              accepts={isLayer}
              expected="a grid and limbs, such as @1/4 H"
              onChange={(value) => replace(key, i, value)}
              className="w-56 font-mono"
            />
            <button
              type="button"
              className="btn btn-ghost btn-square btn-sm"
              aria-label={`Take ${typed} away`}
              onClick={() => replace(key, i, null)}
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        {PRESETS.filter(([text]) => !under.includes(text)).map(([text, name]) => (
          <button
            key={text}
            type="button"
            className="btn btn-outline border-base-300 btn-sm font-normal"
            onClick={() => onSet('under', [...under, text])}
          >
            <Plus size={14} aria-hidden />
            {name}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm font-normal"
          onClick={() => onSet('under fill', [...underFill, '@1/4 H'])}
        >
          <Plus size={14} aria-hidden />
          Under the fill only
        </button>
      </div>
    </section>
  )
})

function isLayer(value: string): boolean {
  return value !== '' && !value.includes('#') && parseLickText(`under: ${value}`).ok
}
