import { findPhrase, formatPhrase, mirrorHands, type Phrase } from '../changes'
import { isHand, type Letter, type SlotContent, strokesInSlot } from '../sticking'
import { type CellEntry, type CellFamily, KIT_CELLS, RUDIMENTS } from './data'

/** A named sticking: no rate, no place. */
export interface Cell {
  readonly id: string
  readonly name: string
  readonly family: CellFamily | 'own'
  /** Its place in the international list of rudiments, from 1; null for all else. */
  readonly rudiment: number | null
  readonly phrase: Phrase
  readonly tags: readonly string[]
}

function toCell(entry: CellEntry, rudiment: number | null): Cell {
  const phrase = findPhrase(entry.line)
  if (!phrase) throw new RangeError(`cell ${entry.id}: ${entry.line} cannot be read`)
  return { id: entry.id, name: entry.name, family: entry.family, rudiment, phrase, tags: [] }
}

/** Every cell that ships: the forty rudiments first, then cells with kicks, shorter ones first. */
export const CATALOGUE: readonly Cell[] = [
  ...RUDIMENTS.map((entry, i) => toCell(entry, i + 1)),
  ...KIT_CELLS.map((entry) => toCell(entry, null)),
]

/**
 * A cell led by the other hand.
 *
 * @example text(otherLead(CATALOGUE[0]).phrase) // 'LR'
 */
export function otherLead(cell: Cell): Cell {
  return { ...cell, phrase: mirrorHands(cell.phrase) }
}

/** What the catalogue can be searched by. */
export interface CellTraits {
  readonly slots: number
  readonly strokes: number
  readonly kick: boolean
  readonly linear: boolean
  readonly flam: boolean
  readonly diddle: boolean
  /** The first and the last letter struck; null where there is none. */
  readonly leads: Letter | null
  readonly ends: Letter | null
}

/** What a phrase is made of. */
export function traitsOf({ slots }: Phrase): CellTraits {
  const strokes = slots.flatMap((slot) => strokesInSlot(slot).map(({ stroke }) => stroke))
  const alone = slots.map(onlyLetter)
  return {
    slots: slots.length,
    strokes: strokes.length,
    kick: strokes.some(({ letter }) => letter === 'K'),
    linear: slots.every(isLinearSlot),
    flam: strokes.some(({ graces }) => graces > 0),
    diddle:
      slots.some(isDiddleSlot) ||
      alone.some((letter, i) => letter && isHand(letter) && letter === alone[i + 1]),
    leads: strokes[0]?.letter ?? null,
    ends: strokes.at(-1)?.letter ?? null,
  }
}

function onlyLetter(content: SlotContent): Letter | undefined {
  return content.kind === 'struck' && content.strokes.length === 1
    ? content.strokes[0]?.letter
    : undefined
}

function isLinearSlot(content: SlotContent): boolean {
  const parts = content.kind === 'squeeze' ? content.parts : [content]
  return parts.every(
    (part) => part.kind === 'rest' || (part.strokes.length === 1 && part.strokes[0]?.graces === 0),
  )
}

function isDiddleSlot(content: SlotContent): boolean {
  if (content.kind !== 'squeeze') return false
  const letters = content.parts.map(onlyLetter)
  return letters.some((letter, i) => letter && isHand(letter) && letter === letters[i + 1])
}

/** What is asked of a cell; a field that is missing asks nothing. */
export interface CellQuery {
  readonly words?: string
  readonly slots?: number
  readonly family?: Cell['family']
  readonly kick?: boolean
  readonly linear?: boolean
  readonly flam?: boolean
  readonly diddle?: boolean
  readonly leads?: Letter
  readonly ends?: Letter
}

/** The cells that answer a query, in their order. A query led by L also finds mirrors. */
export function findCells(cells: readonly Cell[], query: CellQuery): Cell[] {
  const mirrored = query.leads === 'L' ? cells.map(otherLead) : cells
  return mirrored.filter((cell) => answers(cell, query))
}

function answers(cell: Cell, query: CellQuery): boolean {
  const traits = traitsOf(cell.phrase)
  const asked = ['slots', 'kick', 'linear', 'flam', 'diddle', 'leads', 'ends'] as const
  if (asked.some((trait) => query[trait] !== undefined && query[trait] !== traits[trait]))
    return false
  if (query.family && query.family !== cell.family) return false
  const words = query.words?.trim().toLowerCase() ?? ''
  if (words === '') return true
  const said = `${cell.name} ${cell.tags.join(' ')} ${cell.family}`.toLowerCase()
  const letters = formatPhrase(cell.phrase)
    .replace(/[^a-z]/gi, '')
    .toLowerCase()
  return (
    words.split(/\s+/).every((word) => said.includes(word)) ||
    letters.startsWith(words.replace(/[^a-z]/g, '') || '?')
  )
}
