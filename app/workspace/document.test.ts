import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineTextOf } from '~/codecs/lick-text'
import { formatVoicing } from '~/codecs/voicing'
import { CHANGES } from '~/core/change-list'
import { DEFAULT_KIT } from '~/core/kit'
import { voicingPresets } from '~/core/voicing'
import {
  type BenchCommand,
  type BenchDocument,
  caretAfter,
  openDocument,
  runCommand,
  textsOf,
} from './document'
import { applyChange } from './edits/change-edits'
import { stepStart } from './edits/edits'

const OPEN = openDocument({
  text: 'title: Ring\nswell: 1..3 soft>accent\nunder: @1/4 H\nline: RLLRK RLK\n',
  draft: null,
  voicing: formatVoicing({
    rules: voicingPresets(DEFAULT_KIT)[0]?.rules ?? [],
    pins: [{ slot: 4, surface: 'sn' }],
    notes: [{ slot: 6, text: 'low wrist' }],
  }),
})

/** What a player may do next, told by numbers, as it depends on what is there by then. */
const deed = fc.tuple(
  fc.constantFrom('type', 'delete', 'set', 'change', 'step', 'rules', 'undo', 'redo', 'whole'),
  fc.nat(),
  fc.string({ unit: fc.constantFrom(...'RLKrl>({})-* @1/6t:23'), maxLength: 3 }),
)

function command(
  document: BenchDocument,
  [kind, at, text]: [string, number, string],
): BenchCommand | null {
  const line = lineTextOf(document.history.text)
  const from = at % (line.length + 1)
  const { lick } = document.good
  switch (kind) {
    case 'type':
      return typed(line.slice(0, from) + text + line.slice(from), from + text.length)
    case 'delete':
      return typed(line.slice(0, from) + line.slice(from + 2), from)
    case 'set':
      return { kind: 'set', rows: [['start', [String((at % 4) + 1)]]] }
    case 'change': {
      const change = CHANGES[at % CHANGES.length]
      const to = lick.line.slots.length
      return change && to > 0
        ? { kind: 'change', ...applyChange(lick, { from: at % to, to }, change) }
        : null
    }
    case 'step': {
      const edit = stepStart(lick, at % 2 === 0 ? 1 : -1)
      return edit && { kind: 'change', ...edit }
    }
    case 'rules': {
      const rules = voicingPresets(DEFAULT_KIT)[at % 4]?.rules ?? []
      return { kind: 'voice', label: 'Rules', voicing: { ...document.voicing, rules } }
    }
    case 'whole':
      return { kind: 'replace-text', text: `title: Rung\nline: ${text}\n` }
    default:
      return { kind: kind === 'undo' ? 'undo' : 'redo' }
  }
}

const typed = (line: string, caret: number): BenchCommand => ({
  kind: 'type-line',
  typed: line,
  caret,
})

const kept = ({ history, good, voicing, issues }: BenchDocument) => ({
  text: history.text,
  beside: history.beside,
  voicing,
  lick: good.lick,
  issues,
})

/** The bench after deeds, those left out that are not possible by then. */
function done(deeds: readonly [string, number, string][]): BenchDocument {
  return deeds.reduce((document, one) => {
    const next = command(document, one)
    return next ? runCommand(document, next) : document
  }, OPEN)
}

describe('whatever is done on the bench', () => {
  it('is taken back to the beginning and done again to the end (law)', () => {
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 14 }), (deeds) => {
        let document = done(deeds)
        const last = document
        const steps = document.history.past.length
        for (let i = 0; i < steps; i += 1) document = runCommand(document, { kind: 'undo' })
        expect(kept(document)).toEqual(kept(OPEN))
        for (let i = 0; i < steps; i += 1) document = runCommand(document, { kind: 'redo' })
        // What showed while the last line could not be read depends on the keys in between.
        const { history, voicing } = last
        expect([document.history.text, document.history.beside, document.voicing]).toEqual([
          history.text,
          history.beside,
          voicing,
        ])
      }),
      { numRuns: 200 },
    )
  })

  it('is opened from what is stored of it as it was left (law)', () => {
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 10 }), (deeds) => {
        const document = done(deeds)
        const again = openDocument(textsOf(document))
        expect(again.history.text).toBe(document.history.text)
        expect(again.good.lick).toEqual(document.good.lick)
        expect(again.issues).toEqual(document.issues)
        expect(again.voicing).toEqual(document.voicing)
      }),
      { numRuns: 200 },
    )
  })
})

