import { nanoid } from 'nanoid'
import { type Groove, type Pattern, type PatternPlace, patternOf, patternsOf } from '~/core/groove'
import type { OstinatoScope } from '~/core/line'
import type { Surface } from '~/core/sticking'
import type { Grid } from '~/core/time'
import { gridWords } from '~/words/grid-words'
import { regridPattern, scopeOstinato, withPattern } from '../edits/pattern-edits'
import type { Workspace } from '../workspace'
import {
  cutPattern,
  openedPattern,
  patternKey,
  patternOn,
  shownSlots,
  stepPattern,
} from './pattern-keys'

const ONE_BAR = 'A groove is one bar: type over a slot, or split one with {.'

/** The pattern that has the keys, and which of its slots. */
interface Marked {
  readonly place: PatternPlace
  readonly pattern: Pattern
  readonly slot: number
}

/** A key typed on the marked slot of a pattern. Returns whether it meant something. */
export function typePattern(
  workspace: Workspace,
  key: string,
  grooves: readonly Groove[],
): boolean {
  const marked = markedIn(workspace, grooves)
  const done = marked && patternKey(marked.pattern, marked.slot, workspace.state().waiting, key)
  if (!marked || !done) return false
  workspace.together(() => {
    if (done.refused) workspace.refuse(done.refused)
    if (done.pattern) replace(workspace, marked, done.pattern, grooves)
    if (done.steps) step(workspace, marked.place, 1, grooves)
    workspace.wait(done.waiting)
  })
  return true
}

/** Strikes a surface with the hands' strokes of the marked slot, and steps on. */
export function strikePattern(
  workspace: Workspace,
  surface: Surface,
  grooves: readonly Groove[],
): void {
  const marked = markedIn(workspace, grooves)
  const struck = marked && patternOn(marked.pattern, marked.slot, surface)
  if (!marked) return
  workspace.together(() => {
    if (struck) replace(workspace, marked, struck, grooves)
    else workspace.refuse('No hand plays here: a number strikes with a hand’s stroke.')
    step(workspace, marked.place, 1, grooves)
  })
}

/** Opens a slot before the marked one, as a rest; a groove, which is one bar, takes none. */
export function insertInPattern(workspace: Workspace, grooves: readonly Groove[]): void {
  const marked = markedIn(workspace, grooves)
  if (!marked) return
  if (marked.place.pattern === 'groove') workspace.refuse(ONE_BAR)
  else replace(workspace, marked, openedPattern(marked.pattern, marked.slot), grooves)
}

/** Removes the marked slot; of a groove, which is one bar, it leaves a rest. */
export function removeFromPattern(workspace: Workspace, grooves: readonly Groove[]): void {
  const marked = markedIn(workspace, grooves)
  if (!marked) return
  const asRest = marked.place.pattern === 'groove'
  replace(workspace, marked, cutPattern(marked.pattern, marked.slot, asRest), grooves)
}

/** Marks the slot before or after the marked one, or the first or last one. */
export function stepInPattern(
  workspace: Workspace,
  way: 1 | -1,
  toEnd: boolean,
  grooves: readonly Groove[],
): void {
  const { place, lick } = workspace
  if (place) workspace.editRow(stepPattern(lick, place, way, grooves, toEnd))
}

/** Puts the pattern that has the keys on another grid; see `regridPattern`. */
export function regridMarked(workspace: Workspace, grid: Grid, grooves: readonly Groove[]): void {
  const { place, lick } = workspace
  if (!place) return
  const made = regridPattern(lick, place.pattern, grid, grooves)
  if (!made) {
    workspace.refuse(`This groove has strokes that do not lie on ${gridWords(grid)}.`)
    return
  }
  workspace.together(() => {
    workspace.edit(withPattern(lick, place.pattern, made, grooves, newGrooveId))
    // The place that had the keys may not be one of its slots any more.
    step(workspace, { ...place, tick: place.tick + 1 }, -1, grooves)
  })
}

/** Has the layer that has the keys sound elsewhere; its row may then be another one, and keeps the keys. */
export function scopeMarked(
  workspace: Workspace,
  scope: OstinatoScope,
  grooves: readonly Groove[],
): void {
  const { place, lick } = workspace
  const layer = place && place.pattern !== 'groove' ? lick.ostinatos[place.pattern] : undefined
  if (!place || !layer || place.pattern === 'groove') return
  const made = scopeOstinato(lick, place.pattern, scope)
  const pattern = made.lick.ostinatos.findIndex(({ line }) => line === layer.line)
  workspace.together(() => {
    if (workspace.edit(made)) step(workspace, { pattern, tick: place.tick + 1 }, -1, grooves)
  })
}

/** Sends the keys one row down or up: sticking, voices, then every pattern under the line. */
export function stepRow(workspace: Workspace, way: 1 | -1, grooves: readonly Groove[]): void {
  const { lick, place } = workspace
  const { row, selection } = workspace.state()
  const rows = ['sticking', 'voices', ...patternsOf(lick)] as const
  const now = rows.indexOf(place ? place.pattern : row === 'voices' ? 'voices' : 'sticking')
  const next = rows[Math.max(0, Math.min(rows.length - 1, now + way))] ?? 'sticking'
  if (next === 'sticking' || next === 'voices') {
    workspace.editRow(next)
    return
  }
  const tick = place?.tick ?? workspace.slots[selection.range?.from ?? 0]?.tick ?? 0
  const slots = shownSlots(lick, next, grooves)
  const found = slots.findLast((slot) => slot.tick <= tick) ?? slots[0]
  if (found) workspace.editRow({ pattern: next, tick: found.tick })
}

/** What a changed groove is called where the text of its lick carries it. */
export function newGrooveId(): string {
  return `own-${nanoid(10)}`
}

function markedIn({ lick, place }: Workspace, grooves: readonly Groove[]): Marked | null {
  const pattern = place && patternOf(lick, place.pattern, grooves)
  if (!place || !pattern) return null
  const found = shownSlots(lick, place.pattern, grooves).find(({ tick }) => tick === place.tick)
  return found ? { place, pattern, slot: found.index } : null
}

function replace(
  workspace: Workspace,
  { place }: Marked,
  pattern: Pattern,
  grooves: readonly Groove[],
): void {
  const { length } = workspace.lick.ostinatos
  const { row } = workspace.state()
  workspace.edit(withPattern(workspace.lick, place.pattern, pattern, grooves, newGrooveId))
  const gone = place.pattern !== 'groove' && workspace.lick.ostinatos.length < length
  workspace.editRow(gone ? 'sticking' : row)
}

function step(
  workspace: Workspace,
  place: PatternPlace,
  way: 1 | -1,
  grooves: readonly Groove[],
): void {
  workspace.editRow(stepPattern(workspace.lick, place, way, grooves))
}
