import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLickText, lineTextOf, parseLickText } from '~/codecs/lick-text'
import { GROOVES } from '~/core/groove'
import * as any from '../../tests/support/arbitraries'
import { workspaceOf } from '../../tests/support/workspace'
import { dropText, moveGroup, moveStart } from './gestures'
import {
  insertInPattern,
  regridMarked,
  removeFromPattern,
  scopeMarked,
  stepInPattern,
  stepRow,
  strikePattern,
  typePattern,
} from './rows/pattern-row'
import {
  checkBar,
  insertSlot,
  pressSticking,
  removeMarked,
  typeSticking,
} from './rows/sticking-row'
import { strike, unstrike } from './rows/voices-row'
import type { Workspace } from './workspace'

type Act = (bench: Workspace) => unknown

const key = fc.constantFrom(...'rlkhjxRLKHJX-_>^fdtgas() {}.q1')
const surface = fc.constantFrom('t1' as const, 'f1' as const, 'c1' as const, 'hh' as const)
const way = fc.constantFrom(1 as const, -1 as const)

/** Letters put into the line where it was typed, in place of some. */
const TYPED = new Set<Act>()
const typing = fc
  .tuple(fc.nat(40), fc.nat(3), fc.array(key, { maxLength: 4 }))
  .map(([at, cut, letters]) => {
    const type: Act = (bench) => {
      const line = lineTextOf(bench.document.history.text)
      const head = line.slice(0, at) + letters.join('')
      bench.type(head + line.slice(at + cut), head.length)
    }
    TYPED.add(type)
    return type
  })

/** Whatever a hand does on the ruler, by key or pointer. */
const act: fc.Arbitrary<Act> = fc.oneof(
  key.map(
    (one): Act =>
      (bench) =>
        typeSticking(bench, one),
  ),
  key.map(
    (one): Act =>
      (bench) =>
        pressSticking(bench, one),
  ),
  key.map(
    (one): Act =>
      (bench) =>
        typePattern(bench, one, GROOVES),
  ),
  fc.tuple(fc.nat(60), fc.nat(60)).map(
    ([from, to]): Act =>
      (bench) =>
        bench.mark(from, to),
  ),
  way.map(
    (one): Act =>
      (bench) =>
        stepRow(bench, one, GROOVES),
  ),
  way.map(
    (one): Act =>
      (bench) =>
        stepInPattern(bench, one, false, GROOVES),
  ),
  surface.map(
    (one): Act =>
      (bench) =>
        strike(bench, one),
  ),
  surface.map(
    (one): Act =>
      (bench) =>
        strikePattern(bench, one, GROOVES),
  ),
  way.map(
    (one): Act =>
      (bench) =>
        moveStart(bench, one),
  ),
  fc.tuple(fc.nat(30), fc.nat(30)).map(
    ([from, to]): Act =>
      (bench) =>
        moveGroup(bench, from, to),
  ),
  typing,
  any.grid.map(
    (grid): Act =>
      (bench) =>
        regridMarked(bench, grid, GROOVES),
  ),
  fc.constantFrom<Act>(
    insertSlot,
    checkBar,
    unstrike,
    (bench) => removeMarked(bench, true),
    (bench) => removeMarked(bench, false),
    (bench) => insertInPattern(bench, GROOVES),
    (bench) => removeFromPattern(bench, GROOVES),
    (bench) => scopeMarked(bench, 'fill', GROOVES),
    (bench) => scopeMarked(bench, 'groove', GROOVES),
    (bench) => dropText(bench, 3, 'RLLR @1/16t KL'),
    (bench) => bench.widen(),
    (bench) => bench.travel('undo'),
    (bench) => bench.travel('redo'),
  ),
)

describe('hands on the ruler and in the line', () => {
  it('leave a lick that can be read, mark what is there, and are undone to the letter (law)', () => {
    fc.assert(
      fc.property(any.lick, fc.array(act, { maxLength: 40 }), (lick, acts) => {
        const text = formatLickText(lick)
        const bench = workspaceOf(text)
        const typed = new Set(acts.filter((one) => TYPED.has(one)))
        for (const one of acts) {
          one(bench)
          const { document, selection } = bench.state()
          // Only what is typed may be such that it cannot be read; then what could be read last stands.
          expect(document.issues.length === 0).toBe(document.history.text === document.goodText)
          if (typed.size === 0) expect(document.issues).toEqual([])
          const read = parseLickText(document.goodText)
          expect(read.ok && read.value.lick).toEqual(document.good.lick)
          const { length } = bench.lick.line.slots
          const { from = 0, to = 0 } = selection.range ?? {}
          expect(from >= 0 && from <= to && to <= length).toBe(true)
        }
        for (let steps = bench.document.history.past.length; steps > 0; steps -= 1)
          bench.travel('undo')
        expect(bench.document.history.text).toBe(text)
      }),
    )
  })
})
