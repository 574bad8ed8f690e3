import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import { addLicks, listSittings, loadPlan } from '~/storage'
import { keepPractice, openPractice } from './practice-store'
import { newPlan } from './use-plan'

const sitting = {
  id: 's',
  version: 2,
  lickId: 'ring',
  createdAt: 5,
  step: 'hands alone',
  tempo: 80,
  repeats: 3,
  seconds: 12.5,
  rating: null,
  tense: false,
  grid: '1/16',
  form: 'over and over',
  note: '',
}

describe('what practice keeps', () => {
  it('is a sitting as it goes on, and a plan, and comes back with the lick', async () => {
    const text = 'dime-lick: 1\nline: RLRK\n'
    await addLicks([{ id: 'ring', text, draft: null, voicing: '' }], 1)
    expect(await keepPractice({ intent: 'sitting', sitting })).toEqual({ trouble: '' })
    const longer = { ...sitting, seconds: 13.5, rating: 'clean' }
    expect(await keepPractice({ intent: 'sitting', sitting: longer })).toEqual({ trouble: '' })
    const plan = { ...newPlan('ring', 7), rungs: [60, 90], climbs: true }
    expect(await keepPractice({ intent: 'plan', plan })).toEqual({ trouble: '' })
    const opened = await openPractice('ring')
    expect(opened.lick.ok && opened.lick.value.text).toBe(text)
    expect(opened.kept.sittings).toEqual([longer])
    expect(opened.kept.plan).toEqual(plan)
  })

  it.each([
    null,
    {},
    { intent: 'sitting' },
    { intent: 'sitting', sitting: { ...sitting, tempo: 4 } },
    { intent: 'plan', plan: { ...newPlan('x', 1), rungs: [] } },
    { intent: 'plan', plan: { ...newPlan('x', 1), steps: [{ part: 'bar', skipped: 'no' }] } },
  ])('is not %j', async (sent) => {
    expect((await keepPractice(sent)).trouble).not.toBe('')
    const kept = await listSittings()
    expect(kept.ok && kept.value.every(({ tempo }) => tempo >= 20)).toBe(true)
    expect(await loadPlan('x')).toEqual({ ok: true, value: null })
  })
})
