import { describe, expect, it } from 'vitest'
import { frameTicks } from '~/core/line'
import { type LickLog, lickLogs } from '~/core/log'
import { positionAt, toPerformance } from '~/core/performance'
import { DEFAULT_SETTING } from '~/core/playing'
import { buildUp, type PracticeForm, planSteps, repeatStep, strainsAt } from '~/core/practice'
import { type CountingSystem, DEFAULT_COUNTING } from '~/core/time'
import type { PracticeSessionRecord } from '~/storage'
import { lickOf } from '../../../tests/support/licks'
import { DARK, litOf, phaseAt, slotTicks } from './lights'
import { pastLimit, planMinutes, toStep, toSteps } from './step-view'
import { newPlan, rungsOf } from './use-plan'
import {
  breakWords,
  jumpWords,
  logWords,
  phaseWords,
  saysSlots,
  seamWords,
  speedWords,
  spokenCount,
  strainWords,
} from './words'

const LICK = lickOf('title: Ring\ntempo: 72\ngoal: 126\nline: RLRKK RLRKK')
const PLANNED = planSteps(buildUp(LICK), [])

describe('the steps of a plan', () => {
  const steps = toSteps(PLANNED, LICK)

  it('are said in words, each once, parts with their slots', () => {
    const words = steps.map((step) => step.words)
    expect(new Set(words).size).toBe(words.length)
    expect(words).toContain('a transition alone: slots 4 to 7')
    expect(words.at(-1)).toBe('in the bar, after groove: 1 + 1')
  })

  it('have keys of their own, also where one stands twice', () => {
    const twice = toSteps(repeatStep(PLANNED, 0), LICK)
    expect(new Set(twice.map(({ key }) => key)).size).toBe(twice.length)
  })

  it('are played without a gap, or in their form', () => {
    for (const { part, form, played } of steps) {
      expect(played.frame.lead).toBe(form.kind === 'bars' ? 1 : 0)
      expect(played.line.slots.length % part.lick.line.slots.length).toBe(0)
    }
    const part = PLANNED[0]?.part
    const half = part && toStep(part, { kind: 'half' }, LICK)
    expect(half?.words).toBe('hands alone: half and half')
    expect(half?.played.frame.groove).toBe('eighths')
    expect(part && toStep(part, { kind: 'over' }, LICK).played.frame.groove).toBe('none')
  })

  it('have minutes that grow with rungs and repeats, without those that are skipped', () => {
    const once = planMinutes(steps, [72], 8)
    expect(planMinutes(steps, [72], 16)).toBeCloseTo(2 * once, 9)
    expect(planMinutes(steps, [72, 72], 8)).toBeCloseTo(2 * once, 9)
    const skipped = steps.map((step) => ({ ...step, skipped: true }))
    expect(planMinutes(skipped, [72], 8)).toBe(0)
    expect(once).toBeGreaterThan(0)
  })

  it('warn of rungs past what a step can be played at', () => {
    const feet = steps.find(({ part }) => part.kind === 'feet')
    expect(feet && pastLimit(feet, [72, 126, 400], DEFAULT_SETTING)).toEqual([400])
  })
})

describe('the rungs of a lick', () => {
  const log = (bestClean: number | null, tense: number | null): LickLog => ({
    lickId: 'a',
    sessions: 1,
    seconds: 60,
    lastAt: 0,
    bestClean,
    tense,
    dueAt: 0,
  })
  const plan = newPlan('a', 0)

  it('begin at the learning tempo, or where it was clean last', () => {
    expect(rungsOf(plan, LICK, 170, undefined)).toEqual([72, 95, 126])
    expect(rungsOf(plan, LICK, 170, log(null, 90))[0]).toBe(72)
    expect(rungsOf({ ...plan, ladder: 'percent' }, LICK, 170, log(101.2, 113))).toEqual([
      101, 113, 126,
    ])
  })

  it('are those of the player where there are any', () =>
    expect(rungsOf({ ...plan, rungs: [60, 61] }, LICK, 170, log(101, null))).toEqual([60, 61]))
})

