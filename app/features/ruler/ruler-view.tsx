import { memo, type ReactNode, type RefObject, useDeferredValue, useMemo, useRef } from 'react'
import { type StaffView, toStaff } from '~/core/engraving'
import type { Lick } from '~/core/line'
import type { CountingSchool } from '~/core/time'
import { useNearView } from '~/ui/use-near-view'
import { STAFF_HEIGHT } from '../staff/draw-unit'
import { type Ruler, type RulerRow, toRuler } from './layout'
import { RowFigure, type RowHeights, RowLabels, rowHeights, rowParts } from './row-figure'
import { RowStaff } from './row-staff'
import { type RowView, rowKey, type Scene, toRowView, toScene } from './view'

interface RulerViewProps {
  readonly lick: Lick
  readonly width: number
  readonly school: CountingSchool
  readonly staffView: StaffView
  readonly selected: readonly number[]
  readonly onPick: (slot: number) => void
  /** Filled with the ruler as it stands, for the cursor that runs over it. */
  readonly rulerRef: RefObject<Ruler | null>
}

const LABELS_FROM = 620
const LABELS_WIDTH = 58

/**
 * A lick on its one ruler: count, stacks, sticking, limbs, voices and staff, row by row. Only rows
 * near the window are worked out; the staff follows what is typed a moment later.
 */
export function RulerView(props: RulerViewProps) {
  const { lick, width, school, staffView, selected, onPick, rulerRef } = props
  const labelled = width >= LABELS_FROM
  const ruler = useMemo(
    () => toRuler(lick, width - (labelled ? LABELS_WIDTH : 0)),
    [lick, width, labelled],
  )
  const scene = useMemo(() => toScene(lick, school), [lick, school])
  const heights = useMemo(() => rowHeights(scene, ruler.slotWidth), [scene, ruler.slotWidth])
  rulerRef.current = ruler

  const source = useDeferredValue(useMemo(() => ({ lick, ruler }), [lick, ruler]))
  const { beaming, groove } = staffView
  const staff = useMemo(() => toStaff(source.lick, { beaming, groove }), [source, beaming, groove])

  return (
    <div className="flex flex-col gap-6">
      {ruler.rows.map((row) => (
        <SystemRow
          key={row.index}
          row={row}
          ruler={ruler}
          scene={scene}
          heights={heights}
          labelled={labelled}
          selected={selected}
          onPick={onPick}
          staff={
            <RowStaff lick={source.lick} ruler={source.ruler} staff={staff} index={row.index} />
          }
        />
      ))}
    </div>
  )
}

const LANDING_VOICES = { crash: 'crash', stop: 'choke', groove: 'groove', none: '' } as const

interface SystemRowProps {
  readonly row: RulerRow
  readonly ruler: Ruler
  readonly scene: Scene
  readonly heights: RowHeights
  readonly labelled: boolean
  readonly selected: readonly number[]
  readonly onPick: (slot: number) => void
  readonly staff: ReactNode
}

/** One row with all that stands over one stretch of time; empty, at its height, while out of sight. */
function SystemRow({
  row,
  ruler,
  scene,
  heights,
  labelled,
  selected,
  onPick,
  staff,
}: SystemRowProps) {
  const host = useRef<HTMLDivElement>(null)
  const near = useNearView(host)
  const viewOf = useRowView()
  const height = rowParts(heights).height + STAFF_HEIGHT
  const landing = row.segments.find(({ kind }) => kind === 'landing')
  return (
    <div ref={host} className="flex contain-content" style={{ height }}>
      {labelled && (
        <div className="shrink-0" style={{ width: LABELS_WIDTH }}>
          <Labels heights={heights} />
        </div>
      )}
      <div className="relative" style={{ width: row.width }} data-row={row.index}>
        {landing && (
          <div
            className="absolute inset-y-0 rounded-md bg-(--landing)"
            style={{ left: landing.x + 4, width: landing.width - 4 }}
          />
        )}
        {near && (
          <div className="relative">
            <RowFigure
              view={viewOf(scene, ruler, row)}
              heights={heights}
              slotWidth={ruler.slotWidth}
              landingVoice={LANDING_VOICES[scene.lick.frame.landing.kind]}
              selected={selected}
              onPick={onPick}
            />
            {staff}
          </div>
        )}
        <div
          className="pointer-events-none absolute top-0 left-0 hidden h-full w-7 rounded-md bg-(--cursor)"
          data-cursor
        />
      </div>
    </div>
  )
}

/** The view of a row, made anew only when something in it has changed. */
function useRowView() {
  const last = useRef<{ key: string; view: RowView } | undefined>(undefined)
  return (scene: Scene, ruler: Ruler, row: RulerRow): RowView => {
    const key = rowKey(scene, ruler, row)
    if (last.current?.key !== key) last.current = { key, view: toRowView(scene, ruler, row) }
    return last.current.view
  }
}

const Labels = memo(RowLabels, (before, after) => before.heights === after.heights)
