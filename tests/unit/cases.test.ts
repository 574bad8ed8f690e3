import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { toHeadlessEvents, toHeadlessSum } from '~/codecs/headless'
import { formatKit } from '~/codecs/kit'
import { formatLickText, parseLickText } from '~/codecs/lick-text'
import { DEFAULT_KIT } from '~/core/kit'
import { lickCommand } from '../../scripts/lick-command'
import { lickOf } from '../support/licks'

const CASES = join(import.meta.dirname, '../fixtures/cases')
const names = readdirSync(CASES)
  .filter((file) => file.endsWith('.lick'))
  .map((file) => file.slice(0, -5))
const textOf = (name: string) => readFileSync(join(CASES, `${name}.lick`), 'utf8')

describe('the sample licks', () => {
  it('are all there', () => expect(names.length).toBe(20))

  it.each(names)('%s has the events and the sum that are expected of it', (name) => {
    const expected = JSON.parse(readFileSync(join(CASES, `${name}.json`), 'utf8'))
    const lick = lickOf(textOf(name))
    expect(toHeadlessEvents(lick)).toEqual(expected.events)
    expect(toHeadlessSum(lick)).toMatchObject(expected.sum)
  })

  it.each(names)('%s reads back the same from its canonical text', (name) => {
    const lick = lickOf(textOf(name))
    const text = formatLickText(lick)
    expect(lickOf(text)).toEqual(lick)
    expect(formatLickText(lickOf(text))).toBe(text)
  })
})

/** Where each refused line is at fault, and how its fault is called. */
const REFUSED_AT: Readonly<Record<string, readonly [column: number, code: string]>> = {
  '(RR)': [3, 'limb-twice'],
  '(HJ)K': [3, 'limb-twice'],
  'RL(XX)': [5, 'limb-twice'],
  '(RLX)': [4, 'no-hand-left'],
  '(fRL)K': [2, 'grace-hand-busy'],
  'RL>rK': [3, 'level-on-ghost'],
  fKRL: [1, 'grace-on-foot'],
  'R:t1/snL': [5, 'grace-voice-without-grace'],
  'R:t': [2, 'voice-length'],
  'R:zzL': [3, 'no-such-voice'],
  '{R}L': [1, 'squeeze-needs-two'],
  '{R{LL}}': [3, 'nested'],
  '{RLRLRLRLR}': [10, 'squeeze-over-eight'],
  '(R)': [1, 'together-needs-two'],
  '()': [1, 'together-needs-two'],
  '(R-)': [3, 'rest-in-unison'],
  '(RK': [1, 'not-closed'],
  'RL)K': [3, 'not-opened'],
  '[RLK RL': [1, 'not-closed'],
  'RLK*0': [4, 'repeat-count'],
  'RLK*99999': [4, 'repeat-count'],
  'RL Q': [4, 'no-such-stroke'],
  '@1/7 RL': [2, 'no-such-grid'],
  'RLK | RLK': [5, 'bar-check'],
}

describe('the refused lines', () => {
  const refused: { line: string; why: string }[] = JSON.parse(
    readFileSync(join(CASES, 'refused.json'), 'utf8'),
  )

  it.each(refused)('$line is refused at its place: $why', ({ line }) => {
    const read = parseLickText(`dime-lick: 1\nline: ${line}\n`)
    const expected = REFUSED_AT[line]
    if (!expected || read.ok) throw new Error(`no place is known for ${line}, or it was read`)
    expect(read.error.map((issue) => [issue.line, issue.column, issue.code])).toEqual([
      [2, expected[0] + 'line: '.length, expected[1]],
    ])
  })
})

/** How the command is called, up to where two spaces begin what is said of it. */
const CALL = /^npm run -s lick -- ([a-z]+ (?:\[?(?:--[a-z]+|[A-Z]+|\d+|\.\.\.)\]? ?)+)/gm

