import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLickText, parseLickText } from '~/codecs/lick-text'
import { CATALOGUE } from '~/core/catalogue'
import { CHANGES } from '~/core/change-list'
import { halfRateOstinatos, type SlotRange, withoutOstinatos } from '~/core/changes'
import { endingsOf, filledMetres, fixesOf, onGrid, ratesOf, renotate, runOn } from '~/core/fitting'
import { HAND_POLICIES, policyDistances } from '~/core/hands'
import type { Lick } from '~/core/line'
import { ALL_GRIDS } from '~/core/time'
import * as any from '../../../tests/support/arbitraries'
import { workspaceOf } from '../../../tests/support/workspace'
import { applyChange, groupAs, leaveOutClashing, swellEdit } from './change-edits'
import {
  appendPhrase,
  type Edit,
  gridFrom,
  insertAt,
  moveGroupTo,
  replaceRange,
  stepStart,
} from './edits'
import { chainEdit, fixEdit } from './fitting-edits'
import { groupingEdits } from './grouping-edits'
import { nameBeats, namePart } from './part-edits'
import { graceOn, putOn } from './voice-edits'

/** Whatever the bench offers to make of a lick, and of a range of its line, by what it is called. */
function* offers(lick: Lick, range: SlotRange, pick: number): Generator<Edit> {
  const one = <T>(list: readonly T[]): readonly T[] =>
    list.length === 0 ? [] : [list[pick % list.length] as T]
  const whole = (label: string, after: Lick | null) => (after ? [{ label, lick: after }] : [])
  for (const change of CHANGES) yield applyChange(lick, range, change)
  for (const { edit } of groupingEdits(lick, range, range)) if (edit) yield edit
  for (const fix of one(fixesOf(lick, range))) yield fixEdit(lick, fix)
  for (const end of one(endingsOf(lick, { stops: 'strokes', surfaces: ['c1', 'f1'] })))
    yield { label: 'End', lick: end.lick }
  for (const { meter } of one(filledMetres(lick)))
    yield {
      label: 'Metre',
      lick: { ...lick, frame: { ...lick.frame, meter, start: 0, stop: null, bars: null } },
    }
  for (const { grid } of one(ratesOf(lick))) yield { label: 'Rate', lick: onGrid(lick, grid) }
  for (const way of ['faster', 'slower'] as const) {
    const written = renotate(lick, way)
    if (written.ok) yield { label: way, lick: written.value.lick }
  }
  for (const policy of HAND_POLICIES)
    yield { label: policy, lick: policyDistances(lick)[policy].lick }
  yield* whole('Run on', runOn(lick, range, (pick % 8) + 1)?.lick ?? null)
  yield* whole('No feet', withoutOstinatos(lick))
  yield* whole('Slow feet', halfRateOstinatos(lick))
  yield groupAs(lick, range, [1 + (pick % 5), 3])
  yield putOn(lick, range, 't2')
  yield putOn(lick, range, null)
  yield graceOn(lick, range, 'f1')
  yield namePart(lick, range, 'turn')
  yield nameBeats(lick)
  yield leaveOutClashing(lick, 'RH')
  yield chainEdit(lick, [3, 5])
  for (const cell of one(CATALOGUE)) {
    yield appendPhrase(lick, cell.phrase, cell.name)
    yield insertAt(lick, range.from, cell.phrase, cell.name)
    yield replaceRange(lick, range, cell.phrase, cell.name)
  }
  const maybe = [
    swellEdit(lick, range, 'ghost', 'accent'),
    moveGroupTo(lick, range.from, pick % (lick.line.slots.length + 1)),
    stepStart(lick, 1),
    stepStart(lick, -1),
    ...one(ALL_GRIDS).map((grid) => gridFrom(lick, range.from, grid)),
  ]
  for (const edit of maybe) if (edit) yield edit
}

const TOO_LONG = /^(too-many-slots|too-many-bars|repeat-count)$/

/** Texts as programs and people write them: with and without a last line break, with either kind of it. */
const AS_WRITTEN: readonly ((text: string) => string)[] = [
  (text) => text,
  (text) => text.trimEnd(),
  (text) => text.replaceAll('\n', '\r\n'),
]

describe('whatever the bench offers', () => {
  it('is taken and can be read again, whatever stands there (law)', { timeout: 900_000 }, () => {
    const filled = any.lick.filter(({ line }) => line.slots.length > 0)
    fc.assert(
      fc.property(filled, fc.nat(200), fc.nat(200), fc.nat(1000), (lick, a, b, pick) => {
        const text = AS_WRITTEN[pick % AS_WRITTEN.length]?.(formatLickText(lick)) ?? ''
        const { length } = lick.line.slots
        const from = a % length
        const range = { from, to: from + 1 + (b % (length - from)) }
        for (const edit of offers(workspaceOf(text).lick, range, pick)) {
          const bench = workspaceOf(text)
          bench.mark(range.from, range.to - 1)
          const read = parseLickText(formatLickText(edit.lick))
          const fits = read.ok
          // Nothing but a line that is too long may be refused.
          if (!read.ok)
            expect(read.error.map(({ code }) => code)).toEqual([expect.stringMatching(TOO_LONG)])
          expect([edit.label, bench.edit(edit)]).toEqual([edit.label, fits])
          const { document } = bench.state()
          expect([edit.label, document.issues]).toEqual([edit.label, []])
          if (fits)
            expect([edit.label, document.good.lick.line]).toEqual([edit.label, edit.lick.line])
          if (document.history.text !== text) bench.travel('undo')
          expect([edit.label, bench.document.history.text]).toEqual([edit.label, text])
        }
      }),
      { numRuns: 16 },
    )
  })
})
