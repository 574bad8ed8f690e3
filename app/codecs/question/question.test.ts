import { describe, expect, it } from 'vitest'
import { formatPhrase } from '~/core/changes'
import { DEFAULT_SETTING, travelTime } from '~/core/playability'
import { lickOf } from '../../../tests/support/licks'
import {
  cellsOfLine,
  formatQuestion,
  frameOf,
  packQuestion,
  parseQuestion,
  toFrame,
  toQuestion,
  unpackQuestion,
  type WrittenQuestion,
} from './question'

const QUESTION: WrittenQuestion = {
  format: 'dime-stack-question',
  version: 1,
  frame: toFrame(lickOf('start: 2&\nbars: 1\ntempo: 100\nunder: @1/4 H\nline: RLLRL')),
  cells: [{ line: 'RLLRL' }, { line: 'RLK', least: 1, most: 3 }],
  inversions: true,
  mirrors: false,
  cut: true,
  conditions: {
    starts: ['R'],
    ends: ['L'],
    free: 'R',
    linear: 'layers',
    clear: true,
    accents: { must: [2], not: [0], put: true },
    runs: 2,
    kicks: { least: 1, most: 4 },
    kicksApart: true,
    kicksOn: [4],
    backbeat: 'L',
    fresh: 3,
    speed: 126,
    inRow: 2,
    sizes: 'falling',
    grouping: { sizes: [5, 3], ordered: true },
  },
  pattern: { put: 'kick', lead: 'R', least: 0, most: 8, apart: true },
  taste: { kicks: 1, offbeats: -1, repeats: 2, doubles: -2, like: 3 },
}

describe('a question as it is written', () => {
  it('is read back as it was, from a file and from an address', () => {
    expect(parseQuestion(formatQuestion(QUESTION))).toEqual({ ok: true, value: QUESTION })
    expect(unpackQuestion(packQuestion(QUESTION))).toEqual(QUESTION)
  })

  it('needs no more than a frame and cells', () => {
    const read = parseQuestion('{"frame": "grid: 1/16", "cells": [{"line": "RLK"}]}')
    expect(read.ok && read.value.conditions).toEqual({})
    expect(read.ok && read.value.inversions).toBe(false)
  })

  it.each([
    ['', 'The question is not valid JSON. It may be cut off.'],
    ['{', 'The question is not valid JSON. It may be cut off.'],
    ['[]', 'This is not a question.'],
    ['{"cells": []}', 'This is not a question.'],
    [' '.repeat(70_000), 'The question is larger than 64 kB.'],
    [
      '{"frame": "", "cells": [{"line": "R"}], "conditions": {"runs": 0}}',
      'Conditions: “runs” is less than 1.',
    ],
  ])('is refused in words: %.40s', (json, words) => {
    expect(parseQuestion(json)).toEqual({ ok: false, error: words })
  })

  it.each(['', 'x', 'AAAA', packQuestion(QUESTION).slice(0, -9)])(
    'is nothing where an address is broken: %.12s',
    (packed) => {
      expect(unpackQuestion(packed)).toBeNull()
    },
  )

  it('keeps of a lick what a fill stands in, and its line to be held against', () => {
    const lick = frameOf(QUESTION)
    expect(lick?.frame.tempo).toBe(100)
    expect(lick?.ostinatos).toHaveLength(1)
    expect(lick?.line.slots).toHaveLength(5)
  })
})

