import { describe, expect, it } from 'vitest'
import { frameTicks } from '~/core/line'
import { type LickLog, lickLogs } from '~/core/log'
import { positionAt, toPerformance } from '~/core/performance'
import { DEFAULT_SETTING, speedLimit } from '~/core/playability'
import {
  buildUp,
  type GridRung,
  type PracticeForm,
  planSteps,
  repeatStep,
  strainsAt,
} from '~/core/practice'
import { DEFAULT_COUNTING } from '~/core/time'
import type { PracticeSessionRecord } from '~/storage'
import { planMinutes, rungsAbove, stepLimit, toStep, toSteps } from '~/words/practice-steps'
import { newPlan } from '~/workspace/documents/plan-document'
import { rungsOf, toPlanRungs } from '~/workspace/plan-ladder'
import { lickOf } from '../../../tests/support/licks'
import { DARK, litOf, phaseAt, slotTicks } from './lights'
import {
  breakWords,
  jumpWords,
  ladderJumpWords,
  logWords,
  phaseWords,
  seamWords,
  speedWords,
  stepLogWords,
  strainWords,
  voiceCount,
} from './words'

const LICK = lickOf('title: Ring\ntempo: 72\ngoal: 126\nline: RLRKK RLRKK')
const PLANNED = planSteps(buildUp(LICK), [])

