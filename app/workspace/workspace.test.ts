import { describe, expect, it } from 'vitest'
import { lineTextOf } from '~/codecs/lick-text'
import { CHANGES, CHOSEN_CHANGES } from '~/core/change-list'
import { fixesOf, runOn } from '~/core/fitting'
import { DEFAULT_KIT } from '~/core/kit'
import { strokeEvents } from '~/core/line'
import { workspaceOf } from '../../tests/support/workspace'
import { applyChange } from './edits/change-edits'
import { chainEdit, fixEdit, runOnEdit } from './edits/fitting-edits'
import { repeatUntilFull } from './edits/grouping-edits'
import { moveGroup } from './gestures'
import { insertSlot, pressSticking, removeMarked, typeSticking } from './rows/sticking-row'
import { voiceKey } from './rows/voice-keys'
import { strike, unstrike } from './rows/voices-row'
import type { Workspace } from './workspace'

const lineOf = ({ document }: Workspace) => lineTextOf(document.history.text)
const marked = (one: Workspace) => one.state().selection.range
const keys = (one: Workspace, typed: string) => {
  for (const key of typed) typeSticking(one, key)
}
const pins = ({ document }: Workspace) =>
  document.voicing.pins.map(({ slot, surface }) => `${slot} ${surface}`)
const change = (one: Workspace, id: string) => {
  const found = [...CHANGES, ...CHOSEN_CHANGES].find((known) => known.id === id)
  if (!found) throw new Error(id)
  one.edit(applyChange(one.lick, one.range, found))
}

describe('what is marked is what is changed', () => {
  it('is exactly one slot where one is marked, and the changed slots afterwards', () => {
    const one = workspaceOf('line: RLLRK RLK')
    one.mark(3, 3)
    change(one, 'accent every')
    expect([lineOf(one), marked(one)]).toEqual(['RLL>RK RLK', { from: 3, to: 4 }])
  })

  it('is the whole line where nothing is', () => {
    const one = workspaceOf('line: RLR')
    expect([marked(one), one.range]).toEqual([null, { from: 0, to: 3 }])
    change(one, 'mirror')
    expect([lineOf(one), marked(one)]).toEqual(['LRL', { from: 0, to: 3 }])
  })

  it('widens to the group, then to the line', () => {
    const one = workspaceOf('line: RLLRK RLK')
    one.mark(6, 6)
    one.widen()
    expect(marked(one)).toEqual({ from: 5, to: 8 })
    one.widen()
    expect(marked(one)).toEqual({ from: 0, to: 8 })
  })

  it('comes back with undo, and goes on with redo', () => {
    const one = workspaceOf('line: RLLRK RLK')
    one.mark(2, 4)
    change(one, 'accent every')
    one.mark(6, 6)
    typeSticking(one, 'K')
    one.travel('undo')
    expect(marked(one)).toEqual({ from: 6, to: 7 })
    one.travel('undo')
    expect(marked(one)).toEqual({ from: 2, to: 5 })
    one.travel('redo')
    expect(marked(one)).toEqual({ from: 2, to: 5 })
    one.travel('redo')
    expect(lineOf(one)).toBe('RL>L>R>K RKK')
    one.travel('redo')
    expect(one.state().notice?.message).toBe('Nothing to redo.')
  })

  it('follows the line as it is typed, and nothing that it shows is taken for a choice', () => {
    const one = workspaceOf('line: RL*2 K')
    one.mark(2, 3)
    const { text } = one.state().selection
    one.selectText(text)
    expect(marked(one)).toEqual({ from: 2, to: 4 })
    one.selectText({ from: 5, to: 5 })
    expect(marked(one)).toEqual({ from: 4, to: 5 })
    one.type('RL*2 KK', 7)
    expect([marked(one), one.lick.line.slots.length]).toEqual([null, 6])
  })

  it('steps by slots, marks with Shift, and leaves the last slot for the end of the line', () => {
    const one = workspaceOf('line: RLLRK RLK')
    one.step(-1, 'slot', false)
    expect(marked(one)).toEqual({ from: 7, to: 8 })
    one.step(-1, 'group', true)
    expect(marked(one)).toEqual({ from: 5, to: 8 })
    one.step(1, 'end', false)
    one.step(1, 'slot', false)
    expect(marked(one)).toBeNull()
  })
})

