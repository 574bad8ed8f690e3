import { fail, ok, type Result } from '~/core/foundation'
import {
  type Hairpin,
  LANDING_WORDS,
  type Landing,
  MAX_LEAD,
  type NamedPart,
  PART_NAME_MOST,
  TEMPO_RANGE,
} from '~/core/line'
import { parseLine } from '~/core/notation'
import { LEVELS, type Level } from '~/core/sticking'
import {
  findGrid,
  findMeter,
  findPlace,
  type Grid,
  type Meter,
  type Swing,
  type Ticks,
} from '~/core/time'
import { normalTitle } from './title'
import { FORMAT_VERSION_NAME } from './version'

/** Reads a value; the failure is what was expected instead, in words. */
export type ReadValue<T> = (value: string) => Result<T, string>

const NUMBER = /^\d{1,4}(?:\.\d{1,6})?$/
const WHOLE = /^\d{1,4}$/
const LAST_SLOT = 4095

export function version(value: string): Result<number, string> {
  return value === FORMAT_VERSION_NAME
    ? ok(Number(value))
    : fail(`version ${FORMAT_VERSION_NAME}, the only one that this app reads`)
}

export function meter(value: string): Result<Meter, string> {
  return found(findMeter(value), 'a metre such as 4/4, 6/8 or 7/8 2+2+3, its groups adding up')
}

export function grid(value: string): Result<Grid, string> {
  return found(findGrid(value), 'a grid such as 1/16, 1/8t, 1/16q or 1/32')
}

export function tempo(value: string): Result<number, string> {
  const { least, most } = TEMPO_RANGE
  const number = NUMBER.test(value) ? Number(value) : Number.NaN
  return number >= least && number <= most ? ok(number) : fail(`a tempo from ${least} to ${most}`)
}

export function place(value: string, within: Meter): Result<Ticks, string> {
  return found(findPlace(value, within), 'a place in the bar such as 1, 2&, 3a, 4trip or 3+1/6')
}

export function stop(value: string, within: Meter, start: Ticks): Result<Ticks, string> {
  const at = findPlace(value, within)
  return at !== undefined && at <= start ? ok(at) : fail('a place at the start or before it')
}

export function lead(value: string): Result<number, string> {
  return whole(value, 0, MAX_LEAD, `whole bars of groove, 0 to ${MAX_LEAD}`)
}

export function bars(value: string): Result<number, string> {
  return whole(value, 1, 64, 'whole bars, 1 to 64')
}

export function name(value: string): Result<string, string> {
  return /^[\w-]{1,60}$/.test(value) ? ok(value) : fail('a name of letters, digits and hyphens')
}

const LANDING_EXPECTED =
  'crash, stop, groove, none or last, or one slot of strokes such as (>L:c1K), then perhaps choke or beat'

export function landing(value: string): Result<Landing, string> {
  const [word = '', ...more] = value.split(/\s+/)
  const at = more.at(-1) === 'beat' ? 'beat' : 'bar'
  const others = at === 'beat' ? more.slice(0, -1) : more
  const kind = LANDING_WORDS.find((known) => known === word)
  if (kind) return others.length === 0 ? ok({ kind, at }) : fail(LANDING_EXPECTED)
  const choke = others[0] === 'choke'
  if (others.length > Number(choke)) return fail(LANDING_EXPECTED)
  const read = parseLine(word, { grid: SLOT_GRID, start: 0, bar: null })
  const [slot, ...slots] = read.ok ? read.value.line.slots : []
  if (!slot || slot.kind === 'rest' || slots.length > 0) return fail(LANDING_EXPECTED)
  return ok({ kind: 'strokes', at, slot, choke })
}

/** A single slot is read the same on every grid. */
const SLOT_GRID: Grid = { value: 16, tuplet: null }

/** Percent of three triplets that the first may take: from just over a third to two. */
export const MIN_LEAN = 34
export const MAX_LEAN = 66

export function swing(value: string): Result<Swing, string> {
  const match = /^(\d{2}(?:\.\d{1,6})?)(?:\s+1\/(8|16))?(?:\s+lean\s+(\d{2}(?:\.\d{1,6})?))?$/.exec(
    value,
  )
  const percent = Number(match?.[1])
  const lean = match?.[3] === undefined ? undefined : Number(match[3])
  if (!match || percent < 50 || percent > 75)
    return fail('a percent from 50 to 75, then perhaps 1/16')
  if (lean !== undefined && (lean < MIN_LEAN || lean > MAX_LEAN))
    return fail(`after lean, the percent that the first of three takes: ${MIN_LEAN} to ${MAX_LEAN}`)
  // Straight has one form, so that equal licks are equal data.
  return ok({
    percent,
    pairs: match[2] === '16' && percent !== 50 ? 16 : 8,
    ...(lean !== undefined && { lean }),
  })
}

export function swell(value: string): Result<Hairpin, string> {
  const match = /^(\d{1,4})\.\.(\d{1,4})\s+(\w+)>(\w+)$/.exec(value)
  const [from, to] = [Number(match?.[1]), Number(match?.[2])]
  const [start, end] = [level(match?.[3]), level(match?.[4])]
  if (!match || from > to || to > LAST_SLOT || !start || !end) {
    return fail('slots from..to and levels, such as 0..4 ghost>accent')
  }
  return ok({ from, to, start, end })
}

export function part(value: string): Result<NamedPart, string> {
  const match = /^(\d{1,4})\.\.(\d{1,4})(?:\s(.*))?$/.exec(value)
  const [from, to] = [Number(match?.[1]), Number(match?.[2])]
  if (!match || from > to || to > LAST_SLOT) return fail(PART_EXPECTED)
  const name = normalTitle(match[3] ?? '')
  return name.length > PART_NAME_MOST ? fail(PART_EXPECTED) : ok({ name, from, to })
}
const PART_EXPECTED = `slots from..to and a name of up to ${PART_NAME_MOST} letters, such as 0..4 first five`

function level(word: string | undefined): Level | undefined {
  return LEVELS.find((known) => known === word)
}

function whole(
  value: string,
  least: number,
  most: number,
  expected: string,
): Result<number, string> {
  const number = WHOLE.test(value) ? Number(value) : -1
  return number >= least && number <= most ? ok(number) : fail(expected)
}

function found<T>(value: T | undefined, expected: string): Result<T, string> {
  return value === undefined ? fail(expected) : ok(value)
}
