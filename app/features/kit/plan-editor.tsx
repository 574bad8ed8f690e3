import { type PointerEvent, useRef } from 'react'
import type { Kit } from '~/core/kit'
import { SURFACES, type Surface } from '~/core/sticking'
import { KitPlan, planBox } from '~/drawing/kit/kit-plan'
import { changePiece } from './kit-edits'

interface PlanEditorProps {
  readonly kit: Kit
  readonly chosen: Surface | null
  readonly onChoose: (surface: Surface) => void
  readonly onEdit: (by: (kit: Kit) => Kit, about?: string) => void
}

/** A piece in the hand, from where it was taken; one drag is one step of undo. */
interface Drag {
  readonly surface: Surface
  readonly dx: number
  readonly dy: number
  readonly scale: number
  readonly about: string
}

/** The plan with pieces that are dragged, in whole centimetres; by keyboard the list does the same. */
export function PlanEditor({ kit, chosen, onChoose, onEdit }: PlanEditorProps) {
  const drag = useRef<Drag | null>(null)
  const frozen = useRef<Kit | null>(null)

  const begin = (event: PointerEvent<HTMLDivElement>) => {
    const surface = surfaceAt(event.target)
    const piece = kit.pieces.find((one) => one.surface === surface)
    const svg = event.currentTarget.querySelector('svg')
    if (!piece || !svg) return
    const [box, shown] = [planBox(kit), svg.getBoundingClientRect()]
    // The plan is drawn as large as fits both ways.
    const scale = Math.max(box.width / shown.width, box.height / shown.height)
    drag.current = {
      surface: piece.surface,
      dx: piece.x - event.clientX * scale,
      dy: piece.y + event.clientY * scale,
      scale,
      about: `drag ${event.timeStamp}`,
    }
    frozen.current = kit
    event.currentTarget.setPointerCapture(event.pointerId)
    onChoose(piece.surface)
  }
  const move = (event: PointerEvent<HTMLDivElement>) => {
    if (!drag.current) return
    const { surface, dx, dy, scale, about } = drag.current
    const x = Math.round(dx + event.clientX * scale)
    const y = Math.round(dy - event.clientY * scale)
    onEdit((now) => changePiece(now, surface, { x, y }), about)
  }
  const end = () => {
    drag.current = null
    frozen.current = null
  }
  return (
    <div
      className="cursor-grab active:cursor-grabbing [&_[data-piece]]:touch-none"
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    >
      <KitPlan
        kit={kit}
        label={`${kit.name} from above`}
        chosen={chosen}
        size="large"
        {...(frozen.current && { boxOf: frozen.current })}
      />
    </div>
  )
}

const KNOWN: ReadonlySet<string> = new Set(SURFACES)

function surfaceAt(target: EventTarget): Surface | undefined {
  const found = target instanceof Element ? target.closest('[data-piece]') : null
  const surface = found?.getAttribute('data-piece') ?? ''
  return KNOWN.has(surface) ? (surface as Surface) : undefined
}
