import { describe, expect, it } from 'vitest'
import { formatLine } from '~/core/notation'
import { gridName } from '~/core/time'
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