const TEXT = 'dime-lick: 1\ntitle: Ring\nline: RLLRK RLK\n'
const texts = (text: string) => ({ text, draft: null, voicing: '' })
const type = (document: BenchDocument, typed: string) =>
  runCommand(document, { kind: 'type-line', typed, caret: typed.length })

describe('the document on the bench', () => {
  it('keeps showing the last line that could be read while another is typed', () => {
    const open = openDocument(texts(TEXT))
    const broken = type(open, 'RLLRK (RL')
    expect([broken.issues[0]?.code, broken.good.lick.line.groups]).toEqual(['not-closed', [5, 3]])
    expect(textsOf(broken)).toEqual({
      text: TEXT,
      draft: TEXT.replace('RLK', '(RL'),
      voicing: '',
    })
    const fixed = type(broken, 'RLLRK (RL)')
    expect([fixed.issues, fixed.good.lick.line.groups]).toEqual([[], [5, 1]])
    expect(textsOf(fixed).draft).toBeNull()
  })

  it('opens a draft as it was left', () => {
    const { text, draft } = textsOf(type(openDocument(texts(TEXT)), 'RLLRK (RL'))
    const again = openDocument({ text, draft, voicing: '' })
    expect([lineTextOf(again.history.text), again.good.lick.line.groups]).toEqual([
      'RLLRK (RL',
      [5, 3],
    ])
  })

  it('keeps blanks and comments as they are typed', () => {
    const spaced = type(openDocument(texts(TEXT)), 'RL  RK ')
    expect(lineTextOf(spaced.history.text)).toBe('RL  RK ')
    expect(lineTextOf(type(spaced, 'RL RK # mine').history.text)).toBe('RL RK # mine')
  })

  it('undoes and redoes, with the caret where the change was', () => {
    const typed = type(openDocument(texts(TEXT)), 'RLLRKK RLK')
    const undone = runCommand(typed, { kind: 'undo' })
    expect([lineTextOf(undone.history.text), caretAfter(typed, undone)]).toEqual(['RLLRK RLK', 5])
    const redone = runCommand(undone, { kind: 'redo' })
    expect([redone.history.text, caretAfter(undone, redone)]).toEqual([typed.history.text, 6])
    expect(runCommand(redone, { kind: 'redo' })).toBe(redone)
  })
})

describe('what is pasted or changed', () => {
  const typed = (line: string, pasted: { text: string; slots: number }) =>
    runCommand(openDocument({ text: 'line: RL\n', draft: null, voicing: '' }), {
      kind: 'type-line',
      typed: line,
      caret: line.length,
      pasted: { ...pasted, pins: [{ slot: 0, surface: 't1' }] },
    }).voicing.pins

  it('keeps its voices only where all of it stands as it was copied', () => {
    expect(typed('RL RK', { text: ' RK', slots: 2 })).toEqual([{ slot: 2, surface: 't1' }])
    // Put into a group it is cut or grown: another number of slots than was copied.
    expect(typed('RL RK', { text: ' RK', slots: 3 })).toEqual([])
    expect(typed('RL RK', { text: ' RK', slots: 1 })).toEqual([])
  })

  it('is not changed by a command while it cannot be read', () => {
    const open = openDocument({ text: 'line: RL\n', draft: null, voicing: '' })
    const broken = runCommand(open, { kind: 'type-line', typed: 'RLQ', caret: 3 })
    expect(broken.issues.length).toBeGreaterThan(0)
    const change = { kind: 'change', label: 'any', lick: open.good.lick } as const
    expect(runCommand(broken, change)).toBe(broken)
  })
})
