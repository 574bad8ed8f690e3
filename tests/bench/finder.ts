import highs from 'highs'
import { CATALOGUE } from '~/core/catalogue'
import { formsOf, type Question, Ways } from '~/core/finder'
import { scoresOf } from '~/core/finder/taste'
import { DEFAULT_SETTING } from '~/core/playability'
import { strokesInSlot } from '~/core/sticking'
import { allWays } from '../support/all-ways'

/** How long a question takes against its slots, its cells, and trying all. Ratios: machines differ. */
const SIXTEENTHS = { value: 16, tuplet: null } as const
const CELLS = CATALOGUE.filter(({ phrase }) => phrase.slots.length <= 12)

function question(slots: number, cells: number, hard = true): Question {
  const chosen = Array.from({ length: cells }, (_, i) => {
    const { phrase } = CELLS[i % CELLS.length] as (typeof CELLS)[number]
    // More cells than the catalogue has: the same ones, begun later.
    const by = Math.floor(i / CELLS.length)
    const turned = [...phrase.slots.slice(by), ...phrase.slots.slice(0, by)]
    return { phrase: { slots: [...turned, ...turned.slice(0, by)], groups: [turned.length + by] } }
  })
  return {
    space: { start: 0, slots: Array.from({ length: slots }, () => 2520), beat: 10_080, layers: [] },
    cells: chosen,
    forms: { inversions: hard, mirrors: hard, cut: false },
    conditions: hard
      ? {
          starts: ['R'],
          ends: ['L'],
          free: { letter: 'R', tempo: 126, wayMs: 200 },
          runs: 2,
          kicks: { least: 2, most: 12 },
          kicksApart: true,
          speed: 126,
          accents: { must: [8], not: [], put: true },
        }
      : { runs: 2 },
    taste: { kicks: 1, doubles: -1 },
    setting: DEFAULT_SETTING,
  }
}

/** The shortest of a few times, in milliseconds: count, and count with the best fifty. */
function timed(asked: Question, times = 3): { count: number; best: number; ways: bigint } {
  let [count, best, ways] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, 0n]
  for (let i = 0; i < times; i += 1) {
    const begun = performance.now()
    const all = new Ways(asked)
    const counted = performance.now()
    all.best(50)
    const ranked = performance.now()
    count = Math.min(count, counted - begun)
    best = Math.min(best, ranked - begun)
    ways = all.count
  }
  return { count, best, ways }
}

const figure = (ms: number) => `${ms.toFixed(0)} ms`
timed(question(32, 20))
console.log('\nThe finder: eight conditions, cells with their inversions and mirrors')
let last: number | null = null
for (const slots of [16, 32, 64, 128, 256]) {
  const { count, best, ways } = timed(question(slots, 60))
  const growth = last === null ? '' : `, ${(best / last).toFixed(2)} times the one before`
  console.log(
    `${slots} slots of 60 cells: ${figure(count)} to count, ${figure(best)} with the best 50${growth} (10^${ways.toString().length - 1} ways)`,
  )
  last = best
}
last = null
for (const cells of [20, 60, 180]) {
  const { best } = timed(question(64, cells))
  const growth = last === null ? '' : `, ${(best / last).toFixed(2)} times the one before`
  console.log(`64 slots of ${cells} cells: ${figure(best)} with the best 50${growth}`)
  last = best
}
const memory = process.memoryUsage()
console.log(`memory after all of it: ${Math.round(memory.heapUsed / 1e6)} MB of objects`)

console.log('\nAgainst trying all')
for (let slots = 8; ; slots += 2) {
  const asked = question(slots, 4, false)
  const begun = performance.now()
  const all = allWays(asked, [[SIXTEENTHS, slots]])
  const tried = performance.now() - begun
  const { count, ways } = timed(asked)
  const same = ways === BigInt(all.length) ? 'equal' : 'NOT EQUAL'
  console.log(
    `${slots} slots: ${all.length} ways, ${figure(tried)} by trying all, ${(tried / count).toFixed(0)} times as long as counting; ${same}`,
  )
  if (tried > 3000) break
}

/**
 * The best fill as an integer program: a variable for each form at each place, each slot filled once, kicks within
 * their bounds. It knows no count, no list and no condition over joins; so only those are asked of both.
 */
function asProgram(asked: Question): string {
  const { length } = asked.space.slots
  const { least, most } = asked.conditions.kicks ?? { least: 0, most: length }
  const scores = scoresOf(asked.taste, asked.space)
  const placed = formsOf(asked.cells, asked.forms, length).flatMap((form) => {
    const kicks = form.slots
      .flatMap(strokesInSlot)
      .filter(({ stroke }) => stroke.letter === 'K' || stroke.letter === 'J').length
    return Array.from({ length: length - form.slots.length + 1 }, (_, at) => ({
      name: `f${form.index}_${at}`,
      at,
      to: at + form.slots.length,
      kicks,
      score: scores.form(form, at),
    }))
  })
  const sum = (terms: readonly (readonly [number, string])[]) =>
    terms.map(([weight, name]) => `${weight < 0 ? '-' : '+'} ${Math.abs(weight)} ${name}`).join(' ')
  const fills = Array.from({ length }, (_, slot) => {
    const over = placed.filter(({ at, to }) => at <= slot && slot < to)
    return `s${slot}: ${sum(over.map(({ name }) => [1, name]))} = 1`
  })
  const kicked = placed
    .filter(({ kicks }) => kicks > 0)
    .map((one) => [one.kicks, one.name] as const)
  const liked = placed
    .filter(({ score }) => score !== 0)
    .map((one) => [one.score, one.name] as const)
  return [
    'Maximize',
    `o: ${sum(liked)}`,
    'Subject To',
    ...fills,
    `least: ${sum(kicked)} >= ${least}`,
    `most: ${sum(kicked)} <= ${most}`,
    'Binary',
    ...placed.map(({ name }) => name),
    'End',
  ].join('\n')
}

console.log('\nAgainst an integer program: the best fill alone, with kicks within bounds')
const solver = await highs()
for (const [slots, cells] of [
  [16, 60],
  [32, 60],
  [64, 60],
] as const) {
  const asked: Question = {
    ...question(slots, cells),
    conditions: { kicks: { least: 2, most: 12 } },
  }
  const program = asProgram(asked)
  const begun = performance.now()
  const solved = solver.solve(program, { time_limit: 60 })
  const took = performance.now() - begun
  const counted = performance.now()
  const all = new Ways(asked)
  const [best] = all.best(1).ways
  const own = performance.now() - counted
  const found = solved.Status === 'Infeasible' ? undefined : Math.round(solved.ObjectiveValue)
  const same = found === best?.score ? 'equal' : 'NOT EQUAL'
  console.log(
    `${slots} slots of ${cells} cells: ${figure(took)} by the program (${solved.Status}), ${(took / own).toFixed(1)} times as long as counting all and ranking; ${same}`,
  )
}
