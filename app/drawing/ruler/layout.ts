import { aimOf, type Frame, frameTicks, type Lick, pickupGrid, pickupSlots } from '~/core/line'
import { barTicks, beatWindows, gridTicks, type Ticks } from '~/core/time'

/** A stretch of the ruler. A tick's x is the segment's own x plus its ticks, scaled. */
export interface Segment {
  readonly kind: 'lead' | 'bar' | 'landing'
  readonly from: Ticks
  readonly to: Ticks
  readonly x: number
  readonly width: number
  /** Whether the segment begins and ends on a barline. */
  readonly opensBar: boolean
  readonly closesBar: boolean
}

/** One row of the ruler, as wide as the page allows. */
export interface RulerRow {
  readonly index: number
  readonly segments: readonly Segment[]
  readonly from: Ticks
  readonly to: Ticks
  readonly width: number
}

/** The one ruler: where every instant lies, in pixels, in every row of the page. */
export interface Ruler {
  readonly rows: readonly RulerRow[]
  readonly pixelsPerTick: number
  /** Width of the narrowest slot. */
  readonly slotWidth: number
  /** From a segment's edge to its first instant. */
  readonly inset: number
}

const WIDEST_SLOT = 62
const NARROWEST_SLOT = 22
const LEAD_WIDTH = 76
const NARROW_LEAD_WIDTH = 40
const LANDING_WIDTH = 58
/** Below this width of page, margins shrink. */
const NARROW_PAGE = 560

/** All of a lick that its ruler depends on: most keys change nothing of it. */
export interface RulerFacts {
  readonly meter: Frame['meter']
  readonly start: Ticks
  /** Where its pick-up begins, at most a bar before bar 1; the start without one. */
  readonly begins: Ticks
  /** Bars of groove before it. */
  readonly lead: number
  readonly bars: number
  /** Whether it lands at all. */
  readonly lands: boolean
  /** Where the line is to land. */
  readonly target: Ticks
  /** The narrowest slot. */
  readonly narrow: Ticks
}

/** What the ruler of a lick depends on. */
export function rulerFacts(lick: Lick): RulerFacts {
  const { frame } = lick
  const { end, target } = aimOf(lick)
  const bars = Math.max(1, Math.ceil(Math.max(end, target) / frameTicks(frame).bar))
  const { meter, start, lead, landing } = frame
  const lands = landing.kind !== 'none'
  const begins = Math.max(pickupSlots(lick)[0]?.tick ?? start, -frameTicks(frame).bar)
  return { meter, start, begins, lead, bars, lands, target, narrow: narrowestTicks(lick) }
}

/** Lays a lick out on a page of some width: whole bars in a row where they fit, else parts of bars. */
export function toRuler(lick: Lick, pageWidth: number): Ruler {
  return rulerOf(rulerFacts(lick), pageWidth)
}

/** The same, by what the ruler depends on alone. */
export function rulerOf(facts: RulerFacts, pageWidth: number): Ruler {
  const { start, bars, target, narrow } = facts
  const bar = barTicks(facts.meter)
  // Nothing is folded away where the pick-up is drawn from before bar 1.
  const leads = facts.lead > 0 || (start > 0 && facts.begins >= 0)
  const lead = leads ? (pageWidth < NARROW_PAGE ? NARROW_LEAD_WIDTH : LEAD_WIDTH) : 0
  const inner = Math.max(120, pageWidth - lead - LANDING_WIDTH)
  const pieces = cutBars(facts, Math.max(1, Math.floor((inner / NARROWEST_SLOT) * narrow)))
  if (facts.begins < 0) pieces[0]?.unshift({ from: facts.begins, to: 0 })
  const longest = Math.max(...pieces.map((row) => rowTicks(row)))
  const pixelsPerTick = Math.min(WIDEST_SLOT / narrow, inner / longest)
  const landsOutside = facts.lands && target >= bars * bar

  const rows = pieces.map((row, index): RulerRow => {
    const segments: Segment[] = []
    let x = 0
    if (index === 0 && lead > 0) {
      const to = row[0]?.from ?? 0
      const from = -facts.lead * bar
      segments.push({ kind: 'lead', from, to, x, width: lead, opensBar: true, closesBar: true })
    }
    x = lead
    for (const { from, to } of row) {
      const width = (to - from) * pixelsPerTick
      segments.push({
        kind: 'bar',
        from,
        to,
        x,
        width,
        opensBar: from % bar === 0 && from >= 0,
        closesBar: to % bar === 0,
      })
      x += width
    }
    const end = row.at(-1)?.to ?? 0
    if (index === pieces.length - 1 && landsOutside) {
      segments.push({
        kind: 'landing',
        from: end,
        to: end + bar,
        x,
        width: LANDING_WIDTH,
        opensBar: true,
        closesBar: true,
      })
      x += LANDING_WIDTH
    }
    return { index, segments, from: row[0]?.from ?? 0, to: end, width: x }
  })
  const slotWidth = narrow * pixelsPerTick
  return { rows, pixelsPerTick, slotWidth, inset: Math.min(slotWidth, WIDEST_SLOT) / 2 }
}

