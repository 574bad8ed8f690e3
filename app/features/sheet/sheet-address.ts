import { DEFAULT_CHOICES, PAPERS, SHEET_SIZES, type SheetChoices } from '~/core/sheet'

/** What stands under each lick of a sheet: nothing, the steps of its plan, its saved versions. */
export const UNDER = ['parts', 'versions'] as const
export type Under = (typeof UNDER)[number]

/** A sheet as its address tells it: which licks, in which order, and all that is chosen. */
export interface SheetState {
  /** A solo whose parts are on it, in place of licks; null for none. */
  readonly solo: string | null
  readonly ids: readonly string[]
  readonly title: string
  readonly note: string
  readonly under: readonly Under[]
  readonly choices: SheetChoices
}

/** So many licks go on a sheet; more of them are cut. */
export const MAX_ON_SHEET = 64
const MAX_TEXT = 2000
const MAX_SYSTEMS = 20

const OWN_ID = /^[\w-]{1,60}$/

/** What each choice may be. */
const CHOICES: {
  readonly [K in Exclude<keyof SheetChoices, 'mostSystems'>]: readonly SheetChoices[K][]
} = {
  paper: Object.keys(PAPERS) as (keyof typeof PAPERS)[],
  size: Object.keys(SHEET_SIZES) as (keyof typeof SHEET_SIZES)[],
  stacks: [true, false],
  sticking: ['below', 'above', 'none'],
  footLetters: [true, false],
  counts: [true, false],
  voices: [true, false],
  groove: ['notes', 'slashes', 'none'],
  beaming: ['beat', 'group'],
  ladder: [true, false],
  key: [true, false],
  turned: [true, false],
}

/** Reads a sheet out of an address. What is not known there is left as it usually is. */
export function parseSheetAddress(search: URLSearchParams): SheetState {
  const chosen = Object.fromEntries(
    Object.entries(CHOICES).flatMap(([key, allowed]) => {
      const given = search.get(key)
      const found = (allowed as readonly (string | boolean)[]).find((one) => String(one) === given)
      return found === undefined ? [] : [[key, found]]
    }),
  )
  const systems = Number(search.get('systems') ?? '')
  const mostSystems =
    Number.isInteger(systems) && systems >= 1 && systems <= MAX_SYSTEMS ? systems : null
  const ids = (search.get('licks') ?? '').split(',').filter(Boolean)
  const under = (search.get('with') ?? '').split(',')
  const solo = search.get('solo')
  return {
    solo: solo && OWN_ID.test(solo) ? solo : null,
    ids: [...new Set(ids)].slice(0, MAX_ON_SHEET),
    title: (search.get('title') ?? '').slice(0, MAX_TEXT),
    note: (search.get('note') ?? '').slice(0, MAX_TEXT),
    under: UNDER.filter((one) => under.includes(one)),
    choices: { ...DEFAULT_CHOICES, ...chosen, mostSystems },
  }
}

/**
 * The address of a sheet: only what differs from what is usual is in it. Law: read again it is the same.
 * Example: two licks on Letter are `licks=a,b&paper=Letter`.
 */
export function formatSheetAddress({ solo, ids, title, note, under, choices }: SheetState): string {
  const search = new URLSearchParams()
  if (solo !== null) search.set('solo', solo)
  if (ids.length > 0) search.set('licks', ids.join(','))
  if (under.length > 0) search.set('with', under.join(','))
  if (title !== '') search.set('title', title)
  if (note !== '') search.set('note', note)
  for (const key of Object.keys(CHOICES) as (keyof typeof CHOICES)[]) {
    if (choices[key] !== DEFAULT_CHOICES[key]) search.set(key, String(choices[key]))
  }
  if (choices.mostSystems !== null) search.set('systems', String(choices.mostSystems))
  return search.toString()
}

/** What stands for a lick that is not in the library: its number among the texts that came along. */
export function textId(index: number): string {
  return `text-${index}`
}

/** The text that an id stands for; undefined where it is that of a lick. */
export function textOf(id: string, texts: readonly string[]): string | undefined {
  const number = /^text-(\d{1,3})$/.exec(id)?.[1]
  return number === undefined ? undefined : texts[Number(number)]
}
