import { X } from 'lucide-react'
import type { KeyboardEvent } from 'react'
import {
  HEAD_SHAPES,
  type HeadShape,
  type Kit,
  MIDI_NOTES,
  type Piece,
  STAFF_KEY,
} from '~/core/kit'
import { SURFACE_NAMES, SURFACES, type Surface } from '~/core/sticking'
import { addPiece, changePiece, removePiece } from './kit-edits'

interface PieceListProps {
  readonly kit: Kit
  readonly chosen: Surface | null
  readonly onChoose: (surface: Surface) => void
  readonly onChange: (kit: Kit) => void
  readonly onRemoved: (before: Kit, surface: Surface) => void
}

const FIGURES = [
  ['x', 'to the right'],
  ['y', 'ahead'],
  ['height', 'height'],
  ['diameter', 'size'],
] as const

/** Every piece with its place in numbers; arrows on its name move it on the plan. */
export function PieceList({ kit, chosen, onChoose, onChange, onRemoved }: PieceListProps) {
  const piece = kit.pieces.find(({ surface }) => surface === chosen)
  const lacking = SURFACES.filter(
    (surface) =>
      !['rs', 'xs', 'ho', 'rb'].includes(surface) &&
      !kit.pieces.some((one) => one.surface === surface),
  )
  const remove = (surface: Surface) => {
    onChange(removePiece(kit, surface))
    onRemoved(kit, surface)
  }
  return (
    <div className="flex flex-col gap-3">
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
            <tr key={one.surface} className={one.surface === chosen ? 'bg-base-200' : ''}>
              <th scope="row" className="text-left font-normal">
                <button
                  type="button"
                  aria-pressed={one.surface === chosen}
                  className="w-full rounded-field px-1.5 py-0.5 text-left aria-pressed:font-semibold"
                  onClick={() => onChoose(one.surface)}
                  onKeyDown={(event) => {
                    const moved = movedByKey(one, event)
                    if (moved) onChange(changePiece(kit, one.surface, moved))
                  }}
                >
                  <span className="font-mono text-(--quiet) text-xs">{one.surface}</span>{' '}
                  {SURFACE_NAMES[one.surface]}
                </button>
              </th>
              {FIGURES.map(([key, name]) => (
                <td key={key} className="px-0.5">
                  <input
                    type="number"
                    step="1"
                    aria-label={`${SURFACE_NAMES[one.surface]}, ${name}`}
                    className="w-14 rounded-field border border-base-300 bg-base-100 px-1 py-0.5 text-right [appearance:textfield]"
                    value={one[key]}
                    onFocus={() => onChoose(one.surface)}
                    onChange={(event) => {
                      const value = event.target.valueAsNumber
                      if (Number.isFinite(value))
                        onChange(changePiece(kit, one.surface, { [key]: value }))
                    }}
                  />
                </td>
              ))}
              <td>
                <button
                  type="button"
                  className="btn btn-ghost btn-square btn-xs"
                  aria-label={`Delete ${SURFACE_NAMES[one.surface]}`}
                  disabled={kit.pieces.length < 2}
                  onClick={() => remove(one.surface)}
                >
                  <X size={14} aria-hidden />
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {lacking.length > 0 && (
        <select
          aria-label="Add a piece"
          className="self-start rounded-field border border-base-300 bg-base-100 px-2 py-1 text-sm"
          value=""
          onChange={(event) => {
            const surface = event.target.value as Surface
            onChange(addPiece(kit, surface))
            onChoose(surface)
          }}
        >
          <option value="" disabled>
            Add a piece …
          </option>
          {lacking.map((surface) => (
            <option key={surface} value={surface}>
              {SURFACE_NAMES[surface]}
            </option>
          ))}
        </select>
      )}
      {piece && <PieceVoice key={piece.surface} piece={piece} kit={kit} onChange={onChange} />}
    </div>
  )
}

const KEYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

function movedByKey(piece: Piece, event: KeyboardEvent): Partial<Piece> | null {
  const way = KEYS[event.key]
  if (!way) return null
  event.preventDefault()
  const by = event.shiftKey ? 5 : 1
  return { x: piece.x + way[0] * by, y: piece.y + way[1] * by }
}

/** How a piece sounds, where it stands on the staff, and its MIDI note. */
function PieceVoice({
  piece,
  kit,
  onChange,
}: {
  piece: Piece
  kit: Kit
  onChange: (kit: Kit) => void
}) {
  const { surface } = piece
  const staff = piece.staff ?? STAFF_KEY[surface]
  const change = (changed: Partial<Piece>) => onChange(changePiece(kit, surface, changed))
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
      <label className="flex items-center gap-1.5">
        MIDI note
        <input
          type="number"
          min={0}
          max={127}
          className={`w-16 ${FIELD}`}
          value={piece.midi ?? MIDI_NOTES[surface]}
          onChange={(event) => {
            const midi = event.target.valueAsNumber
            if (Number.isInteger(midi) && midi >= 0 && midi <= 127) change({ midi })
          }}
        />
      </label>
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