describe('a question as it is asked', () => {
  it('has the space up to the landing, its layers, its cells and its conditions', () => {
    const { pattern: _, ...fills } = QUESTION
    const known = ['RLRLRLRLRL', 'RLK', 'RLLRL K-K-K', 'RQ']
    const read = toQuestion(fills, DEFAULT_SETTING, known)
    if (!read.ok) throw new Error(read.error.code)
    const { space, cells, conditions, taste } = read.value
    // From the & of 2 to the barline: ten sixteenths, with the foot on 3 and 4.
    expect(space.slots).toHaveLength(10)
    expect(space.layers.map(({ tick }) => tick)).toEqual([20_160, 30_240])
    expect(cells.map(({ least, most }) => [least, most])).toEqual([
      [undefined, undefined],
      [1, 3],
    ])
    expect(taste.like?.slots).toHaveLength(5)
    expect(conditions.runs).toBe(2)
    // Beat 4 is every second one within it; two of the known lines are as long.
    expect(conditions.backbeat).toEqual({ letter: 'L', slots: [6] })
    expect(conditions.fresh?.lines.map(({ length }) => length)).toEqual([10, 10])
  })

  it('has the slots of a pattern in place of cells, each by itself', () => {
    const asked = (put: 'kick' | 'rest' | 'flam' | 'accent', lead: 'R' | 'L') => {
      const pattern = { put, lead, least: 0, most: 8, apart: false }
      const read = toQuestion({ ...QUESTION, cells: [], pattern }, DEFAULT_SETTING)
      if (!read.ok) throw new Error(read.error.code)
      const { cells, forms } = read.value
      expect(forms).toEqual({ inversions: false, mirrors: false, cut: false })
      return cells.map(({ phrase }) => formatPhrase(phrase))
    }
    // What was asked of groups and of single cells before is not in the way, though nobody sees it.
    const pattern = { put: 'kick', lead: 'R', least: 0, most: 16, apart: false } as const
    const read = toQuestion(
      { ...QUESTION, cells: [{ line: 'RQ' }], pattern, taste: { repeats: -1, kicks: 1 } },
      DEFAULT_SETTING,
    )
    if (!read.ok) throw new Error(read.error.code)
    expect(Object.keys(read.value.conditions)).not.toEqual(
      expect.arrayContaining([expect.stringMatching(/^(inRow|sizes|grouping)$/)]),
    )
    expect(read.value.taste).toEqual({ repeats: 0, kicks: 1 })
    expect(asked('kick', 'R')).toEqual(['R', 'K', 'L'])
    expect(asked('rest', 'L')).toEqual(['L', '-', 'R'])
    expect(asked('flam', 'R')).toEqual(['R', 'fR', 'L', 'fL'])
    expect(asked('accent', 'R')).toEqual(['R', '>R', 'L', '>L'])
  })

  it('gives the limb that lands the time of its way, at the tempo that is asked for', () => {
    const free = (question: WrittenQuestion) => {
      const read = toQuestion(question, DEFAULT_SETTING)
      return read.ok ? read.value.conditions.free : undefined
    }
    const way = travelTime(DEFAULT_SETTING.kit, 'sn', 'c1', 'RH', DEFAULT_SETTING.player)
    expect(free(QUESTION)?.wayMs).toBe(Math.max(way, DEFAULT_SETTING.player.RH.single))
    expect(free(QUESTION)?.tempo).toBe(126)
    const { speed: _, ...conditions } = QUESTION.conditions
    expect(free({ ...QUESTION, conditions })?.tempo).toBe(100)
    const kick = free({ ...QUESTION, conditions: { free: 'K' } })
    expect(kick?.wayMs).toBe(DEFAULT_SETTING.player.RF.single)
  })

  it.each([
    [{ frame: 'grid: 1/99' }, { code: 'frame' }],
    [{ frame: 'grid: 1/16t\nstart: 1e\nbars: 1' }, { code: 'space' }],
    [{ frame: 'grid: 1/64\nbars: 8' }, { code: 'too-long' }],
    [{ cells: [] }, { code: 'no-cells' }],
    [{ cells: [{ line: 'RQ' }] }, { code: 'cell', cell: 'RQ' }],
  ])('says what is wrong: %j', (change, error) => {
    const { pattern: _, ...fills } = QUESTION
    expect(toQuestion({ ...fills, ...change }, DEFAULT_SETTING)).toEqual({ ok: false, error })
  })

  it('takes the groups of a line as cells, each once', () => {
    expect(cellsOfLine(lickOf('line: RLLRL RLK RLLRL K'))).toEqual([
      { line: 'RLLRL' },
      { line: 'RLK' },
      { line: 'K' },
    ])
  })
})
