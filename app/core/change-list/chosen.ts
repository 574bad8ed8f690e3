import type { Chosen } from '../changes'
import { firstsOf, type Phrase, setGraces, setLevel } from '../changes'
import { type Graces, isAccented, isHand, type Level, strokesInSlot } from '../sticking'
import { type Change, change } from './change'

/** Which strokes of a phrase are meant, by the words that follow a verb. */
export const CHOICES = {
  every: 'every stroke',
  rights: 'every right',
  lefts: 'every left',
  kicks: 'every kick',
  firsts: 'the first of each group',
  seconds: 'the second of each group',
  thirds: 'the third of each group',
  lasts: 'the last of each group',
  singles: 'the single strokes',
  doubles: 'the doubles',
  accents: 'the accents',
  unaccented: 'all but the accents',
  second: 'every second stroke',
  third: 'every third stroke',
} as const
export type Choice = keyof typeof CHOICES

/** What is done with them, by the verb before them. */
export const DEEDS = {
  accent: 'Accent',
  strong: 'Accent strongly',
  ghost: 'Ghost',
  soft: 'Play softly',
  tap: 'Make plain',
  flam: 'Flam',
  drag: 'Drag',
  ruff: 'Ruff',
  'no-graces': 'Remove graces from',
} as const
export type Deed = keyof typeof DEEDS

const LEVEL_DEEDS: Partial<Record<Deed, Level>> = {
  accent: 'accent',
  strong: 'strong',
  ghost: 'ghost',
  soft: 'soft',
  tap: 'tap',
}
const GRACE_DEEDS: Partial<Record<Deed, Graces>> = { flam: 1, drag: 2, ruff: 3, 'no-graces': 0 }

/**
 * Which strokes of a phrase a choice means. The strokes of a double are those of one hand in two slots side by
 * side, each alone in its slot; a single stroke is a hand's that is none. Every second and third stroke are counted
 * over the slots that are struck.
 *
 * @example of `RLLRK` the doubles are the two lefts, the single strokes the two rights, every second slots 2 and 4
 */
export function chosenOf(choice: Choice, phrase: Phrase): Chosen {
  const first = firstsOf(phrase)
  const place = placesInGroups(phrase)
  switch (choice) {
    case 'every':
      return () => true
    case 'rights':
      return ({ letter }) => letter === 'R'
    case 'lefts':
      return ({ letter }) => letter === 'L'
    case 'kicks':
      return ({ letter }) => letter === 'K'
    case 'firsts':
      return (_, slot) => first(slot)
    case 'seconds':
      return (_, slot) => place[slot] === 1
    case 'thirds':
      return (_, slot) => place[slot] === 2
    case 'lasts':
      return (_, slot) => slot + 1 === phrase.slots.length || first(slot + 1)
    case 'singles': {
      const doubled = doublesIn(phrase)
      return ({ letter }, slot) => isHand(letter) && !doubled.has(slot)
    }
    case 'doubles': {
      const doubled = doublesIn(phrase)
      return (_, slot) => doubled.has(slot)
    }
    case 'accents':
      return isAccented
    case 'unaccented':
      return (stroke) => !isAccented(stroke)
    case 'second':
      return everyNth(phrase, 2)
    case 'third':
      return everyNth(phrase, 3)
  }
}

/** Where each slot stands in its group, from 0. */
function placesInGroups({ groups }: Phrase): number[] {
  return groups.flatMap((size) => Array.from({ length: size }, (_, i) => i))
}

/** The slots of doubles. */
function doublesIn({ slots }: Phrase): ReadonlySet<number> {
  const alone = slots.map((content) => {
    const [one, ...more] = content.kind === 'struck' ? content.strokes : []
    return one && more.length === 0 && isHand(one.letter) ? one.letter : null
  })
  const doubled = new Set<number>()
  for (const [slot, letter] of alone.entries())
    if (letter !== null && letter === alone[slot + 1]) doubled.add(slot).add(slot + 1)
  return doubled
}

function everyNth({ slots }: Phrase, n: number): Chosen {
  let count = 0
  const counted = slots.map((content) => {
    if (strokesInSlot(content).length === 0) return false
    count += 1
    return count % n === 0
  })
  return (_, slot) => counted[slot] === true
}

/** A change of chosen strokes: `Accent the second of each group`. */
export function chosenChange(choice: Choice, deed: Deed): Change {
  const level = LEVEL_DEEDS[deed]
  const graces = GRACE_DEEDS[deed] ?? 0
  return change(
    level ? 'dynamics' : 'graces',
    `${deed} ${choice}`,
    `${DEEDS[deed]} ${CHOICES[choice]}`,
    (phrase) => {
      const chosen = chosenOf(choice, phrase)
      return level ? setLevel(phrase, level, chosen) : setGraces(phrase, graces, chosen)
    },
  )
}

/** Every deed with every choice of strokes. */
export const CHOSEN_CHANGES: readonly Change[] = (Object.keys(DEEDS) as Deed[]).flatMap((deed) =>
  (Object.keys(CHOICES) as Choice[]).map((choice) => chosenChange(choice, deed)),
)
