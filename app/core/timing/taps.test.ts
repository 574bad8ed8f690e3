import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { lineEvents } from '../line'
import { formatLine } from '../notation'
import { ALL_GRIDS, gridName, gridTicks } from '../time'
import { gridOfTaps, lineOfTaps, type Tap } from '.'

const taps = (letters: string, ...ms: number[]): Tap[] =>
  ms.map((one, i) => ({
    ms: one,
    limb: ({ R: 'RH', L: 'LH', K: 'RF' } as const)[letters[i] as 'R'],
  }))

describe('a line that is tapped', () => {
  it('has the coarsest grid that explains the taps, and tells their errors (C70)', () => {
    const tapped = lineOfTaps(taps('RLKRLK', 3, 149, 305, 451, 615, 740), 100)
    expect(tapped && [gridName(tapped.grid), formatLine(tapped.line)]).toEqual(['1/16', 'RLKRLK'])
    expect(tapped?.errorsMs.map(Math.round)).toEqual([3, -1, 5, 1, 15, -10])
    expect(tapped?.doubtful).toEqual([])
  })

  it('of few taps is no odd grid where a plain one or triplets explain them', () => {
    const found = (...ms: number[]) => {
      const grid = gridOfTaps(taps('RR', ...ms), 100)
      return grid && gridName(grid)
    }
    // Thirty-second triplets explain 246 ms; so would quintuplets, with longer slots.
    expect(found(0, 246)).toBe('1/32t')
    // A hand's own spread asks for no finer grid.
    expect(found(0, 308)).toBe('1/8')
  })

  it('has rests where nothing is tapped, and begins where the first tap lies', () => {
    const tapped = lineOfTaps(taps('RLK', 300, 452, 748), 100)
    expect(tapped?.start).toBe(5040)
    expect(tapped && formatLine(tapped.line)).toBe('RL-K')
  })

  it('strikes together what comes within 35 ms, and squeezes what one limb strikes twice', () => {
    const both = lineOfTaps(taps('RKLR', 0, 12, 150, 300), 100)
    expect(both && formatLine(both.line)).toBe('(RK)LR')
    const squeezed = lineOfTaps(taps('RLLR', 0, 150, 218, 300), 100, { value: 16, tuplet: null })
    expect(squeezed && formatLine(squeezed.line)).toBe('R{LL}R')
    expect([squeezed?.doubtful, squeezed?.doubtfulSlots]).toEqual([[2], [1]])
  })

  it('strikes no more hands together than a player has', () => {
    const three = (['RH', 'LH', 'XH'] as const).map((limb, i) => ({ ms: i * 4, limb }))
    const laid = lineOfTaps(three, 100, { value: 4, tuplet: null })
    expect(laid && formatLine(laid.line)).toBe('{(RL)X}')
  })

  it('squeezes eight into a slot, and says what has no room in it', () => {
    const times = Array.from({ length: 11 }, (_, i) => i * 100)
    const dense = lineOfTaps(taps('RLRLRLRLRLR', ...times), 20, { value: 4, tuplet: null })
    expect(dense && [formatLine(dense.line), dense.tooDense]).toEqual(['{RLRLRLRL}', 3])
  })

  it('has the drums that were struck, where pads tell them', () => {
    const struck = (['sn', 't1', 'bd', 'f1'] as const).map((surface, i) => ({
      ms: i * 150,
      limb: (['RH', 'XH', 'RF', 'LH'] as const)[i] as 'RH',
      surface,
    }))
    const tapped = lineOfTaps(struck, 100)
    expect(tapped && formatLine(tapped.line)).toBe('RX:t1KL:f1')
  })

  it('leaves out what comes so late that no line is as long, and says so', () => {
    const grid = { value: 16, tuplet: null } as const
    const tapped = lineOfTaps(taps('RLKR', 0, 150, 300, 3_600_000), 100, grid)
    expect(tapped && [formatLine(tapped.line), tapped.tooLate]).toEqual(['RLK', 1])
  })

  it('has plain strokes in the middle where loudness is only relative, as at a microphone', () => {
    const heard = (...velocities: number[]) => {
      const made = velocities.map((velocity, i) => {
        return { ms: i * 150, limb: 'XH' as const, velocity, relative: true }
      })
      const tapped = lineOfTaps(made, 100)
      return tapped && formatLine(tapped.line)
    }
    expect(heard(112, 111, 112, 110)).toBe('XXXX')
    expect(heard(112, 80, 81, 36)).toBe('>XXXx')
  })

  it('is laid on another grid afterwards, and reads levels from velocities', () => {
    const loud = taps('RLR', 0, 150, 300).map((tap, i) => ({
      ...tap,
      velocity: [112, 36, 80][i] ?? 80,
    }))
    const eighths = lineOfTaps(loud, 50, { value: 32, tuplet: null })
    expect(eighths && formatLine(eighths.line)).toBe('>RlR')
    expect(lineOfTaps([], 100)).toBeNull()
    expect(gridOfTaps([], 100)).toBeNull()
  })

  it('takes a few taps for plain slots, and asks for no finer grid within a hand’s own spread', () => {
    const grid = (quarters: number, ...ms: number[]) => {
      const found = gridOfTaps(taps('RLRLRLRLRLRL', ...ms), quarters)
      return found && gridName(found)
    }
    expect(grid(100, 0, 318, 585)).toBe('1/8')
    // A wandering hand for a bar: quarters, though some nonuplet lies nearer to all of them.
    expect(grid(60, 9, 1011, 1990, 3008, 3991, 5010, 6008, 6992, 8010)).toBe('1/4')
    // Five in a beat are no plain slots.
    expect(grid(60, 0, 200, 400, 600, 800)).toBe('1/16q')
  })

  it('comes back as it was played, on its own grid or a coarser one with the same onsets (law)', () => {
    const usual = ALL_GRIDS.filter((grid) => gridTicks(grid) >= 1260)
    fc.assert(
      fc.property(
        fc.constantFrom(...usual),
        fc.array(fc.constantFrom('R', 'L', 'K'), { minLength: 6, maxLength: 12 }),
        fc.integer({ min: 60, max: 90 }),
        (grid, letters, tempo) => {
          const lick = lickOf(`tempo: ${tempo}\ngrid: ${gridName(grid)}\nline: ${letters.join('')}`)
          const perTick = 60_000 / tempo / 10080
          const played = lineEvents(lick).map(({ tick, limb }) => ({ ms: tick * perTick, limb }))
          const tapped = lineOfTaps(played, tempo)
          if (!tapped) throw new Error('nothing tapped')
          const onsets = tapped.line.slots.flatMap((slot, i) =>
            slot.kind === 'rest' ? [] : [tapped.start + i * gridTicks(tapped.grid)],
          )
          expect(onsets).toEqual(lineEvents(lick).map(({ tick }) => tick))
        },
      ),
      { numRuns: 200 },
    )
  })
})