describe('the lights', () => {
  const stepOf = (text: string, form: PracticeForm) => {
    const lick = lickOf(text)
    const part = buildUp(lick, 'bar')[0]
    if (!part) throw new Error('a lick without strokes')
    return toStep(part, form, lick)
  }
  const seen = (text: string, form: PracticeForm, countIn: 'each' | boolean) => {
    const step = stepOf(text, form)
    const performance = toPerformance(step.played, { loop: true, countIn })
    const lit = litOf(step, step.played, countIn === 'each')
    const { beat } = frameTicks(step.played.frame)
    return (beats: number) => phaseAt(positionAt(performance, beats * beat), lit)
  }

  it('tell count-in, groove and fill with their bars and beats', () => {
    const at = seen('start: 3\nline: RLRLRLRK', { kind: 'bars', groove: 2, fill: 1 }, true)
    expect(at(1)).toEqual({ name: 'count-in', bar: 1, beat: 1, slot: -1 })
    expect(at(4)).toMatchObject({ name: 'groove', bar: 1, beat: 0 })
    expect(at(9)).toMatchObject({ name: 'groove', bar: 2, beat: 1 })
    expect(at(13)).toMatchObject({ name: 'groove', bar: 3, beat: 1, slot: -1 })
    expect(at(14)).toMatchObject({ name: 'fill', bar: 1, beat: 2, slot: 0 })
    expect(at(15.5)).toMatchObject({ name: 'fill', slot: 6 })
    expect(at(16)).toMatchObject({ name: 'groove', bar: 1 })
  })

  it('know the bar that counts in every round', () => {
    const at = seen('line: RLRL*4', { kind: 'bars', groove: 1, fill: 1 }, 'each')
    expect(at(2)).toMatchObject({ name: 'count-in', beat: 2 })
    expect(at(5)).toMatchObject({ name: 'groove', bar: 1, beat: 1 })
    expect(at(8)).toMatchObject({ name: 'fill', bar: 1, slot: 0 })
    expect(at(12)).toMatchObject({ name: 'count-in', beat: 0 })
  })

  it('run over a cell again and again', () => {
    const at = seen('line: RLLRK', { kind: 'over' }, false)
    expect(at(0).slot).toBe(0)
    expect(at(1.25).slot).toBe(0)
    expect(at(1.5).slot).toBe(1)
    expect(slotTicks(stepOf('RLLRK', { kind: 'over' }).part.lick).at(-1)).toBe(12600)
  })

  it('are out in silence', () => expect(phaseAt(undefined, DARK).name).toBe('still'))
})

describe('what is said', () => {
  const session = (tempo: number, grid: string): PracticeSessionRecord => ({
    id: 'a',
    version: 3,
    lickId: 'a',
    createdAt: 0,
    step: '',
    tempo,
    repeats: 8,
    seconds: 90,
    rating: 'clean',
    tense: false,
    grid,
    form: '',
    note: '',
  })

  it('warns of a jump that the metronome hides (hard case 22)', () => {
    const lick = lickOf('grid: 1/32\nline: RLRL')
    expect(jumpWords(lick, 58, [session(54, '1/16')])).toContain('2.15 times as fast as 54 in 1/16')
    expect(jumpWords(lick, 58, [session(54, '1/32')])).toBe('')
    expect(jumpWords(lick, 28, [session(54, '1/16')])).toBe('')
    expect(jumpWords(lick, 58, [])).toBe('')
  })

  it('names true speed, strain, log and phase', () => {
    expect(speedWords(lickOf('grid: 1/16t\nline: RL'), 90)).toBe(
      '540 strokes a minute, 111.1 ms a slot',
    )
    const heavy = lickOf('groove: none\nlanding: none\nline: RLRL*4\nunder: @1/8 K')
    expect(strainsAt(heavy, 184, DEFAULT_SETTING).map(strainWords)[0]).toBe(
      'kick: 163.0 ms from stroke to stroke, where it needs 170. Slower, or not for long.',
    )
    const [log] = lickLogs([{ ...session(92.54, '1/16'), at: 0 }])
    expect(log && logWords(log)).toBe('1 session, 2 minutes; best clean 92.5')
    const fill = { name: 'fill', bar: 1, beat: 0, slot: 0 } as const
    expect(phaseWords(fill, LICK, 2)).toBe('fill, bar 1 of 2')
    expect(phaseWords({ ...fill, name: 'groove', bar: 2 }, LICK, 1)).toBe('groove')
  })

  it('counts aloud by the school, slot by slot where a voice can', () => {
    const frame = lickOf('grid: 1/16\nline: RL').frame
    const said = (school: CountingSystem, onSlots: boolean) =>
      [10080, 12600, 15120, 17640]
        .map((tick) => spokenCount(tick, onSlots, frame, school))
        .join(' ')
    expect(said(DEFAULT_COUNTING, true)).toBe('2 ee and uh')
    expect(said(DEFAULT_COUNTING, false)).toBe('2 2 2 2')
    expect(spokenCount(-10080, false, frame, DEFAULT_COUNTING)).toBe('4')
    expect([60, 90].map((tempo) => saysSlots(lickOf('RL'), tempo))).toEqual([true, false])
  })

  it('says what runs on over the seam, where it matters', () => {
    expect(
      seamWords([
        { limb: 'RH', strokes: 3 },
        { limb: 'RF', strokes: 2 },
      ]),
    ).toBe('over the seam: right hand 3 in a row, kick 2 in a row')
    expect(seamWords([{ limb: 'RH', strokes: 2 }])).toBe('')
  })

  it('calls for a break when it is time, unless it never should', () => {
    expect(breakWords(12.4, 25)).toEqual({ text: '12 min · break in 13', due: false })
    expect(breakWords(25.1, 25).due).toBe(true)
    expect(breakWords(99, 0)).toEqual({ text: '99 min', due: false })
  })
})
