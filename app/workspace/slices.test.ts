import { describe, expect, it } from 'vitest'
import { Slices } from './slices'

class Pair extends Slices<{ readonly a: number; readonly b: number }> {
  constructor() {
    super({ a: 0, b: 0 })
  }
  set(changed: { a?: number; b?: number }): void {
    this.patch(changed)
  }
}

describe('a state that is read in slices', () => {
  it('tells once what is done together, also where it is nested or fails', () => {
    const pair = new Pair()
    const told: string[] = []
    pair.subscribe(() => told.push(`${pair.state().a} ${pair.state().b}`))
    pair.together(() => {
      pair.set({ a: 1 })
      pair.together(() => pair.set({ b: 1 }))
      expect(told).toEqual([])
    })
    expect(() =>
      pair.together(() => {
        pair.set({ a: 2 })
        throw new RangeError('no')
      }),
    ).toThrow('no')
    pair.set({ b: 2 })
    expect(told).toEqual(['1 1', '2 1', '2 2'])
  })

  it('tells nothing where nothing changed, nor to who left', () => {
    const pair = new Pair()
    let told = 0
    const leave = pair.subscribe(() => {
      told += 1
    })
    pair.together(() => {})
    leave()
    pair.set({ a: 1 })
    expect(told).toBe(0)
  })

  it('tells a listener that changes it in turn of the last state', () => {
    const pair = new Pair()
    const seen: number[] = []
    pair.subscribe(() => {
      const { a } = pair.state()
      seen.push(a)
      if (a < 3) pair.set({ a: a + 1 })
    })
    pair.set({ a: 1 })
    expect(seen).toEqual([1, 2, 3])
  })
})
