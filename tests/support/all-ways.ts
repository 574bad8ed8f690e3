import { findPhrase, type Phrase } from '~/core/changes'
import { type CellForm, distance, formsOf, type Question } from '~/core/finder'
import { EMPTY_LICK, type Lick, lineEvents, lineTicks, sumOf } from '~/core/line'
import { formatSlot } from '~/core/notation'
import { characterOf, movesTooFast } from '~/core/playability'
import { hasAccent, strokesInSlot } from '~/core/sticking'
import type { Grid } from '~/core/time'
import { gridTicks } from '~/core/time'

/** What the grids of a space are called, so that a fill can be made a lick of: runs of slots of one grid. */
export type GridRun = readonly [grid: Grid, slots: number]

/** A way as brute force finds it. */
export interface ListedWay {
  readonly phrase: Phrase
  readonly cells: readonly number[]
  readonly forms: readonly CellForm[]
}

/**
 * Every way that obeys a question, by trying all: each order of forms that fills the space is made a lick of,
 * and each condition is asked of the lick by what else the core says of it.
 */
export function allWays(question: Question, grids: readonly GridRun[]): ListedWay[] {
  const length = question.space.slots.length
  const forms = formsOf(question.cells, question.forms)
  const found: ListedWay[] = []
  const walk = (left: number, taken: readonly CellForm[]) => {
    if (left === 0) {
      const phrase = {
        slots: taken.flatMap(({ slots }) => slots),
        groups: taken.map(({ slots }) => slots.length),
      }
      const way = { phrase, cells: taken.map(({ cell }) => cell), forms: taken }
      if (obeys(way, question, grids)) found.push({ ...way, phrase: asPut(phrase, question) })
      return
    }
    for (const form of forms) {
      const { length: size } = form.slots
      if (size > left || (form.cut && size < left)) continue
      walk(left - size, [...taken, form])
    }
  }
  walk(length, [])
  return found
}

/** The fill as a lick, all of whose hands are on one surface. */
function toLick(
  { phrase }: ListedWay,
  { space, before }: Question,
  grids: readonly GridRun[],
): Lick {
  let at = 0
  const gridChanges = grids.map(([grid, slots]) => {
    const change = { at, grid }
    at += slots
    return change
  })
  const all = [...(before ?? []), ...phrase.slots]
  const bare = all.map((content) =>
    content.kind === 'rest'
      ? content
      : content.kind === 'struck'
        ? { ...content, strokes: content.strokes.map(plain) }
        : {
            ...content,
            parts: content.parts.map((part) =>
              part.kind === 'rest' ? part : { ...part, strokes: part.strokes.map(plain) },
            ),
          },
  )
  return {
    ...EMPTY_LICK,
    frame: { ...EMPTY_LICK.frame, start: space.start, grid: grids[0]?.[0] as Grid },
    line: {
      slots: bare,
      groups: [...(before ? [before.length] : []), ...phrase.groups],
      gridChanges: gridChanges.slice(1),
    },
  }
}

function plain<S extends { readonly voice?: unknown; readonly graceVoice?: unknown }>(
  stroke: S,
): S {
  const { voice: _, graceVoice: __, ...rest } = stroke
  return rest as S
}

