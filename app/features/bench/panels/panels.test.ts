import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHANGES } from '~/core/change-list'
import { findPhrase, type SlotRange } from '~/core/changes'
import { chainsOf, cycleOf, fixesOf, renotate } from '~/core/fitting'
import { limbClashes } from '~/core/line'
import { formatLine } from '~/core/notation'
import { PLAIN_VOICING } from '~/core/voicing'
import { liveCells, liveGrooves, liveVersions } from '~/storage'
import { comparedWith, differenceWords } from '~/words/versions'
import { applyChange, findSizes, groupAs, leaveOutClashing } from '~/workspace/edits/change-edits'
import {
  appendPhrase,
  type Edit,
  insertAt,
  insertPhrase,
  joinGroups,
  moveGroups,
  moveGroupTo,
  replaceRange,
  splitAt,
  stepStart,
} from '~/workspace/edits/edits'
import { chainEdit, fixEdit, fixWords } from '~/workspace/edits/fitting-edits'
import { groupingEdits, repeatUntilFull } from '~/workspace/edits/grouping-edits'
import { notesIn, withNote } from '~/workspace/notes'
import * as random from '../../../../tests/support/arbitraries'
import { lickOf } from '../../../../tests/support/licks'
import { noneWords } from './chains-form'
import { cycleWords } from './cycle-panel'
import { outcomeWords } from './fixes-list'
import { changeCells, changeGrooves, changeVersions, type VersionCommand } from './saved-store'
import { soloLick } from './solo'
import { renotatedWords } from './whole-changes'

const LICK = lickOf('RLLRK RLK RL')
const line = (edit: Edit | null) => edit && formatLine(edit.lick.line)
const phrase = (text: string) => findPhrase(text) ?? { slots: [], groups: [] }
const named = (id: string) => {
  const change = CHANGES.find((known) => known.id === id)
  if (!change) throw new Error(`no change ${id}`)
  return change
}

describe('notes at strokes (C54)', () => {
  it('stand in order, one a slot, and go when they are emptied', () => {
    const two = withNote(withNote(PLAIN_VOICING, 4, ' low wrist '), 1, 'centre')
    expect(two.notes).toEqual([
      { slot: 1, text: 'centre' },
      { slot: 4, text: 'low wrist' },
    ])
    expect(withNote(two, 4, 'loose').notes).toHaveLength(2)
    expect(withNote(two, 1, '').notes).toEqual([{ slot: 4, text: 'low wrist' }])
    expect(notesIn(two, { from: 2, to: 5 })).toEqual([{ slot: 4, text: 'low wrist' }])
    expect(notesIn(PLAIN_VOICING, { from: 0, to: 9 })).toEqual([])
  })
})

