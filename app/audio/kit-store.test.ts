import { describe, expect, it, vi } from 'vitest'
import { toPerformance } from '~/core/performance'
import { type Sample, SOUNDING, type Sounding, sampleKey, samplesOf } from '~/core/sound'
import { lickOf } from '../../tests/support/licks'
import { type KitMaker, KitStore } from './kit-store'

/** A maker that waits to be told to go on for each stroke, and writes down what it made. */
function slowMaker(kept: readonly Sounding[] = []) {
  const asked: Sample[] = []
  const waiting: (() => void)[] = []
  const maker: KitMaker = {
    make: async (samples, _tool, _rate, onMade) => {
      const told = new Set<Sounding>()
      const tell = (sample: Sample) =>
        onMade({ sample, made: Float32Array.of(sample.velocity, sample.take) })
      for (const sample of samples) {
        if (told.has(sample.surface)) continue
        if (kept.includes(sample.surface)) {
          told.add(sample.surface)
          samplesOf(sample.surface).forEach(tell)
          continue
        }
        await new Promise<void>((done) => waiting.push(done))
        asked.push(sample)
        tell(sample)
      }
    },
    rest: vi.fn(),
  }
  const step = async () => {
    await vi.waitFor(() => expect(waiting.length).toBeGreaterThan(0), { interval: 1 })
    waiting.shift()?.()
    await Promise.resolve()
  }
  return { maker, asked, step }
}
const storeOf = (maker: KitMaker) =>
  new KitStore(
    1000,
    'sticks',
    maker,
    (samples) => ({ length: samples.length, samples }) as unknown as AudioBuffer,
    0,
  )
const performanceOf = (line: string, countIn = false) =>
  toPerformance(lickOf(`lead: 0\ngroove: none\nlanding: none\nline: ${line}`), {
    loop: false,
    countIn,
  })

describe('the kit of a page', () => {
  it('is ready when each surface sounds; the rest comes while it plays', async () => {
    const { maker, asked, step } = slowMaker()
    const kit = storeOf(maker)
    let ready = false
    const waited = kit.ready(performanceOf('r>RlL KKKK'), 0.00001).then(() => {
      ready = true
    })
    await step()
    expect(ready).toBe(false)
    await step()
    await waited
    expect(asked.slice(0, 2).map(({ surface }) => surface)).toEqual(['sn', 'bd'])
    // What it strikes in other ways is next, and nothing is silent meanwhile.
    expect(kit.stroke({ surface: 'sn', velocity: 124, take: 1 })).toBeDefined()
    expect(kit.stroke({ surface: 'c1', velocity: 124, take: 1 })).toBeUndefined()
    expect(kit.complete).toBe(false)
  })

  it('is ready at once where it is counted in: what is struck later is made meanwhile, in its order', async () => {
    const { maker, asked, step } = slowMaker()
    await storeOf(maker).ready(performanceOf('R:c1 L:t1 K L:c1', true), 0.0001)
    for (let i = 0; i < 3; i += 1) await step()
    expect(asked.slice(0, 3).map(({ surface }) => surface)).toEqual(['c1', 't1', 'bd'])
  })

  it('makes each stroke once, whatever is asked for meanwhile, and is complete in the end', async () => {
    const { maker, asked, step } = slowMaker()
    const kit = storeOf(maker)
    const first = kit.ready(performanceOf('RLRL'), 0.00001)
    const second = kit.ready(performanceOf('R:t1 L:c1 K L:f1'), 0.00001)
    const all = SOUNDING.flatMap(samplesOf).length
    for (let i = 0; i < all; i += 1) await step()
    await Promise.all([first, second])
    await vi.waitFor(() => expect(kit.complete).toBe(true))
    expect(new Set(asked.map(sampleKey)).size).toBe(all)
    expect(asked).toHaveLength(all)
    expect(maker.rest).toHaveBeenCalled()
  })

  it('keeps on making what is waited for, whatever is asked for meanwhile', async () => {
    const { maker, step } = slowMaker()
    const kit = storeOf(maker)
    const first = kit.ready(performanceOf('R:c2 L:ch'), 0.00001)
    const second = kit.ready(performanceOf('RLRL'), 0.00001)
    // What was handed over is made first, six at a time.
    for (let i = 0; i < 8; i += 1) await step()
    await first
    await second
  })

  it('takes what was kept from a visit before, and makes none of it', async () => {
    const { maker, asked } = slowMaker(SOUNDING)
    const kit = storeOf(maker)
    await kit.ready(performanceOf('RLRL KKKK'), 0.00001)
    await vi.waitFor(() => expect(kit.complete).toBe(true))
    expect(asked).toEqual([])
    expect(kit.stroke({ surface: 'sn', velocity: 34, take: 1 })).toMatchObject({
      samples: Float32Array.of(34, 1),
    })
  })

  it('can be asked again where it could not be made', async () => {
    const { maker } = slowMaker()
    const make = vi.fn(() => Promise.reject(new Error('no worker')))
    const broken: KitMaker = { ...maker, make }
    const kit = storeOf(broken)
    await expect(kit.ready(performanceOf('RLRL'), 0.00001)).rejects.toThrow('no worker')
    const well: KitMaker['make'] = async (samples, _tool, _rate, onMade) => {
      for (const sample of samples) onMade({ sample, made: Float32Array.of(1) })
    }
    make.mockImplementation(well as never)
    await kit.ready(performanceOf('RLRL'), 0.00001)
    expect(kit.stroke({ surface: 'sn', velocity: 80, take: 0 })).toBeDefined()
  })
})
