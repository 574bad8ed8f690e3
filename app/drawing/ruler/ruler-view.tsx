import { memo, type ReactNode, type RefObject, useDeferredValue, useMemo, useRef } from 'react'
import type { SlotRange } from '~/core/changes'
import type { StaffView } from '~/core/engraving'
import { keepEqual } from '~/core/foundation'
import type { PatternPlace } from '~/core/groove'
import type { Lick } from '~/core/line'
import type { Move } from '~/core/playability'
import type { CountingSystem } from '~/core/time'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { useNearRows } from '~/ui/use-near-rows'
import { STAFF_HEIGHT } from '../staff/geometry'
import { useKeepEqual } from '../use-keep-equal'
import { type Ruler, type RulerRow, rulerFacts, rulerOf } from './layout'
import type { Under } from './patterns'
import { type Bottleneck, RowBottleneck } from './row-bottleneck'
import { RowFigure } from './row-figure'
import { RowHeadroom } from './row-headroom'
import { type RowHeights, rowHeights, rowParts } from './row-heights'
import { RowLabels } from './row-labels'
import { RowSelection } from './row-selection'
import { type PressedRow, type RulerGestures, useSlotPointer } from './use-slot-pointer'
import { landingVoice, type RowView, rowKey, type Scene, toRowView, toScene } from './view'

interface RulerViewProps {
  readonly lick: Lick
  readonly width: number
  /** Only count, stacks, sticking and voices, where there is little room. */
  readonly compact: boolean
  /** Whether it is what an offer would make of the line. */
  readonly ghost: boolean
  /** The row that keys are typed in, while the ruler has the focus; else null. */
  readonly edited: PressedRow | null
  /** The slot of a pattern under the line that has the keys; null for none. */
  readonly place: PatternPlace | null
  /** What goes round under the line and is shown. */
  readonly under: Under
  readonly counting: CountingSystem
  readonly staffView: StaffView
  readonly selection: SlotRange | null
  readonly gestures: RulerGestures
  /** What sets the speed limit; null where nothing does. */
  readonly bottleneck: Bottleneck | null
  /** The moves whose headroom is shown, and at which tempo; null where it is not. */
  readonly headroom: { readonly moves: readonly Move[]; readonly tempo: number } | null
  /** Filled with the ruler as it stands, for the cursor that runs over it. */
  readonly rulerRef: RefObject<Ruler | null>
}

const RowStaff = lazyComponent(async () => (await import('./row-staff')).default)

const LABELS_FROM = 620
const LABELS_WIDTH = 58
/** Between one row and the next, in pixels. */
const ROW_GAP = 16

/**
 * A lick on its one ruler: count, stacks, sticking, limbs, voices and staff, row by row. Only rows near the
 * window are worked out and on the page, so that a long line costs no more than a short one; the staff follows
 * what is typed a moment later.
 */
export function RulerView(props: RulerViewProps) {
  const { lick, width, compact, ghost, edited, place, under, counting, staffView } = props
  const { selection, gestures, bottleneck, headroom, rulerRef } = props
  const labelled = width >= LABELS_FROM
  const host = useRef<HTMLDivElement>(null)
  const facts = useKeepEqual(useMemo(() => rulerFacts(lick), [lick]))
  const ruler = useMemo(
    () => rulerOf(facts, width - (labelled ? LABELS_WIDTH : 0)),
    [facts, width, labelled],
  )
  const scene = useMemo(() => toScene(lick, counting, under), [lick, counting, under])
  const heights = useKeepEqual(
    useMemo(() => rowHeights(scene, ruler.slotWidth, compact), [scene, ruler.slotWidth, compact]),
  )
  rulerRef.current = ruler
  const pointer = useSlotPointer(scene, ruler, heights, gestures)

  const height = rowParts(heights).height + (compact ? 0 : STAFF_HEIGHT)
  const near = useNearRows(host, { count: ruler.rows.length, height, gap: ROW_GAP })
  const source = useDeferredValue(useMemo(() => ({ lick, ruler }), [lick, ruler]))

  return (
    <div
      ref={host}
      className="flex touch-pan-y flex-col"
      style={near.style}
      data-ghost={ghost || undefined}
      data-pitch={height + ROW_GAP}
      {...pointer}
    >
      {ruler.rows.slice(near.from, near.to).map((row) => (
        <SystemRow key={row.index} row={row} height={height} heights={heights} labelled={labelled}>
          <div className="relative">
            <RowSelection
              scene={scene}
              ruler={ruler}
              row={row}
              range={selection}
              heights={heights}
              edited={edited}
              place={compact ? null : place}
              ghost={ghost}
            />
            <RowDrawing scene={scene} ruler={ruler} row={row} heights={heights} />
            <RowBottleneck bottleneck={bottleneck} ruler={ruler} row={row} heights={heights} />
            <RowHeadroom
              moves={headroom?.moves ?? null}
              tempo={headroom?.tempo ?? 0}
              ruler={ruler}
              row={row}
              heights={heights}
            />
            {!compact && (
              <LoadBoundary what="The staff">
                <RowStaff {...source} view={staffView} index={row.index} />
              </LoadBoundary>
            )}
          </div>
        </SystemRow>
      ))}
    </div>
  )
}

interface SystemRowProps {
  readonly row: RulerRow
  readonly height: number
  readonly heights: RowHeights
  readonly labelled: boolean
  readonly children: ReactNode
}

/** The frame of one row: its names, its landing, its cursor. */
const SystemRow = memo(function SystemRow(props: SystemRowProps) {
  const { row, height, heights, labelled, children } = props
  const landing = row.segments.find(({ kind }) => kind === 'landing')
  return (
    <div
      className="flex contain-content"
      style={{ height }}
      data-system={row.index}
      data-parts={JSON.stringify(rowParts(heights))}
    >
      {labelled && (
        <div className="shrink-0" style={{ width: LABELS_WIDTH }}>
          <RowLabels heights={heights} />
        </div>
      )}
      <div className="relative" style={{ width: row.width }} data-row={row.index}>
        {landing && (
          <div
            className="absolute inset-y-0 rounded-md bg-(--landing)"
            style={{ left: landing.x + 4, width: landing.width - 4 }}
          />
        )}
        {children}
        <div
          className="pointer-events-none absolute top-0 left-0 hidden h-full w-7 rounded-md bg-(--cursor)"
          data-cursor
        />
      </div>
    </div>
  )
})

interface RowDrawingProps {
  readonly scene: Scene
  readonly ruler: Ruler
  readonly row: RulerRow
  readonly heights: RowHeights
}

/** The drawing of a row, worked out anew only when something in the row has changed. */
function RowDrawing({ scene, ruler, row, heights }: RowDrawingProps) {
  const last = useRef<{ key: string; view: RowView } | undefined>(undefined)
  const key = rowKey(scene, ruler, row)
  if (last.current?.key !== key) {
    last.current = { key, view: keepEqual(last.current?.view, toRowView(scene, ruler, row)) }
  }
  const { view } = last.current
  return (
    <RowFigure
      view={view}
      heights={heights}
      slotWidth={ruler.slotWidth}
      landingVoice={view.landing ? landingVoice(scene.lick) : ''}
    />
  )
}
