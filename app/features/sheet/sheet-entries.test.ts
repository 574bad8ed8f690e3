import { describe, expect, it } from 'vitest'
import { DEFAULT_SETTING } from '~/core/playability'
import { newPlan } from '~/workspace/documents/plan-document'
import { lickOf } from '../../../tests/support/licks'
import { entryOf, type SheetSource } from './sheet-entries'

const text = 'title: Ring\ntempo: 72\ngoal: 126\nline: RLLRL RLK RLRL RLRL'
const source: SheetSource = { id: 'a', text, voicing: '', versions: [], plan: null, log: undefined }
const entry = (more: Partial<SheetSource>) =>
  entryOf({ ...source, ...more }, ['parts'], false, DEFAULT_SETTING)

describe('what is printed of a lick', () => {
  it('follows its plan: the steps in their order, named as there, at its tempos', () => {
    const usual = entry({})
    expect(usual?.rows[0]?.label).toBe('1. The five, in every bar')
    expect(usual?.tempos).toEqual([72, 95, 126])
    const plan = { ...newPlan('a', lickOf(text), 0), school: 'parts' as const, rungs: [60, 90] }
    const own = entry({ plan })
    expect(own?.rows[0]?.label).toMatch(/^1\. Hands alone/)
    expect(own?.tempos).toEqual([60, 90])
    const kinds = own?.rows.length ?? 0
    const skipped = entry({
      plan: { ...plan, steps: [{ part: 'hands 0-16', skipped: true, form: null }] },
    })
    expect(skipped?.rows).toHaveLength(kinds - 1)
    expect(skipped?.rows.some(({ label }) => /Hands alone/.test(label))).toBe(false)
  })

  it('has no ladder where it has neither a goal nor a plan', () => {
    expect(entry({ text: text.replace('goal: 126\n', '') })?.tempos).toEqual([])
  })
})