function obeys(way: ListedWay, question: Question, grids: readonly GridRun[]): boolean {
  const { cells, space, conditions: asked, setting } = question
  const lick = toLick(way, question, grids)
  const events = lineEvents(lick)
  const ticks = [...new Set(events.map(({ tick }) => tick))]
  const lettersAt = (slot: number) => strokesInSlot(way.phrase.slots[slot] ?? { kind: 'rest' })
  const onsets = way.phrase.slots.flatMap((content) => {
    const by = new Map<number, string[]>()
    for (const { stroke, top } of strokesInSlot(content))
      by.set(top, [...(by.get(top) ?? []), stroke.letter])
    return [...by].sort(([a], [b]) => a - b).map(([, letters]) => letters)
  })
  const past = (question.before ?? []).at(-1)
  const lastBefore = past && past.kind !== 'rest' ? strokesInSlot(past).at(-1) : undefined
  const isKick = (letter: string) => letter === 'K' || letter === 'J'
  const kicks = onsets.flat().filter(isKick).length
  const { slots: sizes } = { slots: way.phrase.groups }
  const uses = cells.map((_, cell) => way.cells.filter((one) => one === cell).length)
  const has = (letters: readonly string[], at: number, wanted: string) =>
    (onsets[at] ?? []).includes(wanted) && letters.length > 0
  const character = characterOf(lick, setting.kit, 100)
  const spaceEnd = space.start + lineTicks(lick.line, lick.frame.grid)
  const checks: boolean[] = [
    cells.every(
      ({ least = 0, most = Number.POSITIVE_INFINITY }, i) =>
        (uses[i] as number) >= least && (uses[i] as number) <= most,
    ),
    (asked.starts ?? []).every((letter, i) => has(asked.starts ?? [], i, letter)),
    (asked.ends ?? []).every((letter, i, all) => has(all, onsets.length - all.length + i, letter)),
    asked.runs === undefined || (character.longestRun?.length ?? 0) <= asked.runs,
    !asked.kicks || (kicks >= asked.kicks.least && kicks <= asked.kicks.most),
    !asked.kicksApart ||
      !(lastBefore && isKick(lastBefore.stroke.letter) && (onsets[0] ?? []).some(isKick)),
    !asked.kicksApart ||
      onsets.every((letters, i) => !letters.some(isKick) || !(onsets[i + 1] ?? []).some(isKick)),
    (asked.kicksOn ?? []).every((slot) =>
      lettersAt(slot).some(({ stroke }) => isKick(stroke.letter)),
    ),
    !asked.accents ||
      (asked.accents.put === true &&
        asked.accents.must.every(
          (slot) =>
            !asked.accents?.not.includes(slot) &&
            lettersAt(slot).some(({ stroke }) => 'RLX'.includes(stroke.letter)),
        )) ||
      (asked.accents.put !== true &&
        asked.accents.must.every((slot) => hasAccent(way.phrase.slots[slot] ?? { kind: 'rest' })) &&
        asked.accents.not.every((slot) => !hasAccent(way.phrase.slots[slot] ?? { kind: 'rest' }))),
    asked.linear === undefined || sumOf(lick).linear,
    asked.linear !== 'layers' ||
      !ticks.some((tick) => space.layers.some((one) => one.tick === tick)),
    !asked.clear ||
      !events.some(({ tick, limb }) =>
        space.layers.some((one) => one.tick === tick && one.limb === limb),
      ),
    asked.speed === undefined || movesTooFast(lick, 'line', setting, asked.speed).length === 0,
    asked.inRow === undefined || longestInRow(way.cells) <= asked.inRow,
    asked.sizes === undefined ||
      sizes.every((size, i) => {
        const before = sizes[i - 1] ?? size
        if (asked.sizes === 'mirrored') return size === sizes[sizes.length - 1 - i]
        return asked.sizes === 'rising' ? size >= before : size <= before
      }),
    !asked.grouping || isGrouped(sizes, asked.grouping),
    !asked.free || isFree(asked.free),
    !asked.pattern || isPattern(asked.pattern),
    (asked.backbeat?.slots ?? []).every((slot) =>
      lettersAt(slot).some(
        ({ stroke, top }) => top === 0 && stroke.letter === asked.backbeat?.letter,
      ),
    ),
    (asked.fresh?.lines ?? []).every(
      (line) => distance(line, way.phrase.slots) >= (asked.fresh?.least ?? 0),
    ),
  ]
  function isPattern({ slots, least, most, apart }: NonNullable<typeof asked.pattern>): boolean {
    const put: boolean[] = []
    for (const [i, content] of way.phrase.slots.entries()) {
      const written = formatSlot(content)
      const { plain: bare, put: other } = slots[i] ?? { plain: null, put: null }
      if (bare && written === formatSlot(bare)) put.push(false)
      else if (other && written === formatSlot(other)) put.push(true)
      else return false
    }
    const times = put.filter(Boolean).length
    const together = put.some((one, i) => one && put[i + 1] === true)
    return times >= least && times <= most && !(apart && together)
  }
  function isFree({ letter, tempo, wayMs }: NonNullable<typeof asked.free>): boolean {
    const limb = { R: 'RH', L: 'LH', K: 'RF' }[letter]
    const own = events.filter((event) => event.limb === limb)
    const last = own.at(-1)
    if (!last) return true
    if (last.tick === events.at(-1)?.tick) return false
    const ms = ((spaceEnd - last.tick) / space.beat) * (60_000 / tempo)
    return ms >= wayMs - 1e-6
  }
  return checks.every(Boolean)
}

/** The phrase with the accents that are put on it, through its text: `>` before the first hand of a slot. */
function asPut(phrase: Phrase, { conditions }: Question): Phrase {
  const { must = [], not = [], put = false } = conditions.accents ?? {}
  if (!put) return phrase
  const slots = phrase.slots.map((content, slot) => {
    const written = formatSlot(content)
    if (not.includes(slot)) return written.replace(/[>^]/g, '')
    if (!must.includes(slot) || /[>^]/.test(written)) return written
    if (!written.startsWith('{'))
      return written.replace(/([fdt]?)([RLXrlx])/g, (all) => accent(all))
    // In a squeeze only what comes first.
    const at = written.search(/\([^)]*[RLXrlx][^)]*\)|[fdt]?[RLXrlx]/)
    const [, part = ''] = /^(\([^)]*\)|_?[fdt]?[RLXrlx])/.exec(written.slice(at)) ?? []
    return `${written.slice(0, at)}${part.replace(/[fdt]?[RLXrlx]/g, accent)}${written.slice(at + part.length)}`
  })
  const read = findPhrase(slots.join(''))
  if (!read) throw new Error(`not read: ${slots.join('')}`)
  return { slots: read.slots, groups: phrase.groups }
}

function accent(stroke: string): string {
  return `>${stroke.slice(0, -1)}${stroke.slice(-1).toUpperCase()}`
}

function longestInRow(cells: readonly number[]): number {
  let longest = 0
  let run = 0
  for (const [i, cell] of cells.entries()) {
    run = cell === cells[i - 1] ? run + 1 : 1
    longest = Math.max(longest, run)
  }
  return longest
}

function isGrouped(
  sizes: readonly number[],
  { sizes: wanted, ordered }: { readonly sizes: readonly number[]; readonly ordered: boolean },
): boolean {
  const sorted = (all: readonly number[]) => [...all].sort((a, b) => a - b).join(' ')
  return ordered ? sizes.join(' ') === wanted.join(' ') : sorted(sizes) === sorted(wanted)
}

/** How long the slots of runs of grids are. */
export function slotsOfGrids(grids: readonly GridRun[]): number[] {
  return grids.flatMap(([grid, slots]) => Array.from({ length: slots }, () => gridTicks(grid)))
}
