import { X } from 'lucide-react'
import { type KeyboardEvent, memo } from 'react'
import {
  HEAD_SHAPES,
  type HeadShape,
  type Kit,
  MIDI_NOTES,
  type Piece,
  STAFF_KEY,
} from '~/core/kit'
import { SURFACE_NAMES, SURFACES, type Surface } from '~/core/sticking'
import { AddSelect } from '~/ui/add-select'
import { IconButton } from '~/ui/icon-button'
import { NumberField } from '~/ui/number-field'
import { addPiece, changePiece, nudgePiece, REACH, removePiece, SIZES } from './kit-edits'

interface PieceListProps {
  readonly kit: Kit
  readonly chosen: Surface | null
  readonly onChoose: (surface: Surface) => void
  readonly onEdit: (by: (kit: Kit) => Kit, about?: string) => void
  readonly onRemoved: (before: Kit, surface: Surface) => void
}

const FIGURES = [
  ['x', 'to the right'],
  ['y', 'ahead'],
  ['height', 'height'],
  ['diameter', 'size'],
] as const

/** Between which centimetres each of them lies. */
const RANGES = {
  x: { min: -REACH, max: REACH },
  y: { min: -REACH, max: REACH },
  height: { min: SIZES.height[0], max: SIZES.height[1] },
  diameter: { min: SIZES.diameter[0], max: SIZES.diameter[1] },
} as const

/** Every piece with its place in numbers; arrows on its name move it on the plan. */
export function PieceList({ kit, chosen, onChoose, onEdit, onRemoved }: PieceListProps) {
  const piece = kit.pieces.find(({ surface }) => surface === chosen)
  const lacking = SURFACES.filter(
    (surface) =>
      !['rs', 'xs', 'ho', 'rb'].includes(surface) &&
      !kit.pieces.some((one) => one.surface === surface),
  )
  return (
    <div className="flex flex-col gap-3">
      <div className="overflow-x-auto">
        <table className="w-full text-sm">
          <caption className="pb-2 text-left text-(--quiet) text-xs">
            Centimetres from the throne. Arrows on a name move the piece, with Shift by five.
          </caption>
          <thead>
            <tr className="text-(--quiet) text-xs">
              <th className="text-left font-normal">piece</th>
              {FIGURES.map(([key, name]) => (
                <th key={key} className="px-1 text-right font-normal">
                  {name}
                </th>
              ))}
              <th>
                <span className="sr-only">delete</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {kit.pieces.map((one) => (
              <PieceRow
                key={one.surface}
                piece={one}
                chosen={one.surface === chosen}
                only={kit.pieces.length < 2}
                onChoose={onChoose}
                onEdit={onEdit}
                onRemoved={onRemoved}
              />
            ))}
          </tbody>
        </table>
      </div>
      {lacking.length > 0 && (
        <AddSelect
          label="Add a piece"
          words="Add a piece …"
          className="self-start"
          onAdd={(value) => {
            const surface = value as Surface
            onEdit((now) => addPiece(now, surface))
            onChoose(surface)
          }}
        >
          {lacking.map((surface) => (
            <option key={surface} value={surface}>
              {SURFACE_NAMES[surface]}
            </option>
          ))}
        </AddSelect>
      )}
      {piece && <PieceVoice key={piece.surface} piece={piece} onEdit={onEdit} />}
    </div>
  )
}

interface PieceRowProps extends Pick<PieceListProps, 'onChoose' | 'onEdit' | 'onRemoved'> {
  readonly piece: Piece
  readonly chosen: boolean
  /** Whether it is the kit's last piece, which stays. */
  readonly only: boolean
}

