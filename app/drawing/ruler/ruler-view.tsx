import { memo, type ReactNode, type RefObject, useDeferredValue, useMemo, useRef } from 'react'
import type { Phrase, SlotRange } from '~/core/changes'
import type { StaffView } from '~/core/engraving'
import { keepEqual } from '~/core/foundation'
import type { PatternPlace } from '~/core/groove'
import type { Lick } from '~/core/line'
import type { Move } from '~/core/playability'
import type { Limb } from '~/core/sticking'
import type { CountingSystem, Ticks } from '~/core/time'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { useNearRows } from '~/ui/use-near-rows'
import type { ContourPoints } from '~/workspace/contour'
import { STAFF_HEIGHT } from '../staff/geometry'
import { useKeepEqual } from '../use-keep-equal'
import { type Ruler, type RulerRow, rulerFacts, rulerOf, xOf } from './layout'
import { patternName, type Under } from './patterns'
import { RowContour } from './row-contour'
import { RowEndings } from './row-endings'
import { RowFigure } from './row-figure'
import { RowHeadroom } from './row-headroom'
import { COUNT_BASELINE, LANE, PATTERN, type RowHeights, rowHeights, rowParts } from './row-heights'
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
  /** The contour that is drawn over it; null while none is. */
  readonly contour: ContourPoints | null
  /** Ways to end the line, shown where it would go on. */
  readonly endings: readonly Phrase[]
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
  const { selection, gestures, bottleneck, headroom, contour, endings, rulerRef } = props
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
      className={`flex flex-col ${contour ? 'touch-none cursor-crosshair' : 'touch-pan-y'}`}
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
            {endings.length > 0 && (
              <RowEndings endings={endings} lick={lick} ruler={ruler} row={row} />
            )}
            {contour && (
              <RowContour
                points={contour}
                scene={scene}
                ruler={ruler}
                row={row}
                height={rowParts(heights).height}
              />
            )}
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

/** The move of a limb that sets the speed limit. */
interface Bottleneck {
  readonly limb: Limb
  readonly fromTick: Ticks
  readonly toTick: Ticks
}

interface RowBottleneckProps {
  readonly bottleneck: Bottleneck | null
  readonly ruler: Ruler
  readonly row: RulerRow
  readonly heights: RowHeights
}

/** A bracket under the limb's line from the one stroke to the other, in the rows that have them. */
const RowBottleneck = memo(function RowBottleneck({
  bottleneck,
  ruler,
  row,
  heights,
}: RowBottleneckProps) {
  const lane = bottleneck ? heights.lanes.indexOf(bottleneck.limb) : -1
  if (!bottleneck || lane < 0) return null
  const { fromTick, toTick } = bottleneck
  if (toTick < row.from || fromTick >= row.to) return null
  const from = xOf(ruler, row, Math.max(fromTick, row.from)) ?? 0
  const to = xOf(ruler, row, toTick) ?? row.width
  const y = rowParts(heights).lanesTop + lane * LANE + 12
  return (
    <svg
      className="pointer-events-none absolute top-0 left-0"
      width={row.width}
      height={y + 8}
      aria-hidden="true"
      data-bottleneck
    >
      <path
        d={`M${from} ${y}v4H${to}v-4`}
        fill="none"
        stroke="var(--color-primary)"
        strokeWidth="2"
      />
    </svg>
  )
})

const LANE_NAMES: Readonly<Record<Limb, string>> = {
  RH: 'right',
  LH: 'left',
  XH: 'either',
  RF: 'kick',
  LF: 'foot',
}

/** The names of the rows, in the margin. */
const RowLabels = memo(function RowLabels({ heights }: { heights: RowHeights }) {
  const parts = rowParts(heights)
  return (
    <svg
      width="52"
      height={parts.height}
      className="paint-alone shrink-0 text-[11px]"
      fill="var(--quiet)"
      aria-hidden="true"
    >
      <text x="0" y={COUNT_BASELINE}>
        count
      </text>
      <text x="0" y={parts.lettersBaseline}>
        sticking
      </text>
      {heights.swells > 0 && (
        <text x="0" y={parts.swellsMiddle + 4}>
          swell
        </text>
      )}
      {heights.lanes.map((limb, i) => (
        <text key={limb} x="0" y={parts.lanesTop + i * LANE + 12}>
          {LANE_NAMES[limb]}
        </text>
      ))}
      <text x="0" y={parts.voicesBaseline}>
        voices
      </text>
      {heights.patterns.map((pattern, i) => (
        <text key={pattern} x="0" y={parts.patternsTop + i * PATTERN + 14}>
          {patternName(pattern)}
        </text>
      ))}
    </svg>
  )
})
