import type { Phrase } from '../changes'
import type { Line } from '../line'
import { type Letter, type SlotContent, strokesInSlot, toStroke } from '../sticking'

/** How a tail ends: so that the left, the right, or both hands are free to land. */
export type TailEnd = 'R' | 'L' | 'K'

/** A limb in a row at the end of a line. */
export interface EndRun {
  readonly letter: Letter
  readonly strokes: number
}

/** A third in a row of one hand is worse than any number of doubles that a tail has room for. */
const COST = { double: 2, third: 9 } as const

/**
 * A tail of so many slots that ends as wished and goes on naturally from the line: of all orders of
 * hands the one with the fewest strokes in a row, counted on from those before it. Exact, by dynamic
 * programming over the last hand and its run. Example: after `RLRLRLL` two slots that end right are RR.
 */
export function tailOf(line: Line, length: number, end: TailEnd): Phrase {
  interface State {
    readonly cost: number
    readonly letters: readonly Letter[]
    readonly last: EndRun | null
  }
  let states: State[] = [{ cost: 0, letters: [], last: endRun(line) }]
  for (let slot = 0; slot < length; slot += 1) {
    const letters: readonly Letter[] = slot === length - 1 ? [end] : ['R', 'L']
    const best = new Map<string, State>()
    for (const state of states) {
      for (const letter of letters) {
        const goesOn = state.last?.letter === letter
        const strokes = goesOn ? Math.min(3, (state.last?.strokes ?? 0) + 1) : 1
        const added = strokes === 2 ? COST.double : strokes > 2 ? COST.third : 0
        const next = {
          cost: state.cost + added,
          letters: [...state.letters, letter],
          last: { letter, strokes },
        }
        const key = `${letter}${strokes}`
        const known = best.get(key)
        if (!known || next.cost < known.cost) best.set(key, next)
      }
    }
    states = [...best.values()]
  }
  const best = states.reduce((a, b) => (b.cost < a.cost ? b : a))
  const slots = best.letters.map(
    (letter): SlotContent => ({ kind: 'struck', strokes: [toStroke(letter)] }),
  )
  return { slots, groups: length > 0 ? [length] : [] }
}

/**
 * The limb that ends a line alone, and how often in a row; null where none or several do.
 *
 * @example endRun(phrase('RLLKK')) // { letter: 'K', strokes: 2 }
 */
export function endRun({ slots }: Pick<Line, 'slots'>): EndRun | null {
  return runFrom(lettersOf(slots).reverse())
}

/**
 * The limb that begins a line alone, and how often in a row; null where none or several do.
 *
 * @example startRun(phrase('RRLK')) // { letter: 'R', strokes: 2 }
 */
export function startRun({ slots }: Pick<Line, 'slots'>): EndRun | null {
  return runFrom(lettersOf(slots))
}

/**
 * A limb that plays on across the place where slots join: so many in a row, both sides together.
 *
 * @example runAcross(phrase('RLK').slots, phrase('KRL').slots) // { letter: 'K', strokes: 2 }
 */
export function runAcross(
  before: readonly SlotContent[],
  after: readonly SlotContent[],
): EndRun | null {
  const [end, start] = [runFrom(lettersOf(before).reverse()), runFrom(lettersOf(after))]
  return end && start && end.letter === start.letter
    ? { letter: end.letter, strokes: end.strokes + start.strokes }
    : null
}

/** The onsets of slots, each with its letter; null where several limbs strike, or none in the slot. */
function lettersOf(slots: readonly SlotContent[]): (Letter | null)[] {
  return slots.flatMap((content): (Letter | null)[] => {
    if (content.kind === 'rest') return []
    const onsets = new Map<number, Letter[]>()
    for (const { stroke, top } of strokesInSlot(content))
      onsets.set(top, [...(onsets.get(top) ?? []), stroke.letter])
    return [...onsets.values()].map((letters) =>
      letters.length === 1 ? (letters[0] as Letter) : null,
    )
  })
}

function runFrom(letters: readonly (Letter | null)[]): EndRun | null {
  const [letter] = letters
  if (!letter || letter === 'X') return null
  const other = letters.findIndex((one) => one !== letter)
  return { letter, strokes: other < 0 ? letters.length : other }
}
