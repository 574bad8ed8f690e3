import { type Landing, type Lick, landingStrokes } from '../line'
import { type Letter, type Stroke, type Struck, strokeSurface, type Voice } from '../sticking'
import type { Tolerance } from './grids'
import type { Onset } from './onsets'

const CRASHES: ReadonlySet<Voice> = new Set(['c1', 'c2', 'ch', 'sp', 'x2'])

/** What a line lands on. */
export interface FoundLanding {
  /** The barline, in ticks from where the part begins. */
  readonly tick: number
  /** How far the strokes lay from it, in ticks; late is more. */
  readonly off: number
  readonly landing: Landing
}

/**
 * A last onset on a barline that has a crash in it is what the line lands on; one that lies further from it
 * than is allowed is a stroke of the line. `bar` is in ticks.
 * Example: a crash 120 ticks before the barline of a written part is no landing, for it is written where
 * it is; of a part that was played in, it is one that came early.
 */
export function landingOf(
  onsets: readonly Onset[],
  begin: number,
  bar: number,
  tolerance: Tolerance,
): { body: readonly Onset[]; landing: FoundLanding | null } {
  const last = onsets.at(-1)
  const barline = last ? Math.round(last.tick / bar) * bar : 0
  const lands =
    last &&
    onsets.length > 1 &&
    barline > begin &&
    Math.abs(last.tick - barline) <= tolerance.ticks &&
    last.strokes.some((stroke) => CRASHES.has(strokeSurface(stroke)))
  if (!last || !lands) return { body: onsets, landing: null }
  const slot: Struck = { kind: 'struck', strokes: last.strokes }
  const landing = { tick: barline, off: last.tick - barline, landing: landingAs(slot) }
  return { body: onsets.slice(0, -1), landing }
}

/** Strokes as a landing of the lick's own; open hands are decided, since nothing comes after them. */
function landingAs(slot: Struck): Landing {
  const strokes = slot.strokes.map((stroke) =>
    stroke.letter === 'X' ? { ...stroke, letter: 'R' as const } : stroke,
  )
  return {
    kind: 'strokes',
    at: 'bar',
    slot: { kind: 'struck', strokes: oneOfEach(strokes) },
    choke: false,
  }
}

/**
 * A lick whose own landing strikes what the usual crash would strike has the usual crash.
 *
 * @example withUsualLanding(lickOf('line: RL')).frame.landing.kind // 'crash'
 */
export function withUsualLanding(lick: Lick): Lick {
  if (lick.frame.landing.kind !== 'strokes') return lick
  const crash: Lick = { ...lick, frame: { ...lick.frame, landing: { kind: 'crash', at: 'bar' } } }
  const struck = (one: Lick) =>
    landingStrokes(one)
      .map(({ surface, dynamic, limb, grace }) => `${surface} ${dynamic} ${grace} ${limb[1]}`)
      .sort()
      .join()
  return struck(lick) === struck(crash) ? crash : lick
}

/** Two open hands become the right and the left. */
function oneOfEach(strokes: readonly Stroke[]): Stroke[] {
  const taken = new Set<Letter>()
  return strokes.map((stroke) => {
    const letter = taken.has(stroke.letter) && stroke.letter === 'R' ? 'L' : stroke.letter
    taken.add(letter)
    return { ...stroke, letter }
  })
}
