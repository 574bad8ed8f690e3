import type { Phrase } from '../changes'
import { type Surface, toStroke } from '../sticking'
import type { Action } from './rule'

export type Path = Extract<Action, { kind: 'path' }>

/** One stop of a path: a surface and how many strokes it gets there. */
interface Stop {
  readonly surface: Surface
  readonly strokes: number
}

/** The stops of a path until it comes round. A turning stroke is one more at either end. */
function stopsOf({ surfaces, per, end, turningStroke }: Path): Stop[] {
  const strokes = per === 'group' ? 1 : per
  const last = surfaces.length - 1
  const down = surfaces.map((surface) => ({ surface, strokes }))
  if (end === 'over' || last < 1) return down
  const more = turningStroke && per !== 'group' ? 1 : 0
  const up = [...surfaces].reverse().map((surface) => ({ surface, strokes }))
  const turned = (stops: Stop[]): Stop[] =>
    stops.map((stop, i) => (i === last ? { ...stop, strokes: strokes + more } : stop))
  if (end === 'turn-again') return [...turned(down), ...turned(up)]
  // The far ends are visited once a turn; the first stop is where the way up ends.
  const [first, ...rest] = turned(down)
  return [{ ...(first as Stop), strokes: strokes + more }, ...rest, ...up.slice(1, -1)]
}

/**
 * The surface of the nth stroke (or group) along a path, from 0. Example: t1 t2 f1 turning is
 * t1 t2 f1 t2 t1 t2 f1, starting over t1 t2 f1 t1 t2 f1.
 */
export function pathSurfaces(path: Path): (n: number) => Surface {
  const stops = stopsOf(path)
  const cycle = stops.flatMap(({ surface, strokes }) =>
    Array.from({ length: strokes }, () => surface),
  )
  // On its way out a path does not yet turn: the first stop lacks its turning stroke.
  const skipped = path.end === 'turn' && path.turningStroke && path.per !== 'group' ? 1 : 0
  const shift = path.surfaces.length > 1 ? skipped : 0
  return (n) => cycle[(n + shift) % cycle.length] as Surface
}

/** How many strokes a path takes until it comes round. */
export function pathLength(path: Path): number {
  return stopsOf(path).reduce((sum, { strokes }) => sum + strokes, 0)
}

/**
 * Down the drums and up again, hand to hand, so many strokes a drum and one more at each turn: the
 * other hand leads back. A group each way. Example: two drums, two a drum, the end visited again:
 * `R:t1L:t1R:f1L:f1R:f1 L:f1R:f1L:t1R:t1L:t1`.
 */
export function roundTheKit(surfaces: readonly Surface[], per: number, again: boolean): Phrase {
  if (surfaces.length === 0 || per < 1) throw new RangeError(`${per} strokes on ${surfaces}`)
  const path: Path = {
    kind: 'path',
    surfaces,
    per,
    end: again ? 'turn-again' : 'turn',
    turningStroke: true,
  }
  const surfaceOf = pathSurfaces(path)
  const length = surfaces.length > 1 ? pathLength(path) : per
  const slots = Array.from({ length }, (_, i) => ({
    kind: 'struck' as const,
    strokes: [toStroke(i % 2 === 0 ? 'R' : 'L', { voice: surfaceOf(i) })],
  }))
  const way = Math.min(length, per * surfaces.length + (surfaces.length > 1 ? 1 : 0))
  return { slots, groups: way < length ? [way, length - way] : [length] }
}

/** A way over surfaces with so many strokes on each. */
export interface Way {
  readonly surfaces: readonly Surface[]
  readonly per: number
}

/**
 * Out one way and back another, hand to hand, with one stroke more where each ends: the other hand leads on. A group
 * each way. Throws RangeError for a way without surfaces or strokes.
 *
 * @example two on `t1 f1`, back one on `f1 sn`: `R:t1L:t1R:f1L:f1R:f1 L:f1R:snL:sn`
 */
export function outAndBack(out: Way, back: Way): Phrase {
  const voices = [out, back].map(({ surfaces, per }) => {
    const last = surfaces.at(-1)
    if (!last || per < 1) throw new RangeError(`${per} strokes on ${surfaces}`)
    return [...surfaces.flatMap((surface) => Array.from({ length: per }, () => surface)), last]
  })
  const slots = voices.flat().map((voice, i) => ({
    kind: 'struck' as const,
    strokes: [toStroke(i % 2 === 0 ? 'R' : 'L', { voice })],
  }))
  return { slots, groups: voices.map(({ length }) => length) }
}