describe('an edit', () => {
  it('is refused where another line is on the bench by then, and while the text cannot be read', () => {
    const one = workspaceOf('line: RLR')
    const { lick } = one
    const found = CHANGES.find(({ id }) => id === 'mirror')
    if (!found) throw new Error('mirror')
    const edit = applyChange(lick, one.range, found)
    one.type('RLRL', 4)
    expect(one.edit(edit, lick)).toBe(false)
    expect(one.state().notice?.message).toMatch(/changed in the meantime/)
    one.type('RLR(', 4)
    expect(one.edit(edit)).toBe(false)
    expect([lineOf(one), one.state().notice?.message]).toEqual([
      'RLR(',
      expect.stringMatching(/cannot be read/),
    ])
  })

  it('is shown before it is made, voices and all, and the showing ends with it', () => {
    const one = workspaceOf('line: RLLR')
    one.mark(1, 1)
    strike(one, 't1')
    one.select({ from: 0, to: 4 })
    const found = CHANGES.find(({ id }) => id === 'rotate')
    if (!found) throw new Error('rotate')
    const edit = applyChange(one.lick, one.range, found)
    one.show(edit)
    const { preview } = one.state()
    expect(preview?.voicing.pins).toEqual([{ slot: 0, surface: 't1' }])
    expect(lineOf(one)).toBe('RLLR')
    one.edit(edit)
    expect(one.state().preview).toBeNull()
    expect(pins(one)).toEqual(['0 t1'])
  })

  it('of metre or grid says what it kept, with the other way a click away', () => {
    const one = workspaceOf('tempo: 80\nline: RLRL')
    one.set([['grid', ['1/16t']]])
    expect(one.state().notice?.message).toMatch(/^The tempo stays at 80/)
    one.state().notice?.offer?.act()
    expect(one.lick.frame.tempo).toBeCloseTo(53.3333)
    one.set([['title', ['Other']]])
    expect(one.state().notice).toBeNull()
  })
})

describe('marks travel with their strokes', () => {
  const NOTED = JSON.stringify({
    version: 1,
    rules: [],
    pins: [{ slot: 1, surface: 't1' }],
    notes: [{ slot: 4, text: 'low' }],
  })
  const notes = ({ document }: Workspace) =>
    document.voicing.notes?.map(({ slot, text }) => `${slot} ${text}`)

  it.each([
    ['rotate', ['0 t1'], ['3 low']],
    ['reverse', ['6 t1'], ['3 low']],
    ['kick-at-start', ['2 t1'], ['5 low']],
    ['alternate', ['1 t1', '9 t1'], ['4 low']],
    ['kick-after-r', ['2 t1'], ['6 low']],
    ['accent every', ['1 t1'], ['4 low']],
  ])('through %s', (id, struck, said) => {
    const one = workspaceOf('line: RLLRK RLK', NOTED)
    one.select({ from: 0, to: 8 })
    change(one, id)
    expect([pins(one), notes(one)]).toEqual([struck, said])
    one.travel('undo')
    expect([pins(one), notes(one)]).toEqual([['1 t1'], ['4 low']])
  })

  it('through a group that is moved, a slot that is opened, and one that is removed', () => {
    const one = workspaceOf('line: RLLRK RLK', NOTED)
    moveGroup(one, 0, 8)
    expect([lineOf(one), pins(one), notes(one)]).toEqual(['RLK RLLRK', ['4 t1'], ['7 low']])
    one.mark(0, 0)
    insertSlot(one)
    expect([lineOf(one), pins(one)]).toEqual(['-RLK RLLRK', ['5 t1']])
    one.mark(5, 5)
    removeMarked(one, false)
    expect([pins(one), notes(one)]).toEqual([[], ['7 low']])
  })

  it('named parts too', () => {
    const one = workspaceOf('line: RLLR KRL\npart: 1..2 middle\n')
    moveGroup(one, 4, 0)
    expect(one.lick.parts).toEqual([{ name: 'middle', from: 4, to: 5 }])
  })

  it('swells too', () => {
    const one = workspaceOf('swell: 1..2 ghost>accent\nline: RLLR KRL')
    moveGroup(one, 4, 0)
    expect(one.lick.frame.swells).toMatchObject([{ from: 4, to: 5 }])
  })
})

