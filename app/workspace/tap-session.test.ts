import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLickText } from '~/codecs/lick-text'
import { frameTicks } from '~/core/line'
import { formatLine } from '~/core/notation'
import { findGrid, gridName, gridTicks, STRAIGHT } from '~/core/time'
import { expectedStrokes } from '~/core/timing'
import * as any from '../../tests/support/arbitraries'
import { lickOf } from '../../tests/support/licks'
import { workspaceOf } from '../../tests/support/workspace'
import { tappedEdit } from './edits/tapped-edit'
import { strike } from './rows/voices-row'
import { TapSession } from './tap-session'

const LIMBS = { R: 'RH', L: 'LH', K: 'RF' } as const
function tapped(session: TapSession, letters: string, times: readonly number[]) {
  for (const [i, ms] of times.entries())
    session.tap({ ms, limb: LIMBS[letters[i] as keyof typeof LIMBS] })
}
const line = (session: TapSession) => {
  const { found } = session.state()
  return found && `${gridName(found.grid)} ${formatLine(found.line)}`
}

describe('tapping a line in', () => {
  it('shows the line as it is played, and takes the last tap back', () => {
    const session = new TapSession(100, 0)
    tapped(session, 'R', [0])
    expect(session.state()).toMatchObject({ phase: 'idle', taps: [] })
    session.start()
    tapped(session, 'RLKRLK', [3, 149, 305, 451, 615, 740])
    expect(line(session)).toBe('1/16 RLKRLK')
    session.undo()
    expect(line(session)).toBe('1/16 RLKRL')
    session.stop()
    tapped(session, 'R', [900])
    expect(session.state()).toMatchObject({ phase: 'done' })
    expect(line(session)).toBe('1/16 RLKRL')
    session.start()
    expect(session.state().taps).toEqual([])
    session.stop()
    expect(session.state().phase).toBe('idle')
  })

  it('takes the first beat a little early, and nothing of the count-in', () => {
    // At 100 a beat is 600 ms: a quarter of it counts as the first beat.
    const first = (ms: number) => {
      const session = new TapSession(100, 0)
      session.start()
      session.tap({ ms, limb: 'RH' })
      return session.state().taps.length
    }
    expect([first(-140), first(-160), first(-290)]).toEqual([1, 0, 0])
  })

  it('takes as many taps as a line has room for', () => {
    const session = new TapSession(100, 0)
    session.start()
    for (let i = 0; i < 520; i += 1) session.tap({ ms: i * 150, limb: 'RH' })
    expect(session.state().taps).toHaveLength(512)
  })

  it('lays free taps at the whole tempo next to theirs, where they lie on it', () => {
    const session = new TapSession(100, 0)
    session.goFree(true)
    session.start()
    // 98.36 beats a minute: laid at 98 they lie exactly on their beats.
    tapped(
      session,
      'RLRLRLRL',
      Array.from({ length: 8 }, (_, i) => i * 610),
    )
    const { found, quarters } = session.state()
    expect(quarters).toBe(98)
    expect(Math.max(...(found?.errorsMs ?? [99]).map(Math.abs))).toBeLessThan(1)
  })

  it('lays the taps anew where the lick swings another way', () => {
    const session = new TapSession(100, 0)
    session.start()
    tapped(session, 'RLRL', [0, 396, 600, 996])
    const straight = line(session)
    session.swingAs({ swing: { percent: 66, pairs: 8 }, meter: lickOf('line: R').frame.meter })
    expect(line(session)).toBe('1/8 RLRL')
    expect(straight).not.toBe('1/8 RLRL')
  })

  it('gives back a line that swings as it was heard, and free taps as they were tapped (law)', () => {
    const swings = fc.record({
      percent: fc.integer({ min: 50, max: 75 }),
      pairs: fc.constantFrom(8 as const, 16 as const),
    })
    // Eighths and sixteenths; struck all through, so that every pair tells of its swing.
    const lines = fc.constantFrom(
      '1/8 RLRLRLRLRLRLRLRL',
      '1/16 RLRLRLRLRLRLRLRL',
      '1/16 R-RLR-RLR-RLR-RL',
    )
    fc.assert(
      fc.property(swings, lines, (swing, written) => {
        const [grid, letters] = written.split(' ') as [string, string]
        const lick = lickOf(`tempo: 100\ngrid: ${grid}\nline: ${letters}`)
        const swung = { ...lick, frame: { ...lick.frame, swing } }
        const session = new TapSession(100, 0, swung.frame)
        session.start()
        session.layOn(findGrid(grid) ?? null)
        for (const { ms, limb } of expectedStrokes(swung, 100)) session.tap({ ms, limb })
        expect(line(session)).toBe(written)
        const { found } = session.state()
        expect(Math.max(...(found?.errorsMs ?? []).map(Math.abs))).toBeLessThan(1e-9)
        if (swing.percent <= 66) {
          session.layOn(null)
          expect(line(session)).toBe(written)
        }
        // Without a click it sounds as it was tapped: nothing swings what has swung already.
        if (found) expect(tappedEdit(swung, found, 100).lick.frame.swing).toEqual(STRAIGHT)
        if (found) expect(tappedEdit(swung, found, null).lick.frame.swing).toEqual(swing)
      }),
      { numRuns: 200 },
    )
  })

  it('lays the same taps on another grid, and finds one again', () => {
    const session = new TapSession(100, 0)
    session.start()
    tapped(session, 'RLRL', [0, 300, 600, 900])
    expect(line(session)).toBe('1/8 RLRL')
    session.layOn({ value: 16, tuplet: null })
    expect(line(session)).toBe('1/16 R-L-R-L')
    session.layOn(null)
    expect(line(session)).toBe('1/8 RLRL')
  })

  it('measures how late a source is from taps on the beat, and takes that off', () => {
    const session = new TapSession(100, 0)
    session.start()
    tapped(session, 'RRRRRRR', [42, 640, 1239, 1841, 2444, 3037, 3640])
    expect(session.measured()).toBeNull()
    tapped(session, 'R', [4241])
    expect(session.measured()).toBe(41)
    session.delayBy(41)
    expect(session.state().found?.errorsMs.every((error) => Math.abs(error) < 5)).toBe(true)
  })

  it('counts what is struck long before the first barline for nothing, and a little early as on it', () => {
    const session = new TapSession(100, 0)
    session.start()
    tapped(session, 'RRLRL', [-400, -12, 149, 301, 450])
    expect(session.state().taps).toHaveLength(4)
    expect(session.state().found?.start).toBe(0)
  })

  it('begins anew at another tempo', () => {
    const session = new TapSession(100, 0)
    session.start()
    tapped(session, 'RL', [0, 150])
    session.goAt(100)
    expect(session.state().taps).toHaveLength(2)
    session.goAt(120)
    expect(session.state()).toMatchObject({ phase: 'idle', taps: [], found: null })
  })

  it('finds the tempo where there is no click, and lays the line from its first tap', () => {
    const session = new TapSession(90, 30)
    session.goFree(true)
    session.start()
    for (const [i, limb] of (['RH', 'LH', 'LH', 'RH', 'RF'] as const).entries())
      session.tap({ ms: 2345 + i * 125 + (i % 2), limb })
    const { found, quarters } = session.state()
    expect(quarters).toBe(120)
    expect(found && [gridName(found.grid), formatLine(found.line), found.start]).toEqual([
      '1/16',
      'RLLRK',
      0,
    ])
    expect(session.measured()).toBeNull()
    session.goFree(false)
    expect(session.state()).toMatchObject({ free: false, quarters: 90, taps: [], found: null })
  })

  it('has no line of free taps before they have a tempo', () => {
    const session = new TapSession(90, 0)
    session.goFree(true)
    session.start()
    for (const ms of [0, 150, 300]) session.tap({ ms, limb: 'RH' })
    expect(session.state()).toMatchObject({ quarters: null, found: null })
  })
})

