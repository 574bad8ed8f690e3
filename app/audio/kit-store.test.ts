import { describe, expect, it, vi } from 'vitest'
import { toPerformance } from '~/core/performance'
import { type Sample, SOUNDING, type Sounding, sampleKey, samplesOf } from '~/core/sound'
import { lickOf } from '../../tests/support/licks'
import { type KitMaker, KitStore } from './kit-store'

/** A maker that waits to be told to go on, and writes down what it was asked for. */
function slowMaker(kept: readonly Sounding[] = []) {
  const asked: Sample[] = []
  const waiting: (() => void)[] = []
  const maker: KitMaker = {
    render: (sample) =>
      new Promise((done) => {
        asked.push(sample)
        waiting.push(() => done(Float32Array.of(sample.velocity, sample.take)))
      }),
    kept: async (surface) =>
      kept.includes(surface)
        ? samplesOf(surface).map(({ velocity, take }) => Float32Array.of(velocity, take))
        : null,
    rest: vi.fn(),
  }
  const step = async () => {
    await vi.waitFor(() => expect(waiting.length).toBeGreaterThan(0))
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
  )
const performanceOf = (line: string) =>
  toPerformance(lickOf(`lead: 0\ngroove: none\nlanding: none\nline: ${line}`), {
    loop: false,
    countIn: true,
  })

describe('the kit of a page', () => {
  it('is ready when each surface sounds; the rest comes while it plays', async () => {
    const { maker, asked, step } = slowMaker()
    const kit = storeOf(maker)
    let ready = false
    const waited = kit.ready(performanceOf('r>RlL KKKK')).then(() => {
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

  it('makes each stroke once, whatever is asked for meanwhile, and is complete in the end', async () => {
    const { maker, asked, step } = slowMaker()
    const kit = storeOf(maker)
    const first = kit.ready(performanceOf('RLRL'))
    const second = kit.ready(performanceOf('R:t1 L:c1 K L:f1'))
    const all = SOUNDING.flatMap(samplesOf).length
    for (let i = 0; i < all; i += 1) await step()
    await Promise.all([first, second])
    await vi.waitFor(() => expect(kit.complete).toBe(true))
    expect(new Set(asked.map(sampleKey)).size).toBe(all)
    expect(asked).toHaveLength(all)
    expect(maker.rest).toHaveBeenCalled()
  })

  it('takes what was kept from a visit before, and makes none of it', async () => {
    const { maker, asked } = slowMaker(SOUNDING)
    const kit = storeOf(maker)
    await kit.ready(performanceOf('RLRL KKKK'))
    await vi.waitFor(() => expect(kit.complete).toBe(true))
    expect(asked).toEqual([])
    expect(kit.stroke({ surface: 'sn', velocity: 34, take: 1 })).toMatchObject({
      samples: Float32Array.of(34, 1),
    })
  })

  it('can be asked again where it could not be made', async () => {
    const { maker } = slowMaker()
    const broken = { ...maker, render: vi.fn(() => Promise.reject(new Error('no worker'))) }
    const kit = storeOf(broken)
    await expect(kit.ready(performanceOf('RLRL'))).rejects.toThrow('no worker')
    broken.render.mockImplementation(() => Promise.resolve(Float32Array.of(1)) as never)
    await kit.ready(performanceOf('RLRL'))
    expect(kit.stroke({ surface: 'sn', velocity: 80, take: 0 })).toBeDefined()
  })
})
