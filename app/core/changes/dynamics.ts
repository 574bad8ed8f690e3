import { modulo } from '../foundation'
import {
  type Graces,
  hasAccent,
  isAccented,
  isHand,
  type Level,
  type Stroke,
  strokesInSlot,
} from '../sticking'
import { mapStrokes, type Phrase, withoutGraces } from './phrase'
import { startsOf } from './splice'

/** Which strokes of a phrase a rule means. */
export type Chosen = (stroke: Stroke, slot: number) => boolean

/**
 * The chosen strokes at a level.
 *
 * @example text(setLevel(phrase('RLRL'), 'accent', (_, slot) => slot === 0)) // '>RLRL'
 */
export function setLevel({ slots, groups }: Phrase, level: Level, chosen: Chosen): Phrase {
  return {
    slots: mapStrokes(slots, (stroke, { slot }) =>
      chosen(stroke, slot) ? { ...stroke, level } : stroke,
    ),
    groups,
  }
}

/**
 * Accents become taps, ghosts and soft strokes stay.
 *
 * @example text(clearAccents(phrase('>RL>L'))) // 'RLL'
 */
export function clearAccents(phrase: Phrase): Phrase {
  return setLevel(phrase, 'tap', isAccented)
}

/**
 * Accents laid on other slots, without moving a stroke: every other level stays. Slots counted
 * over and over by the pattern's own length, so that it may be of another length than the phrase.
 * Example: `x--` over `RLRLRL` is `>RLR>LRL`.
 */
export function layAccents(phrase: Phrase, pattern: readonly boolean[]): Phrase {
  if (pattern.length === 0) return phrase
  const on = (slot: number) => pattern[slot % pattern.length] === true
  return setLevel(clearAccents(phrase), 'accent', (_, slot) => on(slot))
}

/**
 * Where a phrase's accents are, slot by slot.
 *
 * @example accentsOf(phrase('>RL>L')) // [true, false, true]
 */
export function accentsOf({ slots }: Phrase): boolean[] {
  return slots.map(hasAccent)
}

/**
 * Every accent on the stroke `steps` later; rests are passed. One that would leave the phrase goes, or with `round`
 * comes in again at its other end.
 *
 * @example `R>LR` one later is `RL>R`, and one later again `RLR`, or with `round` `>RLR`
 */
export function moveAccents(phrase: Phrase, steps: number, round = false): Phrase {
  const struck = phrase.slots.flatMap((content, slot) =>
    strokesInSlot(content).length > 0 ? [slot] : [],
  )
  const accents = accentsOf(phrase)
  const wanted = new Set(
    struck.filter((_, i) => {
      const from = round ? modulo(i - steps, struck.length) : i - steps
      return accents[struck[from] ?? -1] === true
    }),
  )
  return layAccents(
    phrase,
    accents.map((_, slot) => wanted.has(slot)),
  )
}

/**
 * Graces before the chosen strokes of hands; 0 takes them away.
 *
 * @example text(setGraces(phrase('RLR'), 1, (_, slot) => slot === 0)) // 'fRLR'
 */
export function setGraces({ slots, groups }: Phrase, graces: Graces, chosen: Chosen): Phrase {
  return {
    slots: mapStrokes(slots, (stroke, { slot }) => {
      if (!isHand(stroke.letter) || !chosen(stroke, slot)) return stroke
      return graces === 0 ? withoutGraces(stroke) : { ...stroke, graces }
    }),
    groups,
  }
}

/**
 * Whether a slot is the first of its group.
 *
 * @example [0, 1, 2, 3].map(firstsOf(phrase('RL RL'))) // [true, false, true, false]
 */
export function firstsOf({ groups }: Phrase): (slot: number) => boolean {
  const starts = new Set(startsOf(groups))
  return (slot) => starts.has(slot)
}

/**
 * Everything on the limbs' home surfaces.
 *
 * @example text(oneSurface(phrase('R:t1L:f1K'))) // 'RLK'
 */
export function oneSurface({ slots, groups }: Phrase): Phrase {
  return {
    slots: mapStrokes(slots, ({ voice: _voice, graceVoice: _grace, ...stroke }) => stroke),
    groups,
  }
}
