import { type ReactNode, useMemo } from 'react'
import { type Kit, numberedPieces, pieceAt } from '~/core/kit'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import { bareKey } from '~/ui/keys'
import { KitPlan, planBox } from './kit-plan'

interface PlanButtonsProps {
  readonly kit: Kit
  readonly label: string
  /** What striking a piece does, as a word before its name: `Put on`. */
  readonly verb: string
  readonly disabled?: boolean
  readonly marked?: ReadonlySet<Surface>
  readonly onStrike: (surface: Surface) => void
  readonly children?: ReactNode
}

/** A plan whose pieces can be struck by mouse, touch and keyboard; digits strike them by number. */
export function PlanButtons(props: PlanButtonsProps) {
  const { kit, label, verb, disabled = false, marked, onStrike, children } = props
  const box = planBox(kit)
  const pieces = useMemo(() => numberedPieces(kit), [kit])
  return (
    <fieldset
      className="relative min-w-0"
      aria-label={`${label}, digits strike`}
      onKeyDown={(event) => {
        const piece = pieceAt(kit, bareKey(event))
        if (!piece || disabled) return
        onStrike(piece.surface)
        // Nothing else that goes by digits takes it for its own.
        event.stopPropagation()
      }}
    >
      <KitPlan kit={kit} label={label} numbered {...(marked && { marked })}>
        {children}
      </KitPlan>
      {pieces.map(({ surface, x, y, diameter }, i) => (
        <button
          key={surface}
          type="button"
          disabled={disabled}
          aria-label={`${verb} ${SURFACE_NAMES[surface]}`}
          title={`${SURFACE_NAMES[surface]}${i < 10 ? ` (${(i + 1) % 10})` : ''}`}
          className="absolute -translate-x-1/2 -translate-y-1/2 cursor-pointer rounded-full hover:bg-(--cursor) disabled:cursor-default disabled:bg-transparent"
          style={{
            left: `${((x - box.x) / box.width) * 100}%`,
            top: `${((-y - box.y) / box.height) * 100}%`,
            width: `${(diameter / box.width) * 100}%`,
            height: `${(diameter / box.height) * 100}%`,
          }}
          onClick={() => onStrike(surface)}
        />
      ))}
    </fieldset>
  )
}
