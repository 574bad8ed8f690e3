import {
  findOwnGrooves,
  formatLayer,
  parseLickText,
  type TextIssue,
  toOwnGrooveRow,
} from '~/codecs/lick-text'
import { mapStrokes } from '~/core/changes'
import { fail, isEqual, ok, type Result } from '~/core/foundation'
import { type Groove, type Pattern, type PatternId, patternOf, toGroove } from '~/core/groove'
import {
  frameTicks,
  type Lick,
  type Line,
  lineTicks,
  OSTINATO_SCOPES,
  type Ostinato,
  type OstinatoScope,
} from '~/core/line'
import { formatLine } from '~/core/notation'
import { isHand, REST, type SlotContent } from '~/core/sticking'
import { type Grid, gridName, gridTicks, meterName } from '~/core/time'
import type { Edit } from './edits'

const CHANGED = ', changed'

/**
 * Reads a layer as it is typed, on the grid of its lick where it tells none; it sounds under groove and
 * line. Fails with what a text of it would be refused for. Example: `@1/4 H`.
 */
export function readLayer(typed: string, { frame }: Lick): Result<Ostinato, TextIssue[]> {
  const read = parseLickText(`grid: ${gridName(frame.grid)}\nunder: ${typed}`)
  if (!read.ok) return read
  const [layer] = read.value.lick.ostinatos
  return layer ? ok(layer) : fail([])
}

/** A layer added under the line as it is typed; null where it cannot be read, or is there already. */
export function addLayer(lick: Lick, typed: string, label: string): Edit | null {
  const read = readLayer(typed, lick)
  if (!read.ok) return null
  const [, value] = formatLayer(read.value, lick.frame.grid)
  const there = lick.ostinatos.some((layer) => formatLayer(layer, lick.frame.grid)[1] === value)
  return there ? null : withOstinatos(lick, [...lick.ostinatos, read.value], label)
}

/**
 * The hands of the groove as a layer under the line alone, so that they go on above a fill of the feet; null where
 * no hand plays in the groove, or they go on already.
 */
export function grooveHands(lick: Lick, grooves: readonly Groove[]): Edit | null {
  const groove = patternOf(lick, 'groove', grooves)
  if (!groove) return null
  const slots = mapStrokes(groove.line.slots, (stroke) => (isHand(stroke.letter) ? stroke : null))
  if (slots.every(({ kind }) => kind === 'rest')) return null
  const layer: Ostinato = { ...groove, scope: 'fill', line: { ...groove.line, slots } }
  const same = (one: Ostinato) =>
    isEqual([one.scope, one.grid, one.line], [layer.scope, layer.grid, layer.line])
  if (lick.ostinatos.some(same)) return null
  return withOstinatos(lick, [...lick.ostinatos, layer], 'Keep the hands of the groove')
}

/** A layer replaced by another; null takes it away. `at` counts from 0. */
export function replaceOstinato(lick: Lick, at: number, layer: Ostinato | null): Edit {
  const others = lick.ostinatos.flatMap((one, i) => (i !== at ? [one] : layer ? [layer] : []))
  return withOstinatos(lick, others, layer ? `Layer ${at + 1}` : `Remove layer ${at + 1}`)
}

/** A layer that sounds under groove and line, under the line alone, or under the groove alone. */
export function scopeOstinato(lick: Lick, at: number, scope: OstinatoScope): Edit {
  const layer = lick.ostinatos[at]
  return replaceOstinato(lick, at, layer ? { ...layer, scope } : null)
}

/** A pattern put in place of what goes round; a layer without slots goes. See `withGrooveBar`. */
export function withPattern(
  lick: Lick,
  id: PatternId,
  pattern: Pattern,
  grooves: readonly Groove[],
  newId: () => string,
): Edit {
  if (id === 'groove') return withGrooveBar(lick, pattern, grooves, newId)
  const layer = lick.ostinatos[id]
  const empty = pattern.line.slots.length === 0
  return replaceOstinato(lick, id, layer && !empty ? { ...layer, ...pattern } : null)
}

/**
 * The groove of a lick with another bar. The text of the lick carries it, so that a groove that ships, or
 * that is used elsewhere, stays as it is; what the text carries already is changed there. A bar that
 * does not fill the metre's is a RangeError. Example: a change of `eighths` makes "Eighths, changed".
 */
export function withGrooveBar(
  lick: Lick,
  pattern: Pattern,
  grooves: readonly Groove[],
  newId: () => string,
): Edit {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const length = lineTicks(pattern.line, pattern.grid)
  if (length !== bar) throw new RangeError(`groove of ${length} ticks: its bar has ${bar}`)
  const now = toGroove(frame.groove, grooves)
  const id = now.carried ? now.id : newId()
  const name = now.name.endsWith(CHANGED) ? now.name : `${now.name}${CHANGED}`
  const row = toOwnGrooveRow({
    id,
    name,
    meter: meterName(frame.meter),
    grid: gridName(pattern.grid),
    line: formatLine(pattern.line),
  })
  // What the text carries of the groove before is not needed any more.
  const others = lick.unknown.filter((one) =>
    findOwnGrooves([one]).every((carried) => carried.id !== now.id),
  )
  return {
    label: 'Groove',
    lick: { ...lick, frame: { ...frame, groove: id }, unknown: [...others, row] },
  }
}

/**
 * A pattern on another grid. A layer keeps its slots, which then come faster or slower; a groove keeps
 * its instants, since it is a bar, and null where one of them does not lie on the grid.
 * Example: the layer `@1/4 H` on eighths is `@1/8 H`; a groove on eighths has rests between on sixteenths.
 */
export function regridPattern(
  lick: Lick,
  id: PatternId,
  grid: Grid,
  grooves: readonly Groove[],
): Pattern | null {
  const pattern = patternOf(lick, id, grooves)
  if (!pattern) return null
  if (id !== 'groove') return { grid, line: { ...pattern.line, gridChanges: [] } }
  const { line } = pattern
  const [old, now] = [gridTicks(pattern.grid), gridTicks(grid)]
  if (line.gridChanges.length > 0) return null
  const count = (line.slots.length * old) / now
  if (!Number.isInteger(count)) return null
  const slots: SlotContent[] = Array.from({ length: count }, () => REST)
  for (const [i, content] of line.slots.entries()) {
    if (content.kind === 'rest') continue
    const at = (i * old) / now
    // Strokes in one slot keep their instants only where the slot stays as long as it is.
    if (!Number.isInteger(at) || (content.kind === 'squeeze' && old !== now)) return null
    slots[at] = content
  }
  return { grid, line: { slots, groups: regrouped(line, old, now, count), gridChanges: [] } }
}

/** The groups of a line on another grid, where their bounds lie on it; else one group. */
function regrouped({ groups }: Line, old: number, now: number, count: number): number[] {
  const sizes = groups.map((size) => (size * old) / now)
  return sizes.every(Number.isInteger) ? sizes : [count]
}

/** In the order in which a text has its rows, so that a layer keeps its number. */
function withOstinatos(lick: Lick, layers: readonly Ostinato[], label: string): Edit {
  const ostinatos = OSTINATO_SCOPES.flatMap((scope) =>
    layers.filter((layer) => layer.scope === scope),
  )
  return { label, lick: { ...lick, ostinatos } }
}
