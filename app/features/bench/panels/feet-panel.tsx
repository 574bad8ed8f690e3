import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { formatLayer } from '~/codecs/lick-text'
import type { Lick } from '~/core/line'
import { type FieldFault, TypedField } from '~/ui/field'
import { IconButton } from '~/ui/icon-button'
import { Button, Part, TextBox } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { faultWords } from '~/words/fault-words'
import type { Edit } from '~/workspace/edits/edits'
import {
  addLayer,
  grooveHands,
  readLayer,
  replaceOstinato,
  scopeOstinato,
} from '~/workspace/edits/pattern-edits'
import { SCOPES } from '../pattern-choices'
import { useBenchGrooves, useBenchLick, useWorkspace } from '../state/use-workspace'
import { FEET } from './feet-presets'
import { GroovePart } from './groove-part'
import { showing } from './showing'

/** What plays under the line: the groove of its bars, and the feet's layers, typed like the line. */
export function FeetPanel() {
  const workspace = useWorkspace()
  const lick = useBenchLick()
  const { ostinatos, frame } = lick
  const grooves = useBenchGrooves()
  const hands = grooveHands(lick, grooves)
  const typed = ostinatos.map((layer) => formatLayer(layer, frame.grid)[1])
  return (
    <div className="flex flex-col gap-5">
      <Part title="Feet under the line">
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
        <OwnFeet lick={lick} onAdd={(edit) => workspace.edit(edit)} />
        <div className="flex flex-wrap gap-1.5">
          {hands && (
            <Button onClick={() => workspace.edit(hands)}>
              <Plus size={14} aria-hidden />
              Hands of the groove, over feet
            </Button>
          )}
          {FEET.map(([text, name]) => {
            const made = addLayer(lick, text, name)
            return made ? (
              <Button
                key={text}
                onClick={() => workspace.edit(made)}
                {...showing(
                  (edit) => workspace.show(edit),
                  () => made,
                )}
              >
                <Plus size={14} aria-hidden />
                {name}
              </Button>
            ) : null
          })}
        </div>
      </Part>
      <GroovePart />
    </div>
  )
}

/** A layer typed at once, in the letters of the line; its grid stands before it, else it is the line's. */
function OwnFeet({ lick, onAdd }: { lick: Lick; onAdd: (edit: Edit) => void }) {
  const [typed, setTyped] = useState('')
  const text = typed.trim()
  const fault = text === '' ? null : ostinatoFault(text, lick)
  const made = text === '' || fault ? null : addLayer(lick, text, `Feet: ${text}`)
  return (
    <form
      className="flex flex-wrap items-center gap-1.5 text-sm"
      onSubmit={(event) => {
        event.preventDefault()
        if (!made) return
        onAdd(made)
        setTyped('')
      }}
    >
      <TextBox
        label="Type a layer"
        className="min-w-40 grow font-mono"
        placeholder="@1/8 K-H-"
        value={typed}
        onType={setTyped}
      />
      <button
        type="submit"
        className="btn btn-outline border-base-300 btn-sm font-normal"
        disabled={!made}
      >
        Add
      </button>
      <span role="status" className="w-full text-error text-xs empty:hidden">
        {fault?.message ?? ''}
      </span>
    </form>
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
