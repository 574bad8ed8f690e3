import { formatLanding } from '~/codecs/lick-text'
import type { Landing } from '~/core/line'
import { formatSlot } from '~/core/notation'
import {
  HOME_SURFACE,
  isHand,
  type Letter,
  type SlotContent,
  type Stroke,
  SURFACE_NAMES,
  SURFACES,
  UNDECIDED_SURFACE,
  type Voice,
} from '~/core/sticking'
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
          <LandingStrokes
            slot={landing.slot}
            check={(slot) => check(`${slot}${choke}${beat}`)}
            onSlot={(slot) => onLanding(`${slot}${choke}${beat}`)}
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

/** The strokes of a landing of its own: chosen where they are a hand and a foot, else typed. */
function LandingStrokes({
  slot,
  check,
  onSlot,
}: {
  slot: SlotContent
  check: (slot: string) => FieldFault | null
  onSlot: (slot: string) => void
}) {
  const pair = handAndFoot(slot)
  if (!pair) {
    return (
      <TypedField
        label="Landing strokes"
        value={formatSlot(slot)}
        check={check}
        onChange={onSlot}
      />
    )
  }
  const { hand, foot } = pair
  const choose = (next: { hand?: Stroke | null; foot?: Stroke | null }) => {
    const strokes = [next.hand ?? null, next.foot ?? null].filter((one) => one !== null)
    if (strokes.length > 0) onSlot(formatSlot({ kind: 'struck', strokes }))
  }
  const struck = (letter: Letter): Stroke => ({ letter, level: 'accent', graces: 0 })
  return (
    <>
      <SelectField
        label="Landing hand"
        value={hand?.letter ?? ''}
        options={[
          { value: 'R', label: 'right hand' },
          { value: 'L', label: 'left hand' },
          ...(foot ? [{ value: '', label: 'none' }] : []),
        ]}
        onChange={(letter) =>
          choose({
            foot,
            hand: letter
              ? { ...struck('R'), voice: 'c1', ...hand, letter: letter as Letter }
              : null,
          })
        }
      />
      {hand && (
        <SelectField
          label="Landing drum or cymbal"
          value={hand.voice ?? HOME_SURFACE[hand.letter]}
          options={SURFACES.filter((surface) => !FOOT_SURFACES.has(surface)).map((surface) => ({
            value: surface,
            label: SURFACE_NAMES[surface],
          }))}
          onChange={(voice) => choose({ foot, hand: { ...hand, voice: voice as Voice } })}
        />
      )}
      <SelectField
        label="Landing foot"
        value={foot?.letter ?? ''}
        options={[
          { value: 'K', label: 'kick' },
          { value: 'H', label: 'hi-hat foot' },
          ...(hand ? [{ value: '', label: 'none' }] : []),
        ]}
        onChange={(letter) =>
          choose({
            hand,
            foot: letter ? { ...struck('K'), level: 'tap', letter: letter as Letter } : null,
          })
        }
      />
    </>
  )
}

const FOOT_SURFACES = new Set<string>([HOME_SURFACE.K, HOME_SURFACE.H, HOME_SURFACE.J])

/** The strokes of a slot as those of at most one hand and one foot, plain ones; null where there is more to it. */
function handAndFoot(slot: SlotContent): { hand: Stroke | null; foot: Stroke | null } | null {
  if (slot.kind !== 'struck') return null
  const hands = slot.strokes.filter(({ letter }) => isHand(letter))
  const feet = slot.strokes.filter(({ letter }) => !isHand(letter))
  const plain = slot.strokes.every(
    ({ letter, graces, voice }) => graces === 0 && letter !== 'X' && voice !== UNDECIDED_SURFACE,
  )
  if (!plain || hands.length > 1 || feet.length > 1 || feet[0]?.letter === 'J') return null
  return { hand: hands[0] ?? null, foot: feet[0] ?? null }
}