describe('keys in the sticking row', () => {
  it('replace the marked stroke and step on; small letters ghost, as in the line', () => {
    const one = workspaceOf('line: RLLR')
    one.mark(1, 1)
    keys(one, 'Kr')
    expect([lineOf(one), marked(one)]).toEqual(['RKrR', { from: 3, to: 4 }])
    keys(one, 'L')
    expect([lineOf(one), marked(one)]).toEqual(['RKrL', null])
  })

  it('add at the end of the line, with signs before the letter as in the line', () => {
    const one = workspaceOf('line: RL')
    keys(one, 'K/>R_gL')
    expect(lineOf(one)).toBe('RLK >Rl')
    keys(one, 'fR(KdL{L-')
    expect(lineOf(one)).toBe('RLK >Rl(fRK){dLL}-')
  })

  it('build a line from nothing', () => {
    const one = workspaceOf('line:')
    keys(one, 'RLLRK/RLK')
    expect(lineOf(one).trim()).toBe('RLLRK RLK')
  })

  it('set levels and graces of what is marked, and take them away again', () => {
    const one = workspaceOf('line: RLK')
    one.select({ from: 0, to: 2 })
    keys(one, '>')
    expect([lineOf(one), marked(one)]).toEqual(['>R>LK', { from: 0, to: 2 }])
    keys(one, '>f')
    expect(lineOf(one)).toBe('fRfLK')
    one.mark(2, 2)
    keys(one, 'f')
    expect(one.state().notice?.message).toMatch(/one hand/)
  })

  it('give a sign to the stroke that is typed right after it, as in the line, and to no later one', () => {
    const one = workspaceOf('line: RLR-')
    one.mark(0, 0)
    keys(one, '>LR')
    expect([lineOf(one), marked(one)]).toEqual(['>LRR-', { from: 2, to: 3 }])
    keys(one, '>')
    one.mark(3, 3)
    keys(one, '>L')
    expect(lineOf(one)).toBe('>LR>R>L')
    one.mark(1, 1)
    keys(one, '>>K')
    expect(lineOf(one)).toBe('>LK>R>L')
  })

  it('join a limb to a slot, split it, end groups and remove', () => {
    const one = workspaceOf('line: RLLR')
    one.mark(1, 1)
    keys(one, '(K')
    expect(lineOf(one)).toBe('R(LK)LR')
    keys(one, 'L')
    expect(one.state().notice?.message).toMatch(/already/)
    one.mark(2, 2)
    keys(one, '{R')
    expect(lineOf(one)).toBe('R(LK){LR}R')
    one.mark(2, 2)
    keys(one, '/')
    expect([lineOf(one), marked(one)]).toEqual(['R(LK) {LR}R', { from: 2, to: 3 }])
    removeMarked(one, true)
    expect(lineOf(one)).toBe('R {LR}R')
    removeMarked(one, false)
    expect(one.lick.line.slots).toHaveLength(2)
  })

  it('leave what they do not know to the page', () => {
    const one = workspaceOf('line: RL')
    expect(typeSticking(one, 'q')).toBe(false)
    expect(typeSticking(one, 'F2')).toBe(false)
  })
})

