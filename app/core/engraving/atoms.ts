import { type Groove, grooveEvents } from '../groove'
import {
  aimOf,
  frameTicks,
  type Lick,
  lickSlots,
  lineTicks,
  NO_GROOVE,
  type TimedSlot,
  timedSlots,
} from '../line'
import type { Rest, SlotContent, Stroke, Struck } from '../sticking'
import { toStroke } from '../sticking'
import { type Grid, gridTicks, type Ticks, TUPLET_RATIOS } from '../time'
import { beatWindows, type Window, windowAt } from './windows'

/** What a note's value is squeezed by: `notes` in the time of `inTimeOf`, as one bracket. */
export interface Bracket {
  readonly id: string
  readonly notes: number
  readonly inTimeOf: number
}

/** The smallest thing that is engraved: strokes, a rest, or a slash for groove, with its value. */
export interface Atom {
  readonly tick: Ticks
  readonly ticks: Ticks
  readonly kind: 'strokes' | 'rest' | 'slash'
  readonly strokes: readonly Stroke[]
  /** The note value under any brackets: 8 is an eighth. */
  readonly value: number
  readonly dots: 0 | 1
  readonly brackets: readonly Bracket[]
  /** The group it belongs to; null outside the line. */
  readonly group: number | null
  readonly slot: number | null
}

/** Squeezes at their real value: how many times shorter the written value is. */
const SQUEEZED: Readonly<Record<number, { shorter: number; inTimeOf: number }>> = {
  2: { shorter: 2, inTimeOf: 2 },
  3: { shorter: 2, inTimeOf: 2 },
  4: { shorter: 4, inTimeOf: 4 },
  5: { shorter: 4, inTimeOf: 4 },
  6: { shorter: 4, inTimeOf: 4 },
  7: { shorter: 4, inTimeOf: 4 },
  8: { shorter: 8, inTimeOf: 8 },
}
const SHORTEST_VALUE = 256

/** The atoms of the line, slot by slot. */
export function lineAtoms(lick: Lick): Atom[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const windows = beatWindows(frame.meter)
  return sameGridRuns(lickSlots(lick), bar).flatMap((run) => {
    const brackets = runBrackets(run, bar, windows)
    return run.flatMap((slot) =>
      slotAtoms(slot.content, {
        tick: slot.tick,
        ticks: slot.ticks,
        value: slot.grid.value,
        brackets: brackets(slot.tick),
        group: slot.group,
        slot: slot.index,
      }),
    )
  })
}

/** Slots cut where the grid changes and at barlines. */
function sameGridRuns(slots: readonly TimedSlot[], bar: Ticks): TimedSlot[][] {
  const runs: TimedSlot[][] = []
  for (const slot of slots) {
    const run = runs.at(-1)
    const last = run?.at(-1)
    const goes = last && last.grid === slot.grid && barOf(last.tick, bar) === barOf(slot.tick, bar)
    if (run && goes) run.push(slot)
    else runs.push([slot])
  }
  return runs
}

function barOf(tick: Ticks, bar: Ticks): number {
  return Math.floor(tick / bar)
}

/**
 * How the slots of a run are bracketed: from the barline where they lie on it, else from where
 * they begin. Two threes of triplets that fill one beat's window are written as a six.
 */
function runBrackets(
  run: readonly TimedSlot[],
  bar: Ticks,
  windows: readonly Window[],
): (tick: Ticks) => Bracket[] {
  const [first, last] = [run[0] as TimedSlot, run.at(-1) as TimedSlot]
  const { value, tuplet } = first.grid
  if (tuplet === null) return () => []
  const { notes, inTimeOf } = TUPLET_RATIOS[tuplet]
  const barStart = barOf(first.tick, bar) * bar
  const origin = (first.tick - barStart) % first.ticks === 0 ? barStart : first.tick
  const unit = first.ticks * notes
  const end = last.tick + last.ticks
  return (tick) => {
    const index = Math.floor((tick - origin) / unit)
    const pair = origin + Math.floor(index / 2) * 2 * unit
    const window = windowAt(windows, pair - barStart)
    const whole =
      pair >= first.tick && pair + 2 * unit <= end && pair + 2 * unit <= barStart + window.to
    if (tuplet === 't' && value >= 16 && whole)
      return [{ id: `six ${pair}`, notes: 6, inTimeOf: 4 }]
    return [{ id: `${origin} ${value}${tuplet} ${index}`, notes, inTimeOf }]
  }
}

