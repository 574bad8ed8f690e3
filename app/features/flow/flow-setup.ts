import * as z from 'zod/mini'
import { TEMPO_RANGE } from '~/core/line'
import { findGrid, findMeter } from '~/core/time'

/** Something to mix, as the address names it: a lick of the library, or a sticking as it is typed. */
export interface SourceName {
  readonly kind: 'lick' | 'line' | 'version'
  readonly of: string
  readonly weight: number
}

/** How the player wants a flow; all of it stands in the address, so that it can be shared. */
export interface FlowSetup {
  readonly mode: 'mix' | 'stretch'
  readonly sources: readonly SourceName[]
  readonly meter: string
  readonly grid: string
  readonly tempo: number
  /** Bars of a phrase, in a mix. */
  readonly bars: number
  readonly mostInRow: number
  /** Strokes of one limb in a row where two cells join, at the most; 0 for any number. */
  readonly longestRun: number
  /** Whether a cell is led by the other hand where a limb would run on for longer. */
  readonly mirrors: boolean
  readonly tail: 'rest' | 'singles' | 'kicks'
  readonly seed: number
  /** Beats that a phrase is stretched by at the most, and times on each length. */
  readonly beats: number
  readonly times: number
  readonly order: 'growing' | 'chance'
  /** What is wished of what is drawn, beside the weights. */
  readonly density: 'any' | 'sparse' | 'dense'
  readonly register: 'any' | 'low' | 'high'
  /** The way in which all of it is laid on the kit, by its id; empty for as it is written. */
  readonly voicing: string
  /** What goes round under it: a way of the hi-hat foot, or typed as under a lick; empty for nothing. */
  readonly feet: string
  /** Whether each phrase is followed by as many bars that are left free. */
  readonly answers: boolean
  /** What is drawn anew in every phrase; empty for nothing. */
  readonly varies: '' | 'voices' | 'accents' | 'kicks'
}

/** Where the hi-hat foot may go under a flow, in any metre. */
export const HAT_FEET = ['hat beats', 'hat second', 'hat between'] as const
export type HatFoot = (typeof HAT_FEET)[number]

/** Whether what goes round under a flow is chosen, and not typed. */
export function isHatFoot(feet: string): feet is HatFoot {
  return HAT_FEET.some((one) => one === feet)
}

export const MAX_SOURCES = 12
export const MAX_WEIGHT = 9

const whole = (least: number, most: number, usual: number) =>
  z.catch(z.coerce.number().check(z.multipleOf(1), z.minimum(least), z.maximum(most)), usual)

const said = z.pipe(
  z.catch(z.enum(['true', 'false']), 'false'),
  z.transform((word) => word === 'true'),
)

const setupSchema = z.object({
  mode: z.catch(z.enum(['mix', 'stretch']), 'mix'),
  meter: z.catch(z.string().check(z.refine((text) => findMeter(text) !== undefined)), '4/4'),
  grid: z.catch(z.string().check(z.refine((text) => findGrid(text) !== undefined)), '1/16'),
  tempo: whole(TEMPO_RANGE.least, TEMPO_RANGE.most, 80),
  bars: whole(1, 4, 1),
  mostInRow: whole(1, 9, 2),
  longestRun: whole(0, 4, 3),
  mirrors: said,
  tail: z.catch(z.enum(['rest', 'singles', 'kicks']), 'singles'),
  seed: whole(1, 999_999, 1),
  beats: whole(1, 8, 2),
  times: whole(1, 16, 4),
  order: z.catch(z.enum(['growing', 'chance']), 'growing'),
  density: z.catch(z.enum(['any', 'sparse', 'dense']), 'any'),
  register: z.catch(z.enum(['any', 'low', 'high']), 'any'),
  voicing: z.catch(z.string().check(z.regex(/^[\w-]{0,30}$/)), ''),
  feet: z.catch(z.string().check(z.maxLength(60)), ''),
  answers: said,
  varies: z.catch(z.enum(['', 'voices', 'accents', 'kicks']), ''),
})

/** Taken up where nothing is chosen yet: a five and a three, so that something sounds at once. */
const FIRST: readonly SourceName[] = [
  { kind: 'line', of: 'RLLRK', weight: 1 },
  { kind: 'line', of: 'RLK', weight: 1 },
]

/** Reads an address; what is not in it, or cannot be read, is as usual. */
export function parseSetup(search: URLSearchParams): FlowSetup {
  const sources = search.getAll('source').slice(0, MAX_SOURCES).flatMap(parseSource)
  const given = search.has('source') ? sources : FIRST
  return { ...setupSchema.parse(Object.fromEntries(search)), sources: given }
}

function parseSource(text: string): SourceName[] {
  const [, weight, kind, of] = /^(\d):(lick|line|version):(.{1,400})$/s.exec(text) ?? []
  if (!of || (kind !== 'lick' && kind !== 'line' && kind !== 'version')) return []
  return [{ kind, of, weight: Number(weight) }]
}

/** A setup as an address; `parseSetup` of it is the same setup. */
export function formatSetup({ sources, ...rest }: FlowSetup): URLSearchParams {
  const search = new URLSearchParams()
  // One empty source tells none from never chosen.
  if (sources.length === 0) search.append('source', '')
  for (const { kind, of, weight } of sources) search.append('source', `${weight}:${kind}:${of}`)
  for (const [key, value] of Object.entries(rest)) search.set(key, String(value))
  return search
}

const KEY = 'dime-stack.flow'

/** Remembers a flow for the next visit, as long as the browser keeps anything. */
export function rememberFlow(setup: FlowSetup): void {
  try {
    localStorage.setItem(KEY, String(formatSetup(setup)))
  } catch {
    // Without storage the next visit begins anew.
  }
}

function lastFlow(): string {
  try {
    return localStorage.getItem(KEY) ?? ''
  } catch {
    return ''
  }
}

/** How a setup stands in the address of the page. */
export const FLOW_ADDRESS = {
  /** An address that says nothing is the flow of the last visit. */
  open: (search: string): FlowSetup =>
    parseSetup(new URLSearchParams(search.length > 1 ? search : lastFlow())),
  format: (setup: FlowSetup): string => String(formatSetup(setup)),
}