/** Where an instant of a bar lies in a row; undefined where the row does not have it. */
export function xOf(ruler: Ruler, row: RulerRow, tick: number): number | undefined {
  const segment = row.segments.find(
    ({ kind, from, to }) => kind !== 'lead' && tick >= from && tick < to,
  )
  if (!segment) return undefined
  return (
    segment.x +
    ruler.inset +
    (segment.kind === 'bar'
      ? (tick - segment.from) * ruler.pixelsPerTick
      : LANDING_WIDTH / 2 - ruler.inset)
  )
}

/** The landing behind a row; undefined where the lick lands in another, or within its bars. */
export function landingOf(row: RulerRow): Segment | undefined {
  return row.segments.find(({ kind }) => kind === 'landing')
}

/** The shortest slot of the line; a squeeze of three or more asks for a little more room. */
function narrowestTicks(lick: Lick): Ticks {
  const { slots, gridChanges } = lick.line
  let ticks = gridTicks(lick.frame.grid)
  let narrow = lick.pickup.slots.length > 0 ? Math.min(ticks, gridTicks(pickupGrid(lick))) : ticks
  let change = gridChanges[0]
  let next = 1
  slots.forEach((slot, i) => {
    if (change?.at === i) {
      ticks = gridTicks(change.grid)
      change = gridChanges[next++]
    }
    const parts = slot.kind === 'squeeze' ? slot.parts.length : 0
    narrow = Math.min(narrow, parts > 2 ? (2 * ticks) / parts : ticks)
  })
  return narrow
}

interface Piece {
  readonly from: Ticks
  readonly to: Ticks
}

function rowTicks(row: readonly Piece[]): Ticks {
  return row.reduce((sum, { from, to }) => sum + to - from, 0)
}

/** Packs bars into rows of at most `most` ticks; a bar that is longer is cut at its beats. */
function cutBars({ meter, begins, bars }: RulerFacts, most: Ticks): Piece[][] {
  const bar = barTicks(meter)
  if (bar <= most) {
    const perRow = evenRows(bars, Math.floor(most / bar))
    return Array.from({ length: Math.ceil(bars / perRow) }, (_, row) =>
      Array.from({ length: Math.min(perRow, bars - row * perRow) }, (_, i) => {
        const from = (row * perRow + i) * bar
        return { from, to: from + bar }
      }),
    )
  }
  const windows = beatWindows(meter)
  const perRow = evenRows(windows.length, Math.max(1, Math.floor((most / bar) * windows.length)))
  const pieces: Piece[][] = []
  for (let index = 0; index < bars; index += 1) {
    for (let i = 0; i < windows.length; i += perRow) {
      const last = windows[Math.min(windows.length, i + perRow) - 1]
      const from = index * bar + (windows[i]?.from ?? 0)
      const to = index * bar + (last?.to ?? bar)
      // Rows of nothing but groove fold into the lead-in's column.
      if (to > begins) pieces.push([{ from, to }])
    }
  }
  return pieces
}

/** As many a row as fit, but evenly: five where four fit go as three and two. */
function evenRows(count: number, fit: number): number {
  const rows = Math.ceil(count / Math.max(1, Math.min(count, fit)))
  return Math.ceil(count / rows)
}
