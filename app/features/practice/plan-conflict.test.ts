import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import { EMPTY_LICK } from '~/core/line'
import {
  closeSaver,
  loadPlan,
  loadSparePlan,
  openSaver,
  removeSparePlan,
  saveRecord,
} from '~/storage'
import { keepPlanMine, planDifferences, takePlanTheirs } from './plan-conflict'
import { newPlan } from './use-plan'

const plan = (id: string, repeats: number) => ({ ...newPlan(id, EMPTY_LICK, 1), repeats })

/** A plan that was changed here, to 8 repeats, and in another tab, to 2. */
async function conflict(id: string) {
  await saveRecord('plans', plan(id, 4), null)
  const saver = openSaver('plans', id, 0)
  await saveRecord('plans', plan(id, 2), 0)
  saver.change(plan(id, 8))
  await saver.flush()
  const state = saver.state()
  if (state.kind !== 'conflict' || !state.theirs) throw new Error(state.kind)
  return { saver, theirs: state.theirs }
}

/** The repeats of the plan that is followed, and of the one that was put aside. */
async function repeats(id: string) {
  const [followed, spare] = await Promise.all([loadPlan(id), loadSparePlan(id)])
  return [followed, spare].map((read) => (read.ok ? read.value?.repeats : read.error))
}

describe('a practice plan that two tabs changed', () => {
  it('keeps both when mine stays', async () => {
    const { saver, theirs } = await conflict('a')
    expect(await keepPlanMine(saver, theirs)).toBe(true)
    await saver.flush()
    expect(await repeats('a')).toEqual([8, 2])
  })

  it('keeps both when the other stays, and a newer one takes the place of what was put aside', async () => {
    const { saver, theirs } = await conflict('b')
    expect(await takePlanTheirs(saver, theirs)).toBe(true)
    expect(await repeats('b')).toEqual([2, 8])
    await saveRecord('plans', plan('b', 16), theirs.revision)
    saver.change(plan('b', 32))
    await saver.flush()
    const state = saver.state()
    if (state.kind !== 'conflict' || !state.theirs) throw new Error(state.kind)
    expect(await takePlanTheirs(saver, state.theirs)).toBe(true)
    expect(await repeats('b')).toEqual([16, 32])
    await removeSparePlan('b')
    expect(await repeats('b')).toEqual([16, undefined])
  })

  it('keeps both when the page is left before anyone decides', async () => {
    const { saver } = await conflict('c')
    await closeSaver(saver)
    expect(await repeats('c')).toEqual([2, 8])
  })

  it('is compared field by field and step by step', () => {
    const [a, b] = [plan('d', 4), plan('d', 4)]
    expect(planDifferences(a, b)).toEqual([])
    const step = { part: 'whole', skipped: false, form: null }
    expect(
      planDifferences(
        { ...a, rungs: [72, 80], steps: [step, step] },
        {
          ...b,
          climbs: !b.climbs,
          repeats: 8,
          rungs: null,
          steps: [step, { ...step, skipped: true }],
        },
      ),
    ).toEqual([
      'Tempos: 72, 80 in the other, as proposed in yours',
      'Repeats: 4 in the other, 8 in yours',
      expect.stringMatching(/^Climbs by itself: (yes|no) in the other, (yes|no) in yours$/),
      'Steps that differ: 2',
    ])
  })
})
