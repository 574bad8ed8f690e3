import { describe, expect, it } from 'vitest'
import { formatLine } from '../notation'
import { REST, type SlotContent, toStroke } from '../sticking'
import { findGrid, type Grid } from '../time'
import { EXACT, type GridStretch } from './grids'
import { layOn, toLine } from './laying'

const grid = (name: string) => findGrid(name) as Grid
const [sixteenths, triplets] = [grid('1/16'), grid('1/8t')]
const struck = (letter: 'R' | 'L'): SlotContent => ({ kind: 'struck', strokes: [toStroke(letter)] })
const beat = (grids: readonly Grid[]): GridStretch[] =>
  grids.map((one, i) => ({ from: i * 10080, to: (i + 1) * 10080, grid: one }))
const four = [struck('R'), struck('L'), struck('R'), struck('L')]
const three = [struck('R'), struck('L'), struck('R')]

describe('slots laid as a line', () => {
  it('change the grid where it changes, and not before', () => {
    const line = toLine([...four, ...three], beat([sixteenths, triplets]), undefined)
    expect(formatLine(line)).toBe('RLRL @1/8t RLR')
    expect(line.gridChanges).toEqual([{ at: 4, grid: triplets }])
  })

  it('are cut at the end, with the groups and changes that lie behind it', () => {
    const slots = [...four, ...three]
    expect(formatLine(toLine(slots, beat([sixteenths, triplets]), 5040))).toBe('RL')
    expect(formatLine(toLine(slots, beat([sixteenths, triplets]), 10080))).toBe('RLRL')
    expect(toLine(slots, beat([sixteenths, triplets]), 10080 + 3360).slots).toHaveLength(5)
  })

  it('end with their last stroke where they land on nothing, and change no grid behind it', () => {
    const line = toLine([...four, REST, REST, REST], beat([sixteenths, triplets]), undefined)
    expect(line).toEqual({ slots: four, groups: [4], gridChanges: [] })
  })
})

describe('strokes laid on grids', () => {
  const onset = (tick: number) => ({ tick, strokes: [toStroke('R')], ticks: 0 }) as never

  it('belong to the next stretch where they come a little before it', () => {
    const stretches = beat([sixteenths, triplets])
    const laid = (tick: number) =>
      layOn([onset(tick)], stretches, 0, EXACT, []).slots.findIndex(({ kind }) => kind !== 'rest')
    expect([laid(10080), laid(10080 - 200), laid(10080 - 2520)]).toEqual([4, 4, 3])
  })
})
