import { STAFF_KEY } from '../kit'
import {
  findTogetherFault,
  type Graces,
  HOME_SURFACE,
  isHand,
  LEVELS,
  type Letter,
  type Stroke,
  strokeSurface,
  toStroke,
  type Voice,
} from '../sticking'
import type { Grid } from '../time'
import type { DrumPart, PartNote } from './part'
import type { PartWish } from './wish'

/** What was played within this is together; what comes so shortly before a louder one is its grace. */
const TOGETHER_MS = 12
const GRACE_MS = 45
const GRACE_LEVELS = 1

/** Strokes that sound together, at one instant. */
export interface Onset {
  readonly tick: number
  /** Where it would be if the music did not swing, of a part that does: for grids that swing. */
  readonly straight?: number
  readonly strokes: readonly Stroke[]
}

/** Where an onset lies on a grid: as it is, or of a part that swings, on a grid that does, as if it did not. */
export function tickOn({ tick, straight }: Onset, grid: Grid): number {
  return grid.tuplet === null ? (straight ?? tick) : tick
}

/** The strokes of a part instant by instant, graces put to them; what one player cannot strike is told. */
export function onsetsOf(
  { notes, instruments, exact }: DrumPart,
  { voices }: PartWish,
  perTick: number,
  leftOut: string[],
): Onset[] {
  const known = new Map(instruments.map((one) => [one.key, one]))
  const voiceOf = (key: string) =>
    voices?.get(key) ?? (voices?.has(key) ? null : (known.get(key)?.voice ?? null))
  const silent = new Map<string, number>()
  const heard = notes
    .flatMap((note) => {
      const voice = voiceOf(note.instrument)
      if (voice) return [{ ...note, voice }]
      const name = known.get(note.instrument)?.name ?? note.instrument
      silent.set(name, (silent.get(name) ?? 0) + 1)
      return []
    })
    .sort((a, b) => a.tick - b.tick || Number(b.grace) - Number(a.grace))
  for (const [name, count] of silent)
    leftOut.push(`${name}: ${count} ${count === 1 ? 'stroke' : 'strokes'}.`)
  const near = exact ? 0 : TOGETHER_MS / perTick
  const groups: { tick: number; main: Heard[]; graces: Heard[] }[] = []
  let waiting: Heard[] = []
  for (const [i, note] of heard.entries()) {
    if (note.grace || (!exact && isPlayedGrace(heard, i, perTick, waiting.length > 0))) {
      waiting.push(note)
      continue
    }
    const group = groups.at(-1)
    if (group && note.tick - group.tick <= near) group.main.push(note)
    else groups.push({ tick: note.tick, main: [note], graces: waiting })
    if (!(group && note.tick - group.tick <= near)) waiting = []
  }
  if (waiting.length > 0) leftOut.push(`${waiting.length} grace notes without a note after them.`)
  let crowded = 0
  const onsets = groups.map(({ tick, main, graces }): Onset => {
    const { strokes, left } = strokesOf(main, graces)
    crowded += left
    return { tick, strokes }
  })
  if (crowded > 0)
    leftOut.push(
      `${crowded} ${crowded === 1 ? 'stroke' : 'strokes'} that two hands and two feet cannot add at one time.`,
    )
  return onsets.filter(({ strokes }) => strokes.length > 0)
}

type Heard = PartNote & { readonly voice: Voice }

/**
 * A soft stroke of a hand a moment before a louder one on the same drum, or before others as soft that are: a
 * flam's one grace, the two of a drag, the three of a ruff. Where hands are not told, what comes on another drum is a
 * stroke, and so is what follows the stroke before it as closely as it is followed, unless that was a grace of the
 * same stroke: a line that is fast.
 */
function isPlayedGrace(
  heard: readonly Heard[],
  at: number,
  perTick: number,
  afterGrace: boolean,
): boolean {
  const soft = heard[at]
  if (!soft || FEET[soft.voice]) return false
  const last = heard.slice(0, at).findLast(({ tick }) => tick < soft.tick)
  let before = soft
  for (const next of heard.slice(at + 1, at + 1 + MAX_GRACES)) {
    const gap = (next.tick - before.tick) * perTick
    if (FEET[next.voice] || gap < TOGETHER_MS || gap > GRACE_MS) return false
    const otherHand = soft.letter !== null && next.letter !== null && soft.letter !== next.letter
    if (next.voice !== soft.voice && !otherHand) return false
    const louder = LEVELS.indexOf(next.level) - LEVELS.indexOf(soft.level)
    if (louder >= GRACE_LEVELS)
      return (
        afterGrace || before !== soft || !last || (soft.tick - last.tick) * perTick >= APART * gap
      )
    if (louder < 0) return false
    before = next
  }
  return false
}
const MAX_GRACES = 3
/** A grace is so many times as far from the stroke before it as from its own. */
const APART = 1.5

/** Which foot strikes a voice. */
const FEET: Partial<Record<Voice, Letter>> = { bd: 'K', hf: 'H', b2: 'J' }

/** The strokes of an instant with letters, as many as one player can strike; how many were left. */
function strokesOf(
  main: readonly Heard[],
  graces: readonly Heard[],
): { strokes: Stroke[]; left: number } {
  let strokes: Stroke[] = []
  let left = 0
  for (const { note, letter } of lettered(main)) {
    const voice = note.voice === HOME_SURFACE[letter] ? {} : { voice: note.voice }
    const stroke = toStroke(letter, { level: note.level, ...voice })
    const all = [...strokes, stroke]
    // Two hands may strike one drum where the file tells them apart.
    const again = note.letter === null && strokes.some((one) => strokeSurface(one) === note.voice)
    if (again || findTogetherFault(all)) left += 1
    else strokes = all
  }
  const hand = strokes.findIndex(({ letter }) => isHand(letter))
  const [grace] = graces
  if (!grace) return { strokes, left }
  const chosen = strokes[hand]
  if (!chosen) return { strokes, left: left + graces.length }
  const count = Math.min(3, graces.length) as Graces
  const graceVoice = grace.voice === strokeSurface(chosen) ? {} : { graceVoice: grace.voice }
  const graced = strokes.with(hand, { ...chosen, graces: count, ...graceVoice })
  if (findTogetherFault(graced)) return { strokes, left: left + graces.length }
  return { strokes: graced, left: left + graces.length - count }
}

/**
 * Notes of an instant with their letters. Of two open hands at once the right takes the cymbal, else the
 * drum that stands lower on the staff, which is further to the right.
 */
function lettered(main: readonly Heard[]): { note: Heard; letter: Letter }[] {
  const all = main.map((note) => ({ note, letter: letterOf(note) }))
  const open = all.filter(({ letter }) => letter === 'X')
  if (open.length < 2) return all
  const right = (note: Heard) => {
    const { step } = STAFF_KEY[note.voice]
    return step > HIGHEST_DRUM ? step : -step
  }
  const [first, second] = open.sort((a, b) => right(b.note) - right(a.note))
  return all.map((one) => {
    if (one === first) return { ...one, letter: 'R' }
    return one === second ? { ...one, letter: 'L' } : one
  })
}
const HIGHEST_DRUM = 7

/** The letter that is told; else the foot whose drum it is, or an open hand. */
function letterOf({ letter, voice }: Heard): Letter {
  return letter ?? FEET[voice] ?? 'X'
}
