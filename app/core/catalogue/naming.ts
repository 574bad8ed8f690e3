import { mirrorHands, type Phrase, startsOf } from '../changes'
import { isAccented, isHand, type SlotContent, type Stroke, strokesInSlot } from '../sticking'
import { CATALOGUE, type Cell } from './cells'

/** What a sticking is: a cell, from which stroke, by which hand, and what was put on it. */
export interface Naming {
  readonly cell: Cell
  /** How many strokes later than the cell it begins; 0 for the cell as it stands. */
  readonly inversion: number
  readonly lead: 'R' | 'L' | null
  /** How often the cell goes through. */
  readonly times: number
  /** Graces that the cell does not have: `flam on 1`. */
  readonly added: readonly string[]
  /** Whether its accents are where the cell has them, as far as it has any. */
  readonly accentsAsWritten: boolean
}

/** A way to play a cell: begun at one of its strokes, by one hand. */
interface Turning {
  readonly cell: Cell
  readonly inversion: number
  readonly graces: string
  readonly accents: string
  /** Where its ghosts are; empty for a cell whose name does not speak of any. */
  readonly ghosts: string
  readonly order: number
  /** How often its own shortest part goes through. */
  readonly rounds: number
}

/**
 * The names a sticking goes by, the likeliest first: the same graces before others, the cell as it
 * stands before its inversions, the catalogue's order last. Levels, voices and groups do not count.
 * Example: `RLRRLRLL` is the single paradiddle, `RLLRLRRL` its first inversion.
 */
export function namesOf(phrase: Phrase): Naming[] {
  if (phrase.slots.length === 0) return []
  const { slots, times } = primitive(phrase.slots.map(signOf))
  const ghosts = told(slots, 'ghosts')
  const found = (turnings().get(told(slots, 'struck')) ?? []).filter(
    (turning) =>
      times % turning.rounds === 0 && (!/1/.test(turning.ghosts) || turning.ghosts === ghosts),
  )
  const graces = told(slots, 'graces')
  const accents = told(slots, 'accents')
  const lead = leadOf(phrase.slots)
  return [...found]
    .sort(
      (a, b) =>
        Number(a.graces !== graces) - Number(b.graces !== graces) ||
        a.inversion - b.inversion ||
        b.rounds - a.rounds ||
        a.order - b.order,
    )
    .filter(
      (turning, i, sorted) =>
        !lacks(turning.graces, graces) &&
        sorted.findIndex(({ cell }) => cell.id === turning.cell.id) === i,
    )
    .map((turning) => ({
      cell: turning.cell,
      inversion: turning.inversion,
      lead,
      times: times / turning.rounds,
      added: addedGraces(turning.graces, graces),
      accentsAsWritten: turning.accents === accents,
    }))
}

const ORDINALS = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth']

/** A name in words: `Single paradiddle, third inversion, left lead, flam on 1`. */
export function namingWords({ cell, inversion, lead, times, added }: Naming): string {
  const nth = ORDINALS[inversion] ?? `${inversion}th`
  return [
    cell.name,
    ...(inversion > 0 ? [`${nth} inversion`] : []),
    ...(lead === 'L' ? ['left lead'] : []),
    ...added,
    ...(times > 1 ? [`${times} times`] : []),
  ].join(', ')
}

/** The name of each group of a phrase, and of the whole; null where the catalogue has none. */
export function namesInLine(phrase: Phrase): { whole: Naming | null; groups: (Naming | null)[] } {
  const starts = startsOf(phrase.groups)
  const named = new Map<string, Naming | null>()
  const groups = phrase.groups.map((size, i) => {
    const slots = phrase.slots.slice(starts[i], (starts[i] as number) + size)
    const signs = slots.map(signOf)
    const key = (['struck', 'graces', 'accents'] as const).map((of) => told(signs, of)).join(' ')
    if (!named.has(key))
      named.set(key, size < 2 ? null : (namesOf({ slots, groups: [size] })[0] ?? null))
    return named.get(key) ?? null
  })
  const whole = phrase.slots.length <= LONGEST_NAMED ? (namesOf(phrase)[0] ?? null) : null
  return { whole, groups }
}

/** Longer lines are never one cell, even over and over: looking would only cost time. */
const LONGEST_NAMED = 512

let known: ReadonlyMap<string, readonly Turning[]> | undefined

