import { Plus, X } from 'lucide-react'
import { parseLickText, valuesOf } from '~/codecs/lick-text'
import { type FieldFault, TypedField } from '~/ui/field'
import { IconButton } from '~/ui/icon-button'
import { Act, Nothing, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { faultWords } from '~/words/fault-words'
import { useDocument, useWorkspace } from '../state/use-workspace'
import { FEET } from './feet-presets'
import { GroovePart } from './groove-part'

/** A layer under the line: how it is typed, and under what it sounds. */
interface Layer {
  readonly typed: string
  readonly scope: 'both' | 'fill'
}

/** What plays under the line: the groove of its bars, and the feet's layers, typed like the line. */
export function FeetPanel() {
  const workspace = useWorkspace()
  const { text } = useDocument().history
  const layers: readonly Layer[] = [
    ...valuesOf(text, 'under').map((typed): Layer => ({ typed, scope: 'both' })),
    ...valuesOf(text, 'under fill').map((typed): Layer => ({ typed, scope: 'fill' })),
  ]
  const save = (next: readonly Layer[]) => {
    const of = (scope: Layer['scope']) =>
      next.filter((layer) => layer.scope === scope).map(({ typed }) => typed)
    workspace.set([
      ['under', of('both')],
      ['under fill', of('fill')],
    ])
  }
  const change = (at: number, changed: Partial<Layer>) =>
    save(layers.map((layer, i) => (i === at ? { ...layer, ...changed } : layer)))
  return (
    <div className="flex flex-col gap-5">
      <Part title="Feet under the line">
        {layers.length === 0 && <Nothing>None yet. Choose one, or type your own.</Nothing>}
        <ul className="flex flex-col gap-2">
          {layers.map(({ typed, scope }, i) => (
            <li key={`${scope} ${i}`} className="flex flex-wrap items-end gap-1.5">
              <TypedField
                label={`Layer ${i + 1}`}
                value={typed}
                check={ostinatoFault}
                onChange={(next) => change(i, { typed: next })}
                className="w-full font-mono"
              />
              <Pick
                label={`Where layer ${i + 1} sounds`}
                value={scope}
                options={SCOPES}
                onPick={(next) => change(i, { scope: next })}
              />
              <IconButton
                label={`Remove ${typed}`}
                onClick={() => save(layers.filter((_, at) => at !== i))}
              >
                <X size={16} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
        <div className="flex flex-wrap gap-1.5">
          {FEET.filter(([typed]) => layers.every((layer) => layer.typed !== typed)).map(
            ([typed, name]) => (
              <Act key={typed} onClick={() => save([...layers, { typed, scope: 'both' }])}>
                <Plus size={14} aria-hidden />
                {name}
              </Act>
            ),
          )}
        </div>
      </Part>
      <GroovePart />
    </div>
  )
}

const SCOPES = [
  ['both', 'groove and fill'],
  ['fill', 'the fill only'],
] as const

/** What is wrong with an ostinato as it is typed; null where nothing is. */
function ostinatoFault(typed: string): FieldFault | null {
  const expected = 'Expected a grid and limbs, such as @1/4 H'
  if (typed === '' || typed.includes('#') || typed.includes('\n')) return { message: expected }
  const read = parseLickText(`under: ${typed}`)
  if (read.ok) return null
  const [first] = read.error
  return { message: first ? faultWords(first) : expected }
}