describe('edits', () => {
  it('change a selection and select what came of it', () => {
    const edit = applyChange(LICK, { from: 5, to: 8 }, named('alternate'))
    expect(line(edit)).toBe('RLLRK RLK LRK RL')
    expect(edit.select).toEqual({ from: 5, to: 11 })
    expect(edit.change).toEqual({ from: 5, to: 8, typed: 'RLK LRK', origins: [0, 1, 2, 0, 1, 2] })
    expect(
      line(
        applyChange(lickOf('start: 1e\nline: RLLRL'), { from: 0, to: 5 }, named('kick-on-beats')),
      ),
    ).toBe('RLL(RK)L')
  })

  it('put cells in, before, after and in place of groups', () => {
    expect(line(insertPhrase(LICK, 6, phrase('KK'), 'in'))).toBe('RLLRK KK RLK RL')
    expect(line(insertAt(LICK, 6, phrase('KK'), 'in'))).toBe('RLLRK R KK LK RL')
    expect(line(insertAt(LICK, 10, phrase('KK'), 'in'))).toBe('RLLRK RLK RL KK')
    expect(line(appendPhrase(LICK, phrase('RL RK'), 'on'))).toBe('RLLRK RLK RL*2 RK')
    expect(line(replaceRange(LICK, { from: 5, to: 8 }, phrase('RRLL'), 'for'))).toBe(
      'RLLRK RRLL RL',
    )
  })

  it('split, join and move groups', () => {
    expect(line(splitAt(LICK, 2))).toBe('RL LRK RLK RL')
    expect(splitAt(LICK, 5)).toBeNull()
    expect(line(joinGroups(LICK, { from: 0, to: 5 }))).toBe('RLLRKRLK RL')
    expect(line(joinGroups(LICK, { from: 3, to: 9 }))).toBe('RLLRKRLKRL')
    expect(joinGroups(LICK, { from: 8, to: 10 })).toBeNull()
    expect(line(moveGroups(LICK, { from: 6, to: 7 }, 'earlier'))).toBe('RLK RLLRK RL')
    expect(moveGroups(LICK, { from: 6, to: 7 }, 'earlier')?.select).toEqual({ from: 0, to: 3 })
    expect(line(moveGroups(LICK, { from: 0, to: 1 }, 'later'))).toBe('RLK RLLRK RL')
    expect(moveGroups(LICK, { from: 9, to: 10 }, 'later')).toBeNull()
    expect(line(moveGroupTo(LICK, 8, 0))).toBe('RL RLLRK RLK')
    expect(line(moveGroupTo(LICK, 0, 10))).toBe('RLK RL RLLRK')
    expect(moveGroupTo(LICK, 0, 5)).toBeNull()
  })

  it('moving a group keeps every slot and every group (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(), fc.nat(), (lick, a, b) => {
        const { slots, groups } = lick.line
        if (slots.length === 0) return
        const moved = moveGroupTo(lick, a % slots.length, b % (slots.length + 1))
        if (!moved) return
        const sorted = (list: readonly unknown[]) => list.map((one) => JSON.stringify(one)).sort()
        expect(sorted(moved.lick.line.slots)).toEqual(sorted(slots))
        const target = b % (slots.length + 1)
        const atEdge = [0, slots.length].includes(target) || groups.length === 1
        if (atEdge) expect(sorted(moved.lick.line.groups)).toEqual(sorted(groups))
      }),
      { numRuns: 80 },
    )
  })

  it('group by typed sizes, with empty stacks to fill', () => {
    expect(line(groupAs(LICK, { from: 0, to: 10 }, [4, 4]))).toBe('RLLR KRLK RL')
    expect(line(groupAs(lickOf(''), { from: 0, to: 0 }, [3, 2]))).toBe('--- --')
    expect(findSizes('5+4 7')).toEqual([5, 4, 7])
    expect([findSizes(''), findSizes('5 x'), findSizes('0')]).toEqual([
      undefined,
      undefined,
      undefined,
    ])
  })

  it('repeat until the space is full, cutting the last time', () => {
    expect(line(repeatUntilFull(lickOf('bars: 1\nline: RLLRK')))).toBe('RLLRK*3 R')
    expect(line(repeatUntilFull(lickOf('bars: 1\nline: RLLK RRK')))).toBe('[RLLK RRK]*2 RL')
    expect(line(repeatUntilFull(lickOf('bars: 1\nline: RLLK RRK'), { from: 4, to: 7 }))).toBe(
      'RLLK RRK*4',
    )
    expect(line(repeatUntilFull(lickOf('bars: 1\nline: RLK RL RLK RL')))).toBe('[RLK RL]*3 R')
    expect(repeatUntilFull(lickOf('RLRL*4'))).toBeNull()
  })

  it('marks what it repeated and its copies', () => {
    const marked = (text: string, range: SlotRange | null = null) =>
      repeatUntilFull(lickOf(text), range)?.select
    expect(marked('bars: 1\nline: RLLRK')).toEqual({ from: 0, to: 16 })
    expect(marked('bars: 1\nline: RLLK RRK', { from: 4, to: 7 })).toEqual({ from: 4, to: 16 })
    expect(marked('bars: 1\nline: RLLK RRK', { from: 0, to: 4 })).toEqual({ from: 7, to: 16 })
  })

  it('repeat the pattern or the last group as often as they go in whole', () => {
    const made = (text: string, name: RegExp) => {
      const lick = lickOf(text)
      const all = { from: 0, to: lick.line.slots.length }
      return line(
        groupingEdits(lick, null, all).find(({ label }) => name.test(label))?.edit ?? null,
      )
    }
    expect(made('bars: 1\nline: RLLK RRK', /^Repeat the pattern/)).toBe('[RLLK RRK]*2')
    expect(made('bars: 1\nline: RLLK RRK', /^Repeat the last/)).toBe('RLLK RRK*4')
    expect(made('bars: 1\nline: RLRL*3 RL', /^Repeat the pattern/)).toBeNull()
  })

  it('step the start, and stop at the edges of the bar', () => {
    expect(stepStart(LICK, 1)?.lick.frame.start).toBe(2520)
    expect(stepStart(LICK, -1)).toBeNull()
    const late = lickOf('start: 4a\nstop: 4\nline: R')
    expect(stepStart(late, 1)).toBeNull()
    expect(stepStart(lickOf('start: 4\nstop: 4\nline: R'), -1)?.lick.frame.stop).toBe(27720)
  })

  it('leave a limb out where a layer wants it too', () => {
    const lick = lickOf('line: JRLK*2\nunder: @1/4 H')
    expect(line(leaveOutClashing(lick, 'LF'))).toBe('-RLK*2')
    const graced = lickOf('line: fLRfLR\nunder: @1/8 R:rd')
    expect(line(leaveOutClashing(graced, 'RH'))).toBe('LRLR')
  })

  it('leave none of a limb where a layer wants it too, and all else where it is (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.constantFrom('RH', 'LH', 'XH', 'RF', 'LF'), (lick, limb) => {
        const left = leaveOutClashing(lick, limb).lick
        const clashes = limbClashes(left).filter(({ ostinatos }) => ostinatos.includes(0))
        expect(clashes.filter((clash) => clash.limb === limb)).toEqual([])
        const before = limbClashes(lick).filter(({ ostinatos }) => ostinatos.includes(0))
        if (!before.some((clash) => clash.limb === limb))
          expect(left.line.slots).toEqual(lick.line.slots)
      }),
      { numRuns: 150 },
    )
  })
})

