import { TEMPO_RANGE } from '../line'
import { type Grid, gridTicks, sameGrid, type Ticks } from '../time'
import { addRung, moveRung, removeRung } from './ladder'

/** A rung of a ladder over several grids: a tempo in beats a minute, and the grid of the line there. */
export interface GridRung {
  readonly tempo: number
  readonly grid: Grid
}

/**
 * Strokes a minute of a rung at a slot each; `beat` is what its tempo counts, in ticks.
 *
 * @example rungSpeed({ tempo: 60, grid: findGrid('1/16') }, 10080) // 240
 */
export function rungSpeed({ tempo, grid }: GridRung, beat: Ticks): number {
  return (tempo * beat) / gridTicks(grid)
}

/**
 * Rungs of several grids in order of speed, each with its strokes a minute and its jump over the one
 * before, as a share. Example: 44 in sixteenths, 56 and 84 in thirty-seconds are 176, 448, 672 strokes
 * a minute, jumps of 155 % and 50 %.
 */
export function bySpeed(
  rungs: readonly GridRung[],
  beat: Ticks,
): (GridRung & { readonly perMinute: number; readonly jump: number | null })[] {
  const ordered = inOrder(rungs).map((rung) => ({ ...rung, perMinute: rungSpeed(rung, beat) }))
  return ordered.map((rung, i) => {
    const before = ordered[i - 1]
    return { ...rung, jump: before ? rung.perMinute / before.perMinute - 1 : null }
  })
}

/**
 * A rung at another tempo: on one grid between its neighbours, on several where its speed puts it.
 *
 * @example moveGridRung([{ tempo: 60, grid: findGrid('1/16') }], 0, 72)[0].tempo // 72
 */
export function moveGridRung(rungs: readonly GridRung[], index: number, tempo: number): GridRung[] {
  const one = onlyGrid(rungs)
  if (one) return onOneGrid(moveRung(tempos(rungs), index, tempo), one)
  const { least, most } = TEMPO_RANGE
  const moved = Math.min(most, Math.max(least, Math.round(tempo)))
  return inOrder(rungs.map((rung, i) => (i === index ? { ...rung, tempo: moved } : rung)))
}

/** A rung on another grid, at the tempo that it has; the ladder in order of speed again. */
export function regridRung(rungs: readonly GridRung[], index: number, grid: Grid): GridRung[] {
  return inOrder(rungs.map((rung, i) => (i === index ? { ...rung, grid } : rung)))
}

/** A rung more: in the widest gap; on several grids in the widest jump, on the grid above it. */
export function addGridRung(rungs: readonly GridRung[]): GridRung[] {
  const one = onlyGrid(rungs)
  if (one) return onOneGrid(addRung(tempos(rungs)), one)
  const jumps = rungs.slice(1).map((rung, i) => speed(rung) / speed(rungs[i] as GridRung))
  const at = jumps.indexOf(Math.max(...jumps))
  const [below, above] = [rungs[at] as GridRung, rungs[at + 1] as GridRung]
  const exact = Math.sqrt(speed(below) * speed(above)) * gridTicks(above.grid)
  const tempo = Math.max(TEMPO_RANGE.least, Math.round(exact))
  return inOrder([...rungs, { tempo, grid: above.grid }])
}

/** A rung fewer; the last one stays. */
export function removeGridRung(rungs: readonly GridRung[], index: number): GridRung[] {
  const one = onlyGrid(rungs)
  if (one) return onOneGrid(removeRung(tempos(rungs), index), one)
  return rungs.length < 2 ? [...rungs] : rungs.toSpliced(index, 1)
}

/** The grid of all rungs; undefined where they have several. */
export function onlyGrid(rungs: readonly GridRung[]): Grid | undefined {
  const [first] = rungs
  return first && rungs.every(({ grid }) => sameGrid(grid, first.grid)) ? first.grid : undefined
}

function tempos(rungs: readonly GridRung[]): number[] {
  return rungs.map(({ tempo }) => tempo)
}

function onOneGrid(all: readonly number[], grid: Grid): GridRung[] {
  return all.map((tempo) => ({ tempo, grid }))
}

/** Strokes in proportion; equal speeds keep their order. */
function speed({ tempo, grid }: GridRung): number {
  return tempo / gridTicks(grid)
}

function inOrder(rungs: readonly GridRung[]): GridRung[] {
  return [...rungs].sort((a, b) => speed(a) - speed(b))
}