/** Every cell from every stroke by both hands, by what is struck. Made once. */
function turnings(): ReadonlyMap<string, readonly Turning[]> {
  if (known) return known
  const byKey = new Map<string, Turning[]>()
  for (const [order, cell] of CATALOGUE.entries()) {
    const hands = [cell.phrase, mirrorHands(cell.phrase)].map(({ slots }) => slots.map(signOf))
    for (const { from, size, inversion } of turningsOf(cell)) {
      for (const all of hands) {
        const { slots, times } = primitive(
          [...all.slice(from), ...all.slice(0, from)].slice(0, size),
        )
        const turning = {
          cell,
          inversion,
          graces: told(slots, 'graces'),
          accents: told(slots, 'accents'),
          ghosts: told(slots, 'ghosts'),
          order,
          rounds: times,
        }
        const key = told(slots, 'struck')
        const others = byKey.get(key)
        if (others) others.push(turning)
        else byKey.set(key, [turning])
      }
    }
  }
  known = byKey
  return byKey
}

/**
 * A cell begun from each of its strokes; of those that alternate by themselves, whose second half is
 * the first by the other hand, also the first half of each. An inversion's number is that of the whole
 * cell, and half a round later it is the same one led by the other hand.
 */
function turningsOf({ phrase }: Cell): { from: number; size: number; inversion: number }[] {
  const count = phrase.slots.length
  const [first, second] = phrase.groups
  const halves = phrase.groups.length === 2 && first === second && first !== undefined
  return phrase.slots.flatMap((_, from) => {
    const inversion = halves ? from % first : from
    const whole = { from, size: count, inversion }
    return halves ? [whole, { from, size: count / 2, inversion }] : [whole]
  })
}

/** A slot as names see it, each a short word: who strikes, and the graces, accents and ghosts there. */
interface SlotSign {
  readonly struck: string
  readonly graces: string
  readonly accents: string
  /** Ghosts belong to a sticking's name only where a cell is named after them. */
  readonly ghosts: string
}

function signOf(slot: SlotContent): SlotSign {
  const strokes = strokesInSlot(slot)
  const most = (of: (stroke: Stroke) => number) =>
    String(Math.max(0, ...strokes.map(({ stroke }) => of(stroke))))
  return {
    struck: skeletonOfSlot(slot),
    graces: most(({ graces }) => graces),
    accents: most((stroke) => Number(isAccented(stroke))),
    ghosts: most(({ level }) => Number(level === 'ghost')),
  }
}

/** One thing that is told of some slots, as one word. */
function told(signs: readonly SlotSign[], what: keyof SlotSign): string {
  return signs.map((sign) => sign[what]).join('')
}

/** Who strikes when: no levels, voices or graces. */
function skeletonOfSlot(content: SlotContent): string {
  if (content.kind === 'rest') return '-'
  if (content.kind === 'squeeze') return `{${content.parts.map(skeletonOfSlot).join('')}}`
  const letters = content.strokes.map(({ letter }) => letter).sort()
  return letters.length === 1 ? (letters[0] as string) : `(${letters.join('')})`
}

/** Whether a cell asks for graces that are not there. */
function lacks(cell: string, played: string): boolean {
  return [...cell].some((graces, i) => graces !== '0' && graces !== played[i])
}

const GRACE_WORDS = ['', 'flam', 'drag', 'ruff']

function addedGraces(cell: string, played: string): string[] {
  return [...played].flatMap((graces, i) =>
    graces !== '0' && graces !== cell[i] ? [`${GRACE_WORDS[Number(graces)]} on ${i + 1}`] : [],
  )
}

/** The shortest part that the slots are so many times over. */
function primitive(slots: readonly SlotSign[]): { slots: readonly SlotSign[]; times: number } {
  const keys = slots.map(({ struck, graces }) => `${struck}${graces}`)
  for (let size = 1; size < slots.length; size += 1) {
    if (slots.length % size !== 0) continue
    if (keys.every((key, i) => i < size || key === keys[i - size])) {
      // A single stroke over and over is nobody's rudiment; two of them may be.
      if (size > 1) return { slots: slots.slice(0, size), times: slots.length / size }
    }
  }
  return { slots, times: 1 }
}

function leadOf(slots: readonly SlotContent[]): 'R' | 'L' | null {
  for (const slot of slots) {
    for (const { stroke } of strokesInSlot(slot)) {
      if (isHand(stroke.letter) && stroke.letter !== 'X') return stroke.letter as 'R' | 'L'
    }
  }
  return null
}