describe('fixes and groupings', () => {
  it('type only what is new', () => {
    const lick = lickOf('grid: 1/16q\nline: RLRLLK*3')
    const edits = fixesOf(lick).map((fix) => fixEdit(lick, fix))
    const [next] = edits
    expect([next?.label, next?.change]).toEqual([
      'Repeat, cutting the last group',
      { from: 18, to: 18, typed: 'RL', origins: [-18, -17] },
    ])
    const first = edits.find(({ label }) => label === 'Put the remainder first')
    expect(first?.change).toEqual({ from: 0, to: 0, typed: 'RL', origins: [null, null] })
    const over = lickOf('start: 4\nline: RLRLK')
    const middle = edits.find(({ label }) => label.startsWith('Put the remainder after'))
    expect(middle?.change).toMatchObject({ from: 6, to: 6, typed: 'RL' })
    const [cutShort] = fixesOf(over).map((fix) => fixEdit(over, fix))
    expect(cutShort?.change).toMatchObject({ from: 4, to: 5, typed: '' })
  })

  it('lay the line’s own groups into a grouping, and never replace strokes by rests', () => {
    expect(line(chainEdit(LICK, [3, 5, 4]))).toBe('RLK RLLRK RLLR')
    expect(line(chainEdit(lickOf('RLR LKK'), [6, 6, 6, 6]))).toBe('RLRLKK*4')
  })

  it('say what a tail does at the link, and what the foot needs', () => {
    const lick = lickOf('line: RLLRK*3')
    const kick = fixesOf(lick).find(({ kind }) => kind === 'tail-kick')
    expect(kick && fixWords(kick, lick)).toBe('Add an ending on the kick')
    expect(kick && outcomeWords(kick, lick, 100)).toBe(
      '2 kicks in a row at the link, both hands free to land, the foot has 150 ms to the landing and needs 140',
    )
  })

  it('say what is nearest where nothing fits, and how many bars work', () => {
    const lick = lickOf('')
    expect(noneWords(chainsOf(16, [{ size: 9 }]), 16, lick)).toBe(
      'Nothing fills 16 slots exactly. Nearest: 9 below, 18 above. It works out over 9 times the space: 9 bars, 1 order.',
    )
    expect(noneWords(chainsOf(5, [{ size: 6, least: 4 }]), 5, lick)).toBe(
      'Nothing fills 5 slots exactly. Nearest: 24 above. It works out over 6 times the space: 1 order.',
    )
  })

  it('say how a repeated phrase lies in the bar', () => {
    const words = (text: string) => {
      const lick = lickOf(text)
      const all = { from: 0, to: lick.line.slots.length }
      const cycle = cycleOf(lick, all)
      return cycle && cycleWords(lick, all.to, cycle)
    }
    expect(words('RLRLRLRLRLRLRLRLRL')).toMatch(/^18 slots: longer than a bar; /)
    expect(words('RLRRLRL')).toBe(
      '7 slots: fit twice, 2 slots left; back on a beat after 7 beats, back on the same place in the bar after 16 repeats, 7 bars.',
    )
  })

  it('say what half and double naming change', () => {
    const lick = lickOf('tempo: 132\nstart: 3\nline: RLRL*2')
    const half = renotate(lick, 'faster')
    expect(half.ok && renotatedWords(lick, half.value)).toBe(
      '1/32 at 66, from 4; the groove is saved as “Eighths, twice as fast”',
    )
  })
})