describe('keys in the voices row', () => {
  const strikeAll = (one: Workspace, typed: string) => {
    let name = ''
    for (const key of typed) {
      const read = voiceKey(DEFAULT_KIT, name, key)
      name = read?.kind === 'more' ? read.typed : ''
      if (read?.kind === 'surface') strike(one, read.surface)
    }
  }

  it('strike eight strokes with eight keys, kicks passed over', () => {
    const one = workspaceOf('line: RLKRLRLKRL')
    one.mark(0, 0)
    strikeAll(one, '23345567')
    expect(pins(one)).toEqual(['0 sn', '1 t1', '3 t1', '4 t2', '5 f1', '6 f1', '8 rd', '9 c1'])
    expect(lineOf(one)).toBe('RLKRLRLKRL')
    const heard = strokeEvents(one.derived.laid(one.lick, one.document.voicing))
    expect(heard.filter(({ limb }) => limb !== 'RF').map(({ surface }) => surface)).toEqual([
      'sn',
      't1',
      't1',
      't2',
      'f1',
      'f1',
      'rd',
      'c1',
    ])
  })

  it('know codes and the usual short names', () => {
    const name = (typed: string) => {
      const first = voiceKey(DEFAULT_KIT, '', typed[0] as string)
      if (first?.kind !== 'more') return first
      return voiceKey(DEFAULT_KIT, first.typed, typed[1] as string)
    }
    expect(['HH', 'FT', 'SN', 'BD', 'RD', 'CR', 't1', 'c2'].map((one) => name(one))).toEqual(
      ['hh', 'f1', 'sn', 'bd', 'rd', 'c1', 't1', 'c2'].map((surface) => ({
        kind: 'surface',
        surface,
      })),
    )
    expect([
      name('zz'),
      voiceKey(DEFAULT_KIT, '', '9'),
      voiceKey(DEFAULT_KIT, '', 'Enter'),
    ]).toEqual([{ kind: 'unknown', typed: 'zz' }, { kind: 'unknown', typed: '9' }, undefined])
  })

  it('change a voice in the line where it is typed there', () => {
    const one = workspaceOf('line: R:t1L')
    one.mark(0, 0)
    strike(one, 'f1')
    expect([lineOf(one), pins(one), marked(one)]).toEqual(['R:f1L', [], { from: 1, to: 2 }])
    strike(one, 't2')
    unstrike(one)
    expect(pins(one)).toEqual([])
    // Typed and struck voices go in one step, and come back in one.
    one.select({ from: 0, to: 2 })
    unstrike(one)
    expect([lineOf(one), pins(one)]).toEqual(['RL', []])
    one.travel('undo')
    expect(lineOf(one)).toBe('R:f1L')
  })

  it('say that a foot goes nowhere', () => {
    const one = workspaceOf('line: KR')
    one.mark(0, 0)
    strike(one, 't1')
    expect([pins(one), marked(one)]).toEqual([[], { from: 1, to: 2 }])
    expect(one.state().notice?.message).toMatch(/hand/)
  })
})

describe('what is told', () => {
  it('is told once a key, however much a key does', () => {
    const one = workspaceOf('line: RLLR\nunder: @1/4 H')
    one.mark(1, 1)
    let told = 0
    one.subscribe(() => {
      told += 1
    })
    const times = (work: () => void) => {
      told = 0
      work()
      return told
    }
    expect([
      times(() => typeSticking(one, 'K')),
      times(() => pressSticking(one, '>')),
      times(() => strike(one, 't1')),
      times(() => one.together(() => {})),
    ]).toEqual([1, 1, 1, 0])
  })
})

