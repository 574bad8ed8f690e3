import { formatLanding } from '~/codecs/lick-text'
import type { Landing } from '~/core/line'
import { formatSlot } from '~/core/notation'
import { type FieldFault, type Option, SelectField, TypedField } from '~/ui/field'

const LABELS: Readonly<Record<Landing['kind'], string>> = {
  crash: 'crash with the kick',
  stop: 'stop, choked',
  groove: 'back to the groove',
  last: 'the last stroke',
  strokes: 'strokes of its own',
  none: 'nothing',
}
const KINDS = Object.keys(LABELS) as Landing['kind'][]

/** Strokes to begin with, where a landing of its own is chosen. */
const FIRST_STROKES = '(>R:c1K)'

/** How the line lands; with `more` its strokes, the choke, and whether it aims at a barline. */
export function LandingFields({
  landing,
  more,
  fault,
  check,
  onLanding,
}: {
  landing: Landing
  more: boolean
  fault: FieldFault | null
  check: (value: string) => FieldFault | null
  onLanding: (value: string) => void
}) {
  const beat = landing.at === 'beat' ? ' beat' : ''
  if (!more) {
    return (
      <SelectField
        label="Landing"
        value={landing.kind}
        options={KINDS.map((kind): Option => ({ value: kind, label: LABELS[kind] }))}
        fault={fault}
        onChange={(kind) => onLanding(`${kind === 'strokes' ? FIRST_STROKES : kind}${beat}`)}
      />
    )
  }
  const choke = landing.kind === 'strokes' && landing.choke ? ' choke' : ''
  return (
    <>
      <SelectField
        label="Lands on"
        value={landing.at}
        options={[
          { value: 'bar', label: 'a barline' },
          { value: 'beat', label: 'the nearest beat' },
        ]}
        onChange={(at) =>
          onLanding(formatLanding({ ...landing, at: at === 'beat' ? 'beat' : 'bar' }))
        }
      />
      {landing.kind === 'strokes' && (
        <>
          <TypedField
            label="Landing strokes"
            value={formatSlot(landing.slot)}
            check={(slot) => check(`${slot}${choke}${beat}`)}
            onChange={(slot) => onLanding(`${slot}${choke}${beat}`)}
          />
          <SelectField
            label="After the landing"
            value={choke}
            options={[
              { value: '', label: 'let it ring' },
              { value: ' choke', label: 'choke it' },
            ]}
            onChange={(choked) => onLanding(`${formatSlot(landing.slot)}${choked}${beat}`)}
          />
        </>
      )}
    </>
  )
}