describe('heard alone', () => {
  it('goes round without a hole: a five fills five bars', () => {
    const solo = soloLick(lickOf('under: @1/4 H\nline: RL'), phrase('RLLRK'))
    expect(solo.line.slots).toHaveLength(80)
    expect(solo.frame).toMatchObject({ bars: 5, lead: 0, groove: 'none' })
    expect(solo.ostinatos).toEqual([])
  })
})

describe('versions', () => {
  it('are compared slot by slot', () => {
    const { slots, keys } = comparedWith(lickOf('RRLK RRLK RRLL'), lickOf('RRLK RRKK RRLR'))
    expect(slots.map(({ slot }) => slot)).toEqual([6, 11])
    expect(keys).toEqual([])
    const tail = comparedWith(lickOf('RLLRKK*4'), lickOf('RLLRKK*3 RLRLKR'))
    expect(tail.slots.map(({ slot }) => slot)).toEqual([20, 21, 23])
  })

  it('tell every difference: strokes, grouping, grid, feet, frame', () => {
    const saved = lickOf('tempo: 90\ngrid: 1/16\nline: RLRL RLRK\nunder: @1/4 H')
    const now = lickOf('tempo: 96\ngrid: 1/32\nlanding: stop\nline: RLRLRL RK')
    expect(differenceWords(saved, now)).toBe(
      'another grouping; tempo: 90, now 96; grid: 1/16, now 1/32; landing: none, now stop; feet: @1/4 H, now none',
    )
    expect(differenceWords(saved, saved)).toBe('the same as on the bench')
    expect(differenceWords(lickOf('RL'), lickOf('RK'))).toBe('slot 2: L, now K')
  })

  const versionsOf = async (id: string) => (await liveVersions(id).settled()).rows

  it('are saved, renamed and deleted, each with its lick', async () => {
    const kept = { intent: 'save' as const, lickId: 'a', name: 'first', text: 'line: RL' }
    expect(await changeVersions(kept)).toEqual({ trouble: '' })
    expect(await versionsOf('b')).toEqual([])
    const [version] = await versionsOf('a')
    expect(version).toMatchObject({ name: 'first', text: 'line: RL', revision: 0 })
    await changeVersions({ ...kept, id: version?.id, revision: 0, name: 'renamed' })
    expect((await versionsOf('a')).map(({ name }) => name)).toEqual(['renamed'])
    await changeVersions({ intent: 'delete', id: version?.id ?? '' })
    expect(await versionsOf('a')).toEqual([])
  })

  it.each([
    [{ intent: 'save', lickId: 'a', name: ' ', text: 'line: RL' }, 'A version needs a name.'],
    [
      { intent: 'save', lickId: 'a', name: 'x', text: 'line: RQ' },
      'The line cannot be read yet: fix it first.',
    ],
    [null, 'A version needs a name.'],
  ])('%j is refused in words', async (sent, trouble) =>
    expect(await changeVersions(sent as VersionCommand)).toEqual({ trouble }),
  )
})

