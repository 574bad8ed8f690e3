import { useMemo, useState } from 'react'
import { tomsOf } from '~/core/kit'
import type { Surface } from '~/core/sticking'
import { outAndBack, roundTheKit, type Voicing, voicingPresets } from '~/core/voicing'
import { Checkbox } from '~/ui/checkbox'
import { NumberField } from '~/ui/number-field'
import { Button, Part, TextBox } from '~/ui/parts'
import { plural } from '~/words/figures'
import { findSurfaces, SURFACES_EXPECTED } from '~/words/surface-words'
import { appendPhrase } from '~/workspace/edits/edits'
import type { PanelView } from '../state/use-panel'

interface PresetsProps extends PanelView {
  /** Shows what a voicing would do, as long as it is pointed at. */
  readonly onPreview: (next: Voicing | null) => void
}

/** Usual voicings, one click each, and passes round the kit with their own strokes. */
export function Presets(props: PresetsProps) {
  const { voicing, setting, onVoice, onPreview } = props
  const presets = useMemo(() => voicingPresets(setting.kit), [setting.kit])
  return (
    <Part
      title="Usual voicings"
      aside={<span className="text-(--quiet) text-xs">in place of the rules</span>}
    >
      <ul className="grid grid-cols-1 gap-x-4">
        {presets.map(({ id, name, rules }) => (
          <li key={id}>
            <button
              type="button"
              className="w-full rounded-field px-2 py-0.5 text-left text-sm hover:bg-base-200"
              onMouseEnter={() => onPreview({ ...voicing, rules })}
              onMouseLeave={() => onPreview(null)}
              onFocus={() => onPreview({ ...voicing, rules })}
              onBlur={() => onPreview(null)}
              onClick={() => onVoice(name, { ...voicing, rules })}
            >
              {name}
            </button>
          </li>
        ))}
      </ul>
      <RoundTheKit {...props} />
    </Part>
  )
}

/** A pass down a path of surfaces and up again, with strokes of its own. */
function RoundTheKit({ lick, setting, onEdit }: PanelView) {
  const [typed, setTyped] = useState(() => tomsOf(setting.kit).join(' ') || 'sn')
  const [per, setPer] = useState(2)
  const [again, setAgain] = useState(true)
  const [back, setBack] = useState('')
  const [perBack, setPerBack] = useState(2)
  const path: readonly Surface[] | null = findSurfaces(typed)
  const sameWay = back.trim() === ''
  const wayBack = sameWay ? null : findSurfaces(back)
  const pass =
    path && sameWay
      ? roundTheKit(path, per, again)
      : path && wayBack && outAndBack({ surfaces: path, per }, { surfaces: wayBack, per: perBack })
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      <span>Round the kit:</span>
      <TextBox
        label="Surfaces to go round"
        className="w-36 font-mono"
        value={typed}
        onType={setTyped}
        aria-invalid={!path}
      />
      <NumberField label="Strokes a drum" min={1} max={8} value={per} onChange={setPer} />
      <span>strokes each, back over</span>
      <TextBox
        label="Surfaces to come back over"
        className="w-36 font-mono"
        placeholder="the same way"
        value={back}
        onType={setBack}
        aria-invalid={!sameWay && !wayBack}
      />
      {sameWay ? (
        <Checkbox checked={again} onTick={setAgain}>
          Repeat the outer drums
        </Checkbox>
      ) : (
        <>
          <NumberField
            label="Strokes a drum on the way back"
            min={1}
            max={8}
            value={perBack}
            onChange={setPerBack}
          />
          <span>strokes each</span>
        </>
      )}
      {pass ? (
        <Button onClick={() => onEdit(appendPhrase(lick, pass, 'Round the kit'))}>
          Append {plural(pass.slots.length, 'stroke')}
        </Button>
      ) : (
        <span role="alert" className="text-error">
          {SURFACES_EXPECTED}
        </span>
      )}
    </div>
  )
}
