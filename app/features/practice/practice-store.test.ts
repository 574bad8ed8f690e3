import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import { addLicks, listSessions, loadPlan } from '~/storage'
import { openPractice, savePractice } from './practice-store'
import { newPlan } from './use-plan'

const session = {
  id: 's',
  version: 3,
  part: 'hands 0-4',
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

describe('what practice saves', () => {
  it('is a session as it goes on, and a plan, and comes back with the lick', async () => {
    const text = 'dime-lick: 1\nline: RLRK\n'
    await addLicks([{ id: 'ring', text, draft: null, voicing: '' }], 1)
    expect(await savePractice({ intent: 'session', session })).toEqual({ trouble: '' })
    const longer = { ...session, seconds: 13.5, rating: 'clean' }
    expect(await savePractice({ intent: 'session', session: longer })).toEqual({ trouble: '' })
    const plan = { ...newPlan('ring', 7), rungs: [60, 90], climbs: true }
    expect(await savePractice({ intent: 'plan', plan })).toEqual({ trouble: '' })
    const opened = await openPractice('ring')
    expect(opened.lick.ok && opened.lick.value.text).toBe(text)
    expect(opened.kept.sessions).toEqual([longer])
    expect(opened.kept.plan).toEqual(plan)
  })

  it.each([
    null,
    {},
    { intent: 'session' },
    { intent: 'session', session: { ...session, tempo: 4 } },
    { intent: 'plan', plan: { ...newPlan('x', 1), rungs: [] } },
    { intent: 'plan', plan: { ...newPlan('x', 1), steps: [{ part: 'bar', skipped: 'no' }] } },
  ])('is not %j', async (sent) => {
    expect((await savePractice(sent)).trouble).not.toBe('')
    const kept = await listSessions()
    expect(kept.ok && kept.value.every(({ tempo }) => tempo >= 20)).toBe(true)
    expect(await loadPlan('x')).toEqual({ ok: true, value: null })
  })
})