describe('own cells', () => {
  const cells = async () => (await liveCells.settled()).rows

  it('are saved, changed and deleted', async () => {
    const kept = { intent: 'save' as const, name: 'Mine', line: 'RLLRKK', tags: ['odd'] }
    expect(await changeCells(kept)).toEqual({ trouble: '' })
    const [cell] = await cells()
    expect(cell).toMatchObject({ name: 'Mine', line: 'RLLRKK', tags: ['odd'], version: 1 })
    await changeCells({ ...kept, id: cell?.id, revision: cell?.revision, line: 'RLLR' })
    expect((await cells()).map((known) => known.line)).toEqual(['RLLR'])
    await changeCells({ intent: 'delete', id: cell?.id ?? '' })
    expect(await cells()).toEqual([])
  })

  it('that were changed elsewhere since are not overwritten, until that is meant', async () => {
    const kept = { intent: 'save' as const, name: 'Mine', line: 'RLL', tags: [] }
    await changeCells(kept)
    const [cell] = await cells()
    const id = cell?.id ?? ''
    await changeCells({ ...kept, id, revision: 0, line: 'RRL' })
    const late = await changeCells({ ...kept, id, revision: 0, line: 'LLR' })
    expect(late).toEqual({
      trouble: 'Not saved: it was changed in another tab to “Mine”, RRL.',
      revision: 1,
    })
    expect((await cells()).map(({ line }) => line)).toEqual(['RRL'])
    await changeCells({ ...kept, id, revision: late.revision, line: 'LLR' })
    expect((await cells()).map(({ line }) => line)).toEqual(['LLR'])
    await changeCells({ intent: 'delete', id })
    expect((await changeCells({ ...kept, id, revision: 3 })).trouble).toBe(
      'Not saved: it was deleted in another tab.',
    )
  })

  it('need a name and a sticking that can be read', async () => {
    expect((await changeCells({ intent: 'save', name: '', line: 'R', tags: [] })).trouble).not.toBe(
      '',
    )
    expect((await changeCells({ intent: 'save', name: 'x', line: 'R(', tags: [] })).trouble).toBe(
      '“R(” cannot be read as a sticking.',
    )
  })

  it('and grooves are kept by their own ids', async () => {
    const groove = { intent: 'save' as const, name: 'Slow', meter: '4/4', grid: '1/8' }
    expect(await changeGrooves({ ...groove, line: 'R:hh K L K' })).not.toEqual({ trouble: '' })
    expect(await changeGrooves({ ...groove, id: 'own-x', line: 'RLRLRLRL' })).toEqual({
      trouble: '',
    })
    const { rows } = await liveGrooves.settled()
    expect(rows.map(({ id, line }) => [id, line])).toEqual([['own-x', 'RLRLRLRL']])
  })
})