describe('the steps of a plan', () => {
  const steps = toSteps(PLANNED, LICK)

  it('are said in words, each once, parts with their slots', () => {
    const words = steps.map((step) => step.words)
    expect(new Set(words).size).toBe(words.length)
    expect(words.find((one) => one.startsWith('link between groups: '))).toMatch(
      /^link between groups: \d\S* to \d\S*, in every bar$/,
    )
    expect(words.at(-1)).toBe('in the bar, after groove: 1 + 1')
  })

  it('have keys of their own, also where one stands twice', () => {
    const twice = toSteps(repeatStep(PLANNED, 0), LICK)
    expect(new Set(twice.map(({ key }) => key)).size).toBe(twice.length)
  })

  it('are played without a gap, or in their form', () => {
    for (const { part, form, played } of steps) {
      expect(played.frame.lead).toBe(form.kind === 'bars' ? form.groove : 0)
      expect(played.line.slots.length % part.lick.line.slots.length).toBe(0)
    }
    const part = PLANNED[0]?.part
    const half = part && toStep(part, { kind: 'half' }, LICK)
    expect(half?.words).toBe('hands alone: half and half')
    expect(half?.played.frame.groove).toBe('eighths')
    expect(part && toStep(part, { kind: 'over' }, LICK).played.frame.groove).toBe('none')
  })

  it('have minutes that grow with rungs and repeats, without those that are skipped', () => {
    const once = planMinutes(steps, () => [72], 8)
    expect(planMinutes(steps, () => [72], 16)).toBeCloseTo(2 * once, 9)
    expect(planMinutes(steps, () => [72, 72], 8)).toBeCloseTo(2 * once, 9)
    const skipped = steps.map((step) => ({ ...step, skipped: true }))
    expect(planMinutes(skipped, () => [72], 8)).toBe(0)
    expect(once).toBeGreaterThan(0)
  })

  it('say the bars that a fill really takes', () => {
    const long = lickOf('line: RLRK*8')
    const [step] = toSteps(planSteps(buildUp(long, 'bar'), []), long)
    expect(step?.words).toBe('in the bar, after groove: 1 + 2')
  })

  it('are never judged harder than the lick', () => {
    const limit = speedLimit(LICK, 'line').bpm as number
    for (const step of steps) {
      const own = stepLimit(step, DEFAULT_SETTING)
      if (own !== null) expect(own).toBeGreaterThanOrEqual(limit)
    }
    const grid = { value: 16, tuplet: null } as const
    const rungs = [72, 126, 400].map((tempo) => ({ tempo, grid }))
    expect(rungsAbove(rungs, grid, 130)).toEqual([false, false, true])
    const half = rungs.map((rung) => ({ ...rung, grid: { value: 32, tuplet: null } as const }))
    expect(rungsAbove(half, grid, 130)).toEqual([true, true, true])
    expect(rungsAbove(rungs, grid, null)).toEqual([false, false, false])
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
    steps: [],
  })
  const plan = newPlan('a', LICK, 0)
  const tempos = (rungs: readonly GridRung[]) => rungs.map(({ tempo }) => tempo)

  it('begin at the learning tempo, and have a rung where it was clean last', () => {
    expect(tempos(rungsOf(plan, LICK, 170, undefined))).toEqual([72, 95, 126])
    expect(tempos(rungsOf(plan, LICK, 170, log(null, 90)))[0]).toBe(72)
    const percent = rungsOf({ ...plan, ladder: 'percent' }, LICK, 170, log(101.2, 113))
    expect(tempos(percent)).toEqual([72, 80, 89, 99, 110, 123, 126])
    // What was clean is a rung, unless one is near it.
    expect(tempos(rungsOf(plan, LICK, 170, log(104, null)))).toEqual([72, 95, 104, 126])
  })

  it('are those of the player where there are any, each on its grid', () => {
    expect(tempos(rungsOf({ ...plan, rungs: [60, 61] }, LICK, 170, log(101, null)))).toEqual([
      60, 61,
    ])
    const mixed = rungsOf(
      { ...plan, rungs: [44, 56], rungGrids: ['1/16', '1/32'] },
      LICK,
      170,
      undefined,
    )
    expect(mixed.map(({ grid }) => grid.value)).toEqual([16, 32])
    expect(toPlanRungs(mixed, LICK)).toEqual({ rungs: [44, 56], rungGrids: ['1/16', '1/32'] })
    expect(toPlanRungs(mixed.slice(0, 1), LICK).rungGrids).toBeNull()
  })
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
    part: '',
    step: '',
    tempo,
    repeats: 8,
    seconds: 90,
    rating: 'clean',
    tense: false,
    grid,
    form: '',
    note: '',
    heard: null,
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
      '540 strokes a minute, 111 ms apart',
    )
    // What is counted are strokes, not slots, feet alone included.
    expect(speedWords(lickOf('R-R-'), 80)).toBe('160 strokes a minute, 375 ms apart')
    expect(speedWords(lickOf('K--K'), 80)).toBe('107 strokes a minute, 563 ms apart')
    expect(speedWords(lickOf('RL-R'), 80)).toBe('160 to 320 strokes a minute, 375 to 188 ms apart')
    expect(speedWords(lickOf('R'), 80)).toBe('1 stroke')
    const heavy = lickOf('groove: none\nlanding: none\nline: RLRL*4\nunder: @1/8 K')
    expect(strainsAt(heavy, 184, DEFAULT_SETTING).map(strainWords)[0]).toBe(
      'kick: 163 ms between strokes, but it needs 170. Play it slower, or only briefly.',
    )
    const [log] = lickLogs([{ ...session(92.54, '1/16'), at: 0 }])
    expect(log && logWords(log)).toBe('1 session, 2 minutes; clean at 92.5')
    const fill = { name: 'fill', bar: 1, beat: 0, slot: 0 } as const
    expect(phaseWords(fill, LICK, 2)).toBe('fill, bar 1 of 2')
    expect(phaseWords({ ...fill, name: 'groove', bar: 2 }, LICK, 1)).toBe('groove')
  })

  describe('a voice', () => {
    const said = (
      lick: ReturnType<typeof lickOf>,
      tempo: number,
      settings: Parameters<typeof voiceCount>[3],
    ) => {
      const { step, wordsAt } = voiceCount(lick, tempo, DEFAULT_COUNTING, settings)
      const beats = Array.from({ length: (2 * 10080) / step }, (_, i) => wordsAt(i * step))
      return beats.join(' ').trim()
    }
    const slots = { voiceSays: 'slots', sextupletsInEighths: false } as const

    it('says every slot where it can, else the beats', () => {
      expect(said(lickOf('RL'), 60, slots)).toBe('1 ee and uh 2 ee and uh')
      expect(said(lickOf('RL'), 90, slots)).toBe('1 2')
      const { wordsAt } = voiceCount(lickOf('RL'), 90, DEFAULT_COUNTING, slots)
      expect(wordsAt(-10080)).toBe('4')
    })

    it('counts the strokes of each group where that is asked', () => {
      const strokes = { ...slots, voiceSays: 'strokes' } as const
      expect(said(lickOf('RLL RLLRK'), 60, strokes)).toBe('1 2 3 1 2 3 4 5')
      expect(said(lickOf('RL-R RLLR'), 60, strokes)).toBe('1 2  3 1 2 3 4')
    })

    it('counts sextuplets in eighths where that is asked', () => {
      const lick = lickOf('grid: 1/16t\nline: RLRLRL')
      expect(said(lick, 60, { ...slots, sextupletsInEighths: true })).toBe('1 and 2 and')
    })
  })

  it('says clean and tense by step, and the jumps of a ladder above the cap', () => {
    const log = { part: 'a', lastAt: 0, dueAt: 0 }
    expect(stepLogWords({ ...log, bestClean: 84, tense: 92 })).toBe('clean at 84, tense at 92')
    expect(stepLogWords({ ...log, bestClean: null, tense: null })).toBe('not clean yet')
    const grid = { value: 16, tuplet: null } as const
    const on = (tempo: number, value: 16 | 32 = 16): GridRung => ({
      tempo,
      grid: { ...grid, value },
    })
    expect(ladderJumpWords([on(72), on(95), on(126)], 10080)).toBe(
      'Steps of 32 % and 33 %, above the usual 12 %.',
    )
    expect(ladderJumpWords([on(72), on(80), on(89)], 10080)).toBe('')
    expect(ladderJumpWords([on(44), on(56, 32), on(84, 32)], 10080)).toBe(
      '176, 448 and 672 strokes a minute. Steps of 155 % and 50 %, above the usual 12 %.',
    )
  })

  it('says what runs on over the seam, where it matters', () => {
    expect(
      seamWords([
        { limb: 'RH', strokes: 3 },
        { limb: 'RF', strokes: 2 },
      ]),
    ).toBe('at the repeat: right hand 3 in a row and kick 2 in a row')
    expect(seamWords([{ limb: 'RH', strokes: 2 }])).toBe('at the repeat: right hand 2 in a row')
    expect(seamWords([{ limb: 'RH', strokes: 1 }])).toBe('')
  })

  it('calls for a break when it is time, unless it never should', () => {
    expect(breakWords(12.4, 25)).toEqual({ text: '12 min · break in 13', due: false })
    expect(breakWords(25.1, 25).due).toBe(true)
    expect(breakWords(99, 0)).toEqual({ text: '99 min', due: false })
  })
})
