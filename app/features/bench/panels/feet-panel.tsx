import { Plus, X } from 'lucide-react'
import { formatLayer } from '~/codecs/lick-text'
import type { Lick } from '~/core/line'
import { type FieldFault, TypedField } from '~/ui/field'
import { IconButton } from '~/ui/icon-button'
import { Act, Nothing, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { faultWords } from '~/words/fault-words'
import {
  addLayer,
  readLayer,
  replaceOstinato,
  scopeOstinato,
} from '~/workspace/edits/pattern-edits'
import { SCOPES } from '../pattern-choices'
import { useBenchLick, useWorkspace } from '../state/use-workspace'
import { FEET } from './feet-presets'
import { GroovePart } from './groove-part'
import { showing } from './showing'

/** What plays under the line: the groove of its bars, and the feet's layers, typed like the line. */
export function FeetPanel() {
  const workspace = useWorkspace()
  const lick = useBenchLick()
  const { ostinatos, frame } = lick
  const typed = ostinatos.map((layer) => formatLayer(layer, frame.grid)[1])
  return (
    <div className="flex flex-col gap-5">
      <Part title="Feet under the line">
        {ostinatos.length === 0 && <Nothing>None yet. Choose one, or type your own.</Nothing>}
        <ul className="flex flex-col gap-2">
          {ostinatos.map((layer, i) => (
            <li key={`${layer.scope} ${i}`} className="flex flex-wrap items-end gap-1.5">
              <TypedField
                label={`Layer ${i + 1}`}
                value={typed[i] ?? ''}
                check={(next) => ostinatoFault(next, lick)}
                onChange={(next) => {
                  const read = readLayer(next, lick)
                  if (read.ok) {
                    const changed = { ...read.value, scope: layer.scope }
                    workspace.edit(replaceOstinato(lick, i, changed))
                  }
                }}
                className="w-full font-mono"
              />
              <Pick
                label={`Where layer ${i + 1} sounds`}
                value={layer.scope}
                options={SCOPES}
                onPick={(scope) => workspace.edit(scopeOstinato(lick, i, scope))}
              />
              <IconButton
                label={`Remove ${typed[i]}`}
                onClick={() => workspace.edit(replaceOstinato(lick, i, null))}
              >
                <X size={16} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
        <div className="flex flex-wrap gap-1.5">
          {FEET.map(([text, name]) => {
            const made = addLayer(lick, text, name)
            return made ? (
              <Act
                key={text}
                onClick={() => workspace.edit(made)}
                {...showing(
                  (edit) => workspace.show(edit),
                  () => made,
                )}
              >
                <Plus size={14} aria-hidden />
                {name}
              </Act>
            ) : null
          })}
        </div>
      </Part>
      <GroovePart />
    </div>
  )
}

/** What is wrong with an ostinato as it is typed; null where nothing is. */
function ostinatoFault(typed: string, lick: Lick): FieldFault | null {
  const expected = 'Expected a grid and limbs, such as @1/4 H'
  if (typed === '' || typed.includes('#') || typed.includes('\n')) return { message: expected }
  const read = readLayer(typed, lick)
  if (read.ok) return null
  const [first] = read.error
  return { message: first ? faultWords(first) : expected }
}
