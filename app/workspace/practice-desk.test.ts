import { describe, expect, it } from 'vitest'
import { buildUp, type PlannedStep, planSteps } from '~/core/practice'
import { findGrid, type Grid } from '~/core/time'
import { DEFAULT_SETTINGS } from '~/storage'
import { lickOf } from '../../tests/support/licks'
import { PracticeDesk, stepAt } from './practice-desk'
import { settingOf } from './setting'

const lick = lickOf('line: >RllRl >RlK >LK')
const grid = lick.frame.grid
const plan = (skipped: readonly number[] = []): PlannedStep[] =>
  planSteps(buildUp(lick, 'parts', settingOf(DEFAULT_SETTINGS, [], null)), []).map((step, i) => ({
    ...step,
    skipped: skipped.includes(i),
  }))

describe('the practice desk', () => {
  it('begins at the first step that is not skipped, and passes over the others', () => {
    const planned = plan([0, 2])
    const desk = new PracticeDesk(grid)
    expect(stepAt(desk.state(), planned)).toBe(1)
    desk.goStep(1, planned)
    expect(stepAt(desk.state(), planned)).toBe(3)
    desk.goStep(-1, planned)
    desk.goStep(-1, planned)
    expect(stepAt(desk.state(), planned)).toBe(1)
  })

  it('stays within a plan that became shorter', () => {
    const desk = new PracticeDesk(grid)
    desk.goTo(plan().length - 1)
    desk.goStep(-1, plan().slice(0, 2))
    expect(stepAt(desk.state(), plan())).toBe(0)
  })

  it('loops slots of the lick, also told within a part, until a step is gone to', () => {
    const desk = new PracticeDesk(grid)
    desk.loopWithin({ from: 5, to: 8 }, { from: 1, to: 3 })
    expect(desk.state().loop).toEqual({ from: 6, to: 8 })
    desk.leaveLoop()
    expect(desk.state().loop).toBeNull()
    desk.loopOver({ from: 0, to: 5 })
    desk.goTo(2)
    expect([desk.state().loop, desk.state().index]).toEqual([null, 2])
  })

  it('puts a slower tempo below the ladder where the lowest rung is lost, and only there', () => {
    const desk = new PracticeDesk(grid)
    const lost = desk.rate({ rating: 'lost', tempo: 80, rung: 0 }, [80, 88])
    expect(lost).toBeLessThan(80)
    expect(desk.state().lost).toBe(lost)
    expect(desk.rate({ rating: 'lost', tempo: 88, rung: 1 }, [80, 88])).toBeNull()
    expect(desk.rate({ rating: 'clean', tempo: 80, rung: 0 }, [80, 88])).toBeNull()
    expect(desk.rate({ rating: 'lost', tempo: 20, rung: 0 }, [20])).toBeNull()
  })

  it('gives back the rung of what is taken back, once', () => {
    const desk = new PracticeDesk(grid)
    desk.rate({ rating: 'rough', tempo: 88, rung: 1 }, [80, 88])
    expect([desk.unrate(), desk.unrate(), desk.state().rated]).toEqual([1, null, null])
  })

  it('mutes and lets be heard again, and changes grid only for another', () => {
    const desk = new PracticeDesk(grid)
    let told = 0
    desk.subscribe(() => {
      told += 1
    })
    desk.mute('RH')
    desk.mute('click')
    desk.mute('RH')
    expect([...desk.state().muted]).toEqual(['click'])
    desk.playOn({ ...grid })
    expect(told).toBe(3)
    desk.playOn(findGrid('1/8t') as Grid)
    expect([told, desk.state().grid.value]).toEqual([4, 8])
  })
})