type SlotPlace = Pick<Atom, 'tick' | 'ticks' | 'value' | 'brackets' | 'group' | 'slot'>

function slotAtoms(content: SlotContent, place: SlotPlace): Atom[] {
  if (content.kind !== 'squeeze') return [toAtom(content, place)]
  const count = content.parts.length
  const { shorter, inTimeOf } = SQUEEZED[count] as { shorter: number; inTimeOf: number }
  const bracket = { id: `squeeze ${place.tick}`, notes: count, inTimeOf }
  const brackets = count === inTimeOf ? place.brackets : [...place.brackets, bracket]
  return content.parts.map((part, i) => {
    const tick = place.tick + Math.floor((i * place.ticks) / count)
    const next = place.tick + Math.floor(((i + 1) * place.ticks) / count)
    const value = Math.min(SHORTEST_VALUE, place.value * shorter)
    return toAtom(part, { ...place, tick, ticks: next - tick, value, brackets })
  })
}

function toAtom(content: Rest | Struck, place: SlotPlace): Atom {
  const strokes = content.kind === 'struck' ? content.strokes : []
  return { ...place, kind: strokes.length > 0 ? 'strokes' : 'rest', strokes, dots: 0 }
}

/** The strokes of each layer under the line, with the values of their own grids. */
export function layerAtoms(lick: Lick): Atom[] {
  const { target } = aimOf(lick)
  return lick.layers.flatMap((layer) => {
    const length = lineTicks(layer.line, layer.grid)
    const from = layer.scope === 'fill' ? lick.frame.start : 0
    const first = layer.scope === 'fill' ? 0 : -lick.frame.lead * frameTicks(lick.frame).bar
    const once = timedSlots(layer.line, layer.grid, 0)
    const atoms: Atom[] = []
    for (let round = first; round < target; round += length) {
      for (const slot of once) {
        const tick = round + slot.tick
        if (tick < from || tick >= target) continue
        const place = {
          tick,
          ticks: slot.ticks,
          value: slot.grid.value,
          brackets: [],
          group: null,
          slot: null,
        }
        atoms.push(...slotAtoms(slot.content, place).filter(({ kind }) => kind === 'strokes'))
      }
    }
    return atoms
  })
}

/** The groove's strokes in the fill's bar before it falls silent, as they are. */
export function grooveAtoms(lick: Lick, own: readonly Groove[]): Atom[] {
  const { frame } = lick
  const until = frame.stop ?? frame.start
  if (frame.groove === NO_GROOVE) return []
  const byTick = new Map<Ticks, Atom>()
  for (const event of grooveEvents(frame.groove, frame.meter, own)) {
    if (event.tick >= until) continue
    const letter =
      event.limb === 'RF' ? 'K' : event.limb === 'LF' ? 'H' : event.limb === 'LH' ? 'L' : 'R'
    const stroke = toStroke(letter, { level: event.dynamic, voice: event.surface })
    const ticks = gridTicks(event.grid)
    const known = byTick.get(event.tick)
    byTick.set(event.tick, {
      tick: event.tick,
      ticks,
      kind: 'strokes',
      strokes: [...(known?.strokes ?? []), stroke],
      value: event.grid.value,
      dots: 0,
      brackets: grooveBrackets(event.grid, event.tick),
      group: null,
      slot: null,
    })
  }
  return [...byTick.values()]
}

function grooveBrackets(grid: Grid, tick: Ticks): Bracket[] {
  if (grid.tuplet === null) return []
  const { notes, inTimeOf } = TUPLET_RATIOS[grid.tuplet]
  return [{ id: `groove ${Math.floor(tick / (gridTicks(grid) * notes))}`, notes, inTimeOf }]
}