/** The command with files that are only told, by their paths; `-` is what is piped in. */
async function run(words: readonly string[], told: Readonly<Record<string, string>> = {}) {
  const written: Record<string, Uint8Array | string> = {}
  const ended = await lickCommand(words, {
    read: (path) => (path in told ? new TextEncoder().encode(told[path]) : undefined),
    write: (path, content) => {
      written[path] = content
    },
  })
  const answer = () => JSON.parse(ended.out.toString())
  return { ...ended, answer, written }
}

describe('the command', () => {
  it('prints velocities where they are asked for, squeezed swells rising within their slots', async () => {
    const lick = { '-': 'swell: 0..1 ghost>accent\nline: {RL}{RL}' }
    const { events } = (await run(['events', '--velocity', '-'], lick)).answer()
    const velocities = events.map(({ velocity }: { velocity: number }) => velocity)
    expect(velocities).toHaveLength(4)
    expect(velocities).toEqual([...velocities].sort((a, b) => a - b))
    expect(velocities[0]).toBeLessThan(velocities[3])
    expect((await run(['events', '-'], lick)).answer().events[0]).not.toHaveProperty('velocity')
  })

  it('prints one object for a file, an array for several, and errors with exit 1', async () => {
    const files = { 'a.lick': textOf('tightrope'), 'b.lick': textOf('parade'), '-': 'line: RLq' }
    const one = await run(['sum', 'a.lick'], files)
    expect([one.code, one.answer().groups]).toEqual([0, [5, 3, 2]])
    expect((await run(['check', 'a.lick', 'b.lick'], files)).answer()).toEqual([
      { errors: [] },
      { errors: [] },
    ])
    expect((await run(['check', '-'], { '-': 'line: RLx' })).code).toBe(0)
    const refused = await run(['events', '-'], files)
    const fault = {
      line: 1,
      column: 9,
      found: 'q',
      expected: 'R, L, K, H, J, X or -',
      code: 'no-such-stroke',
    }
    expect([refused.code, refused.answer()]).toEqual([1, { errors: [fault] }])
    const mixed = await run(['check', 'a.lick', '-'], files)
    expect([mixed.code, mixed.answer()]).toEqual([1, [{ errors: [] }, { errors: [fault] }]])
  })

  it('tells the limit, with the landing or in a loop, and for a kit', async () => {
    const limit = (await run(['limit', '-', '--landing'], { '-': 'line: RLKK*4' })).answer()
    expect(limit).toMatchObject({ bpm: 107.14, bottleneck: { limb: 'RF', needMs: 140 } })
    expect(limit.next).toHaveLength(3)
    const noKit = await run(['limit', '-', '--kit', 'a.json'], { '-': 'line: RL', 'a.json': '{}' })
    expect([noKit.code, noKit.told.startsWith('a.json: ')]).toEqual([2, true])
  })

  it('hears what was played', async () => {
    const strokes = [0, 158, 299, 462].map((ms) => ({ ms }))
    const files = { '-': 'line: RKRK', 'played.json': JSON.stringify({ tempo: 100, strokes }) }
    const heard = (await run(['hear', '-', '--played', 'played.json'], files)).answer()
    expect(heard.uneven).toEqual({ limbs: ['RH', 'RF'], ratio: 1.138 })
    expect(heard.clean).toEqual({
      is: false,
      onTime: 1,
      even: false,
      balance: null,
      together: null,
    })
    expect(heard.limbs.RF).toEqual({ strokes: 2, meanMs: 10, sdMs: 2.8 })
    expect((await run(['hear', '-'], files)).code).toBe(2)
  })

  it('writes a document out or into a file, and reads one again', async () => {
    const files = { '-': 'line: RLRL' }
    const printed = await run(['musicxml', '-'], files)
    expect(String(printed.out)).toContain('<score-partwise')
    const kept = await run(['musicxml', '-', '--out', 'a.musicxml'], files)
    expect([kept.out, kept.written['a.musicxml']]).toEqual(['', printed.out])
    const again = await run(['convert', '-'], { '-': String(printed.out) })
    expect([again.code, String(again.out)]).toEqual([0, expect.stringContaining('line: RLRL')])
    const none = await run(['convert', '-'], files)
    expect([none.code, none.answer().errors[0].code]).toEqual([1, 'not-a-part'])
  })

  it('finds the fills that obey a question', async () => {
    const question = {
      frame: 'start: 3\nbars: 1\ntempo: 90',
      cells: [{ line: 'RLK' }, { line: 'RL' }],
      conditions: { ends: ['K'], accents: { must: [0], not: [], put: true } },
    }
    const ask = async (change: object, ...words: string[]) =>
      run(['find', '-', ...words], { '-': JSON.stringify({ ...question, ...change }) })
    const found = (await ask({}, '--most', '1', '--draw', '3')).answer()
    expect(found.count).toBe('2')
    expect(found.best).toEqual([expect.stringContaining('line: >RLK RL RLK')])
    expect(found.drawn).toMatch(/line: >RLK? .*K/)
    const none = (await ask({ conditions: { starts: ['K'] } })).answer()
    expect(none).toMatchObject({
      count: '0',
      best: [],
      without: [{ conditions: ['starts'], count: '4' }],
    })
    expect((await ask({ cells: [{ line: 'RQ' }] })).answer().errors[0].expected).toBe(
      'a cell cannot be read (RQ)',
    )
    expect((await ask({ cells: 7 })).code).toBe(1)
    expect((await ask({}, '--most', 'ten')).code).toBe(2)
    const { out } = await run(['find', '--schema'])
    expect(JSON.parse(String(out)).properties.conditions).toBeDefined()
  })

  it('says how it is called, and what it cannot read', async () => {
    for (const words of [
      [],
      ['sum'],
      ['sing', '-'],
      ['sum', '-', '--loud'],
      ['midi', '-', '--out'],
    ])
      expect(await run(words, { '-': 'line: R' })).toMatchObject({ code: 2, out: '' })
    expect(await run(['sum', 'none.lick'])).toMatchObject({
      code: 2,
      told: 'cannot read none.lick\n',
    })
  })

  it('is called as README and --help say, with and without what may be left out', async () => {
    const { out, code } = await run(['--help'])
    expect(code).toBe(0)
    const score = (await run(['musicxml', '-'], { '-': 'line: RLRL' })).out
    const played = { tempo: 100, strokes: [{ ms: 0 }, { ms: 158 }] }
    const files = {
      FILE: textOf('tightrope'),
      KITFILE: formatKit(DEFAULT_KIT),
      PLAYED: JSON.stringify(played),
      SCORE: String(score),
      QUESTION: JSON.stringify({ frame: 'bars: 1', cells: [{ line: 'RLRK' }] }),
    }
    const lines = [...`${readFileSync('README.md', 'utf8')}\n${out}`.matchAll(CALL)]
    expect(lines.length).toBeGreaterThanOrEqual(24)
    for (const [, call = ''] of lines) {
      for (const words of [call.replace(/ \[[^\]]*\]/g, ''), call.replace(/[[\]]|\.\.\./g, '')]) {
        const ended = await run(words.trim().split(/ +/), files)
        expect([words, ended.code, ended.told]).toEqual([
          words,
          0,
          expect.not.stringContaining('usage'),
        ])
      }
    }
  }, 60_000)

  it('runs as a program, on files and on what is piped in', async () => {
    const files = ['tightrope', 'parade'].map((name) => join(CASES, `${name}.lick`))
    const program = (words: string[], input = '') =>
      spawnSync('node', ['scripts/lick.mjs', ...words], { input, encoding: 'utf8' })
    const two = program(['check', ...files])
    expect([two.status, JSON.parse(two.stdout)]).toEqual([0, [{ errors: [] }, { errors: [] }]])
    expect(program(['check', '-'], 'line: RLq').status).toBe(1)
  }, 60_000)
})