describe('what was tapped, used', () => {
  it('begins before the barline where the first tap came before it', () => {
    const one = workspaceOf('start: 2&\nstop: 2\nswell: 0..2 tap>accent\nline: RLLRK')
    const session = new TapSession(80, 0)
    session.start()
    session.layOn(findGrid('1/32') ?? null)
    tapped(session, 'RLLRK', [-70, 94, 281, 469, 656])
    const { found } = session.state()
    expect(found?.start).toBe(-gridTicks({ value: 32, tuplet: null }))
    one.edit(tappedEdit(one.lick, found as NonNullable<typeof found>, null))
    const { frame } = one.lick
    expect(frame.start).toBe(frameTicks(frame).bar - gridTicks(frame.grid))
    expect([frame.swells, gridName(frame.grid), formatLine(one.lick.line)]).toEqual([
      [],
      '1/32',
      'R-L-L-R-K',
    ])
  })

  it('ends the groove where it begins, and takes with it what hung on the strokes that are gone', () => {
    const one = workspaceOf('start: 2&\nstop: 2\npart: 0..2 turn\nline: RLLRK')
    expect(one.lick.parts).toHaveLength(1)
    one.mark(1, 1)
    strike(one, 't1')
    expect(one.document.voicing.pins).toHaveLength(1)
    const session = new TapSession(80, 0)
    session.start()
    tapped(session, 'RLL', [0, 188, 375])
    const { found } = session.state()
    one.edit(tappedEdit(one.lick, found as NonNullable<typeof found>, null))
    const { frame, parts } = one.lick
    expect([formatLine(one.lick.line), frame.start, frame.stop, parts]).toEqual(['RLL', 0, 0, []])
    expect(one.document.voicing.pins).toEqual([])
  })

  it('has the tempo of the taps in beats of the metre, also where that is no whole number', () => {
    const one = workspaceOf('meter: 6/8\ntempo: 60\nline: RLLRK')
    const session = new TapSession(90, 0)
    session.goFree(true)
    session.start()
    for (let i = 0; i < 8; i += 1) session.tap({ ms: (i * 15_000) / 76, limb: 'RH' })
    const { found, quarters } = session.state()
    expect(quarters).toBe(76)
    one.edit(tappedEdit(one.lick, found as NonNullable<typeof found>, quarters))
    expect(one.lick.frame.tempo).toBe(50.67)
  })

  it('is a lick that can be read again, whatever was tapped and whatever stood there (law)', () => {
    const tap = fc.record(
      {
        ms: fc.integer({ min: -150, max: 12_000 }),
        limb: fc.constantFrom('RH', 'LH', 'XH', 'RF', 'LF'),
        velocity: fc.integer({ min: 1, max: 127 }),
        surface: fc.constantFrom('t1', 'f1', 'c1', 'bd', 'hf', 'sn'),
      } as const,
      { requiredKeys: ['ms', 'limb'] },
    )
    const taps = fc.array(tap, { minLength: 1, maxLength: 40 })
    fc.assert(
      fc.property(any.lick, taps, fc.option(any.grid), fc.boolean(), (lick, all, wished, free) => {
        const one = workspaceOf(formatLickText(lick))
        const session = new TapSession(100, 0)
        session.goFree(free)
        session.start()
        for (const tap of all) session.tap(tap)
        session.layOn(wished)
        const { found, quarters } = session.state()
        if (!found) return
        const edit = tappedEdit(one.lick, found, free ? quarters : null)
        expect(one.edit(edit)).toBe(true)
        const { document } = one.state()
        expect(document.issues).toEqual([])
        expect(document.good.lick.line).toEqual(found.line)
      }),
    )
  })
})