describe('a voice that was struck by hand', () => {
  const struck = (text: string, ...slots: number[]) => {
    const one = workspaceOf(text)
    for (const slot of slots) {
      one.mark(slot, slot)
      strike(one, 't1')
    }
    return one
  }
  const typeAll = (one: Workspace, typed: string) => {
    for (let n = 1; n <= typed.length; n += 1) one.type(typed.slice(0, n), n)
  }

  it('goes to every copy of its stroke', () => {
    const full = struck('bars: 1\nline: RLLRK', 0, 3)
    const repeat = repeatUntilFull(full.lick)
    if (repeat) full.edit(repeat)
    expect(pins(full)).toEqual(['0 t1', '3 t1', '5 t1', '8 t1', '10 t1', '13 t1', '15 t1'])
    const fixed = struck('bars: 1\nline: RLLRK', 0)
    const fix = fixesOf(fixed.lick).find(({ kind }) => kind === 'add-group')
    if (fix) fixed.edit(fixEdit(fixed.lick, fix))
    expect(pins(fixed)).toEqual(['0 t1', '5 t1'])
    const chained = struck('line: RLR LKK', 1)
    chained.edit(chainEdit(chained.lick, [3, 3, 3]))
    expect(pins(chained)).toEqual(['1 t1', '4 t1', '7 t1'])
    const run = struck('line: RLL', 0)
    const on = runOn(run.lick, { from: 0, to: 3 }, 1)
    if (on) run.edit(runOnEdit(run.lick, { from: 0, to: 3 }, on, 'Run on'))
    expect(pins(run)).toEqual(['0 t1', '3 t1', '6 t1', '9 t1', '12 t1', '15 t1'])
    const typed = struck('line: RL K', 0)
    typed.type('RL*3 K', 4)
    expect(pins(typed)).toEqual(['0 t1', '2 t1', '4 t1'])
    typed.travel('undo')
    expect(pins(typed)).toEqual(['0 t1'])
  })

  it('goes with what is copied and pasted, in one step', () => {
    const one = struck('line: RLL RLK', 0, 1)
    one.selectText({ from: 0, to: 3 })
    one.copy('RLL')
    one.selectText({ from: 7, to: 7 })
    one.insertText(' ')
    one.insertText('RLL')
    expect([lineOf(one), pins(one)]).toEqual(['RLL RLK RLL', ['0 t1', '1 t1', '6 t1', '7 t1']])
    one.travel('undo')
    expect([lineOf(one).trim(), pins(one)]).toEqual(['RLL RLK', ['0 t1', '1 t1']])
    one.insertText('KK')
    expect(pins(one)).toEqual(['0 t1', '1 t1'])
  })

  it('is gone with its stroke: what is typed anew begins without one', () => {
    const emptied = struck('line: RLLR', 0, 3)
    emptied.type('', 0)
    typeAll(emptied, 'RLLR')
    expect(pins(emptied)).toEqual([])
    const shorter = struck('line: RLLR', 2, 3)
    shorter.type('RLL', 3)
    shorter.type('RLLR', 4)
    expect(pins(shorter)).toEqual(['2 t1'])
    const over = struck('line: RLLR', 0, 1, 2)
    over.type('K', 1)
    expect(pins(over)).toEqual([])
    // One that is typed over by another is still that stroke.
    const other = struck('line: RLLR', 1)
    other.type('RRLR', 2)
    expect(pins(other)).toEqual(['1 t1'])
    // What cannot be read for a moment is not gone.
    const broken = struck('line: RL', 1)
    broken.type('R(L', 2)
    broken.type('R(LK)', 5)
    expect([lineOf(broken), pins(broken)]).toEqual(['R(LK)', ['1 t1']])
  })
})

describe('what is restored', () => {
  it('is the line, the bar and the voices; the title stays, and it is said', () => {
    const one = workspaceOf('title: Now\ntempo: 90\nline: RL')
    one.restore('title: Then\ntempo: 120\nline: RLLR', '', 'the louder one')
    const { document, notice } = one.state()
    expect([lineOf(one), document.good.lick.title, document.good.lick.frame.tempo]).toEqual([
      'RLLR',
      'Now',
      120,
    ])
    expect(notice?.message).toMatch(/^Brought back from the louder one: /)
    one.travel('undo')
    expect([lineOf(one), one.lick.frame.tempo]).toEqual(['RL', 90])
    // Of a state without a title, too.
    one.restore('line: K', '', 'x')
    expect(one.lick.title).toBe('Now')
  })
})
