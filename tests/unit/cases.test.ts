import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { toHeadlessEvents, toHeadlessSum } from '~/codecs/headless'
import { formatLickText, parseLickText } from '~/codecs/lick-text'
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

describe('the command', () => {
  const run = (args: string[], input?: string) => {
    try {
      const options = { encoding: 'utf8', ...(input !== undefined && { input }) } as const
      return {
        code: 0,
        out: execFileSync('node_modules/.bin/tsx', ['scripts/lick.ts', ...args], options),
      }
    } catch (error) {
      const { status, stdout } = error as { status: number; stdout: string }
      return { code: status, out: stdout }
    }
  }

  it('prints velocities where they are asked for, squeezed swells rising within their slots', () => {
    const lick = 'swell: 0..1 ghost>accent\nline: {RL}{RL}'
    const events = JSON.parse(run(['events', '--velocity', '-'], lick).out).events
    const velocities = events.map(({ velocity }: { velocity: number }) => velocity)
    expect(velocities).toHaveLength(4)
    expect(velocities).toEqual([...velocities].sort((a, b) => a - b))
    expect(velocities[0]).toBeLessThan(velocities[3])
    expect(JSON.parse(run(['events', '-'], lick).out).events[0]).not.toHaveProperty('velocity')
  })

  it('prints one object for a file, an array for several, and errors with exit 1', () => {
    const file = (name: string) => join(CASES, `${name}.lick`)
    const one = run(['sum', file('tightrope')])
    expect([one.code, JSON.parse(one.out).groups]).toEqual([0, [5, 3, 2]])
    const two = run(['check', file('tightrope'), file('parade')])
    expect(JSON.parse(two.out)).toEqual([{ errors: [] }, { errors: [] }])
    const limit = JSON.parse(run(['limit', '-', '--landing'], 'line: RLKK*4').out)
    expect(limit).toMatchObject({ bpm: 107.14, bottleneck: { limb: 'RF', needMs: 140 } })
    expect(limit.next).toHaveLength(3)
    expect(run(['limit', '-', '--kit', 'package.json'], 'line: RL').code).toBe(2)
    const played = join(mkdtempSync(join(tmpdir(), 'played-')), 'played.json')
    const strokes = [0, 158, 299, 462].map((ms) => ({ ms }))
    writeFileSync(played, JSON.stringify({ tempo: 100, strokes }))
    const heard = JSON.parse(run(['hear', '-', '--played', played], 'line: RKRK').out)
    expect(heard.uneven).toEqual({ limbs: ['RH', 'RF'], ratio: 1.138 })
    expect(heard.limbs.RF).toEqual({ strokes: 2, meanMs: 10, sdMs: 2.8 })
    expect(run(['hear', '-'], 'line: RKRK').code).toBe(2)
    const bad = run(['check', '-'], 'line: RLx')
    expect(bad.code).toBe(0)
    const refused = run(['events', '-'], 'line: RLq')
    expect([refused.code, JSON.parse(refused.out).errors[0]]).toEqual([
      1,
      {
        line: 1,
        column: 9,
        found: 'q',
        expected: 'R, L, K, H, J, X or -',
        code: 'no-such-stroke',
      },
    ])
  }, 60_000)
})
