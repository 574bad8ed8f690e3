import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { TimingReport } from '~/core/timing'
import { bestRound } from './best-round'
import { type HeardSound, TakeMemory, type TakenRound } from './take-memory'
import { marksOf, outlineOf, toListen } from './take-sound'

const RATE = 1000
const NOTHING: TimingReport = {
  delayMs: 0,
  strokes: [],
  missed: [],
  extra: [],
  limbs: [],
  gaps: [],
  levels: [],
  apartMs: null,
  lean: null,
  tripled: null,
  uneven: null,
}
const stroke = (slot: number, offsetMs: number) => ({
  slot,
  limb: 'XH' as const,
  expectedMs: slot * 100,
  heardMs: slot * 100 + offsetMs,
  offsetMs,
})
const roundOf = (
  number: number,
  offsets: readonly number[],
  more: Partial<TakenRound> = {},
): TakenRound => ({
  number,
  startedAt: 5000 + number * 2000,
  told: { ...NOTHING, strokes: offsets.map((offset, slot) => stroke(slot, offset)) },
  clicks: [0, 500],
  ...more,
})
/** Sound whose samples tell their own time: at `ms` the sample is ms / 100,000. */
function soundFrom(from: number, length: number, block: number): HeardSound[] {
  const all: HeardSound[] = []
  for (let at = 0; at < length; at += block)
    all.push({
      from: from + at,
      samples: Float32Array.from(
        { length: Math.min(block, length - at) },
        (_, i) => (from + at + i) / 100_000,
      ),
      rate: RATE,
    })
  return all
}

describe('the last rounds in memory', () => {
  it('are cut where they were, however the sound came in (law)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 7, max: 900 }),
        fc.integer({ min: 1, max: 4 }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (block, count, wobble) => {
          const memory = new TakeMemory()
          // The clock that tells when a block was heard is never quite right.
          for (const [i, sound] of soundFrom(4000, 12_000, block).entries())
            memory.hear({ ...sound, from: sound.from + (i % 2 === 1 ? wobble : 0) })
          for (let number = 0; number < 4; number += 1) memory.note(roundOf(number, [0, 5, -5]))
          const take = memory.last(count)
          const first = 5000 + (4 - count) * 2000
          expect(take?.rounds.map(({ number }) => number)).toEqual([0, 1, 2, 3].slice(4 - count))
          expect(take?.from).toBe(first - 250)
          expect(take?.samples).toHaveLength((count - 1) * 2000 + 250 + 200 + 600)
          // Without a seam: whatever the clock said, one sample follows the other.
          const steps = take?.samples.subarray(1).map((one, i) => one - (take.samples[i] ?? 9))
          expect(Math.max(...(steps ?? [9]))).toBeLessThan(2e-5)
          expect(Math.min(...(steps ?? [9]))).toBeGreaterThan(0)
          // Every sample lies at its own time, as exactly as the clock was.
          for (const i of [0, 300, 600])
            expect(
              Math.abs((take?.samples[i] as number) * 100_000 - (first - 250 + i)),
            ).toBeLessThan(Math.abs(wobble) + 1)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('lie where the clock says at last, also where it was wrong at first', () => {
    const memory = new TakeMemory()
    for (const [i, sound] of soundFrom(4000, 6000, 200).entries())
      memory.hear({ ...sound, from: sound.from + (i < 5 ? 35 - 7 * i : 0) })
    memory.note(roundOf(0, [0, 0, 0]))
    const take = memory.last(1)
    expect((take?.samples[400] as number) * 100_000).toBeCloseTo(5000 - 250 + 400, 0)
  })

  it('are none where their sound is gone, or none was heard', () => {
    const memory = new TakeMemory()
    memory.note(roundOf(0, [0]))
    expect([memory.last(1), memory.best()]).toEqual([null, null])
    for (const sound of soundFrom(6000, 3000, 500)) memory.hear(sound)
    memory.note(roundOf(0, [0]))
    expect(memory.last(1)).toBeNull()
    memory.note(roundOf(1, [0]))
    expect(memory.last(1)?.rounds).toHaveLength(1)
    memory.forget()
    expect([memory.last(1), memory.best(), memory.count]).toEqual([null, null, 0])
  })

  it('hold two minutes, and the best round for as long as the line goes on', () => {
    const memory = new TakeMemory()
    let at = 4000
    const hear = (seconds: number) => {
      for (const sound of soundFrom(at, seconds * 1000, 1000)) memory.hear(sound)
      at += seconds * 1000
    }
    hear(4)
    memory.note(roundOf(0, [1, -1]))
    hear(200)
    expect(memory.last(1)).toBeNull()
    expect(memory.best()?.rounds[0]?.number).toBe(0)
    memory.note(roundOf(100, [3, -3]))
    expect(memory.best()?.rounds[0]?.number).toBe(0)
    memory.note(roundOf(100, [0, 0]))
    expect(memory.best()?.rounds[0]?.number).toBe(100)
  })
})

describe('the best round', () => {
  it('misses least, then is nearest to its places, then is the last', () => {
    const missed = { ...NOTHING, missed: [{ ms: 0, limb: 'XH', slot: 0 }] } as TimingReport
    const [far, near] = [roundOf(1, [9, 9]), roundOf(2, [1, -1])]
    expect(bestRound([roundOf(0, [0], { told: missed }), far])).toBe(far)
    expect(bestRound([near, far])).toBe(near)
    const again = roundOf(3, [1, 1])
    expect(bestRound([near, again])).toBe(again)
    expect(bestRound([])).toBeUndefined()
  })
})

describe('a take as it is listened to', () => {
  const take = {
    samples: Float32Array.from({ length: 1000 }, (_, i) => (i === 400 ? 0.1 : 0)),
    rate: RATE,
    from: 4750,
    rounds: [roundOf(0, [0, 10], { told: { ...roundOf(0, [0, 10]).told, delayMs: 40 } })],
  }

  it('is made loud, and has the clicks as late as the source is', () => {
    const plain = toListen(take, null)
    expect(plain[400]).toBeCloseTo(0.9, 5)
    const clicked = toListen(take, Float32Array.of(1))
    // The line begins 250 ms into it; the source is 40 ms late.
    expect(clicked[290]).toBeCloseTo(0.6, 5)
    expect(clicked[790]).toBeCloseTo(0.6, 5)
    expect(Math.max(...clicked)).toBeLessThanOrEqual(1)
  })

  it('has every stroke where it was meant and where it was heard', () => {
    expect(marksOf(take)).toEqual([
      { slot: 0, round: 0, meant: 0.29, heard: 0.29, offsetMs: 0 },
      { slot: 1, round: 0, meant: 0.39, heard: expect.closeTo(0.4, 9), offsetMs: 10 },
    ])
    const missed = { ...NOTHING, missed: [{ ms: 100, limb: 'XH', slot: 1 }] } as TimingReport
    expect(marksOf({ ...take, rounds: [roundOf(0, [], { told: missed })] })).toEqual([
      { slot: 1, round: 0, meant: expect.closeTo(0.35, 9), heard: null, offsetMs: 0 },
    ])
  })

  it('has an outline of its loudness', () => {
    expect(outlineOf(take, 5)).toEqual([0, 0, 1, 0, 0])
    expect(outlineOf({ samples: new Float32Array(100) }, 3)).toEqual([0, 0, 0])
  })
})