/** One piece in numbers; drawn again only when it is the one that changed. */
const PieceRow = memo(function PieceRow(props: PieceRowProps) {
  const { piece, chosen, only, onChoose, onEdit, onRemoved } = props
  const { surface } = piece
  const name = SURFACE_NAMES[surface]
  return (
    <tr className={chosen ? 'bg-base-200' : ''}>
      <th scope="row" className="text-left font-normal">
        <button
          type="button"
          aria-pressed={chosen}
          className="w-full rounded-field px-1.5 py-0.5 text-left aria-pressed:font-semibold"
          onClick={() => onChoose(surface)}
          onKeyDown={(event) => {
            const way = wayOfKey(event)
            if (!way) return
            event.preventDefault()
            onEdit((kit) => nudgePiece(kit, surface, way), `nudge ${surface}`)
          }}
        >
          <span className="font-mono text-(--quiet) text-xs">{surface}</span> {name}
        </button>
      </th>
      {FIGURES.map(([key, words]) => (
        <td key={key} className="px-0.5">
          <NumberField
            label={`${name}, ${words}`}
            className="w-14 text-right"
            {...RANGES[key]}
            value={piece[key]}
            onFocus={() => onChoose(surface)}
            onChange={(value) =>
              onEdit((kit) => changePiece(kit, surface, { [key]: value }), `${key} ${surface}`)
            }
          />
        </td>
      ))}
      <td>
        <IconButton
          size="tiny"
          label={`Delete ${name}`}
          disabled={only}
          onClick={() =>
            onEdit((kit) => {
              onRemoved(kit, surface)
              return removePiece(kit, surface)
            })
          }
        >
          <X size={14} aria-hidden />
        </IconButton>
      </td>
    </tr>
  )
})

const KEYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/** Which way an arrow moves a piece, in centimetres; null for other keys. */
function wayOfKey({ key, shiftKey }: KeyboardEvent): readonly [number, number] | null {
  const way = KEYS[key]
  const by = shiftKey ? 5 : 1
  return way ? [way[0] * by, way[1] * by] : null
}

/** How a piece sounds, where it stands on the staff, and its MIDI note. */
function PieceVoice({ piece, onEdit }: { piece: Piece } & Pick<PieceListProps, 'onEdit'>) {
  const { surface } = piece
  const staff = piece.staff ?? STAFF_KEY[surface]
  const change = (changed: Partial<Piece>) => onEdit((kit) => changePiece(kit, surface, changed))
  const name = SURFACE_NAMES[surface]
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-2 border-base-300 border-t pt-3 text-sm">
      <legend className="float-left mr-2 font-semibold first-letter:uppercase">{name}</legend>
      <label className="flex items-center gap-1.5">
        sounds like
        <select
          className={FIELD}
          value={piece.sound ?? surface}
          onChange={(event) => change({ sound: event.target.value as Surface })}
        >
          {SURFACES.map((sound) => (
            <option key={sound} value={sound}>
              {SURFACE_NAMES[sound]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        staff
        <select
          className={FIELD}
          value={staff.step}
          onChange={(event) => change({ staff: { ...staff, step: Number(event.target.value) } })}
        >
          {STEPS.map((step) => (
            <option key={step} value={step}>
              {stepWords(step)}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        notehead
        <select
          className={FIELD}
          value={staff.shape}
          onChange={(event) =>
            change({ staff: { ...staff, shape: event.target.value as HeadShape } })
          }
        >
          {HEAD_SHAPES.map((shape) => (
            <option key={shape} value={shape}>
              {shape.replace('-', ' ')}
            </option>
          ))}
        </select>
      </label>
      <span className="flex items-center gap-1.5">
        MIDI note
        <NumberField
          label={`${name}, MIDI note`}
          min={0}
          max={127}
          value={piece.midi ?? MIDI_NOTES[surface]}
          onChange={(midi) => change({ midi })}
        />
      </span>
    </fieldset>
  )
}

const FIELD = 'rounded-field border border-base-300 bg-base-100 px-2 py-1'
const STEPS = Array.from({ length: 17 }, (_, i) => 12 - i)

/** `line 2`, `space 3`; beside the staff, ledger lines and spaces above and below. */
function stepWords(step: number): string {
  if (step >= 0 && step <= 8) {
    return step % 2 === 0 ? `line ${step / 2 + 1}` : `space ${(step + 1) / 2}`
  }
  const away = step < 0 ? -step : step - 8
  return `${away} ${step < 0 ? 'below' : 'above'}`
}
