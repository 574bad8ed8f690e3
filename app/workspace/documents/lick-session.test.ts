import { describe, expect, it } from 'vitest'
import { REST } from '~/core/sticking'
import type { Kept, LickRecord, RecordSaver } from '~/storage'
import { HistoryMemory } from './history-memory'
import { LickSession } from './lick-session'

const record = (text: string, revision = 0): Kept<LickRecord> => ({
  id: 'a',
  version: 2,
  text,
  draft: null,
  voicing: '',
  revision,
  createdAt: 0,
  updatedAt: 0,
  deletedAt: null,
})

/** What a session asks of its saver, and all that it was given. */
function stubSaver() {
  const changes: LickRecord[] = []
  return {
    id: 'a',
    changes,
    change: (next: LickRecord) => void changes.push(next),
  }
}

function memory() {
  const map = new Map<string, string>()
  return new HistoryMemory({
    getItem: (key) => map.get(key) ?? null,
    setItem: (key, text) => void map.set(key, text),
    removeItem: (key) => void map.delete(key),
  })
}

function open(text = 'line: RL', kept = memory(), turned = false) {
  const saver = stubSaver()
  const asSaver = saver as unknown as RecordSaver<'licks'>
  const session = new LickSession(record(text), turned, asSaver, kept)
  const type = (typed: string) => session.run({ kind: 'type-line', typed, caret: typed.length })
  const textNow = () => session.content.history.text
  return { session, saver, type, textNow, kept }
}

describe('a lick on the bench', () => {
  it('hands every change on to be saved, and none that changes nothing', () => {
    const { saver, type } = open()
    type('RLL')
    type('RLL')
    expect(saver.changes.map(({ text }) => text)).toEqual(['line: RLL'])
    type('RLLQ')
    expect(saver.changes.at(-1)).toMatchObject({ text: 'line: RLL', draft: 'line: RLLQ' })
  })

  it('undoes over a reload', () => {
    const first = open()
    first.type('RLL')
    first.type('RLL K')
    first.session.remember()
    const again = open('line: RLL K', first.kept)
    again.session.run({ kind: 'undo' })
    again.session.run({ kind: 'undo' })
    expect(again.textNow()).toBe('line: RL')
    again.session.run({ kind: 'redo' })
    again.session.run({ kind: 'redo' })
    expect(again.textNow()).toBe('line: RLL K')
  })

  it('undoes over what another tab saved, before or after the reload', async () => {
    const { session, type, textNow } = open()
    type('RLL')
    session.hear(record('line: KKKK', 5))
    expect(textNow()).toBe('line: KKKK')
    session.run({ kind: 'undo' })
    expect(textNow()).toBe('line: RLL')
    session.run({ kind: 'undo' })
    expect(textNow()).toBe('line: RL')

    const first = open()
    first.type('RLL')
    first.session.remember()
    const again = open('line: changed', first.kept)
    again.session.run({ kind: 'undo' })
    expect(again.textNow()).toBe('line: RLL')
  })

  it('is not handed on as changed when another tab’s state is taken over', async () => {
    const { session, saver } = open()
    session.hear(record('line: KKKK', 5))
    expect(saver.changes).toEqual([])
    session.hear('deleted')
    expect(session.state().deleted).toBe(true)
  })

  it('remembers no history of letters that were turned otherwise', () => {
    const first = open()
    first.type('RLL')
    first.session.remember()
    const again = open('line: RLL', first.kept, true)
    expect(again.session.content.history.past).toEqual([])
    expect(again.textNow()).toBe('line: LRR')
  })

  it('says no to a change that makes more than a line can be, and stays as it was', () => {
    const { session, saver, textNow } = open()
    const said: string[] = []
    const { lick } = session.content.good
    const slots = Array.from({ length: 5000 }, () => lick.line.slots[0] ?? REST)
    const line = { slots, groups: [5000], gridChanges: [] }
    const command = { kind: 'change', label: 'Repeat', lick: { ...lick, line } } as const
    expect(session.run(command, (message) => said.push(message))).toBe(false)
    expect(said).toEqual([
      'That would make the line longer than a line can be, so nothing was changed.',
    ])
    expect([textNow(), saver.changes]).toEqual(['line: RL', []])
  })

  it('says no to what could not be stored, and stays as it was', () => {
    const { session, saver, textNow } = open()
    const said: string[] = []
    const text = `line: RL\n# ${'x'.repeat(70_000)}`
    session.run({ kind: 'replace-text', text }, (message) => said.push(message))
    expect(said).toHaveLength(1)
    expect(textNow()).toBe('line: RL')
    const rule = {
      hands: 'hands',
      which: { kind: 'every' },
      action: { kind: 'put', surface: 'f1' },
      on: true,
    } as const
    const rules = Array.from({ length: 65 }, () => rule)
    const voicing = { rules, pins: [] }
    session.run({ kind: 'voice', label: 'many', voicing }, (message) => said.push(message))
    expect(said[1]).toMatch(/^That is more than a lick can hold/)
    expect(saver.changes).toEqual([])
    session.run({ kind: 'voice', label: 'some', voicing: { rules: rules.slice(1), pins: [] } })
    expect(saver.changes).toHaveLength(1)
  })
})
