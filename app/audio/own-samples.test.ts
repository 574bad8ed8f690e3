import { describe, expect, it, vi } from 'vitest'
import type { SampleRegion } from '~/core/sound'
import type { Surface } from '~/core/sticking'
import { OwnSamples } from './own-samples'

const region = (
  surface: Surface,
  file: string,
  more: Partial<SampleRegion> = {},
): SampleRegion => ({
  ...{ surface, file, least: 1, most: 127, gain: 1, speed: 1, offset: 0, turn: 0, turns: 1 },
  ...more,
})
/** A buffer that knows its file, of so many seconds at 1,000 a second. */
const bufferOf = (name: string, seconds = 1) =>
  ({ name, sampleRate: 1000, length: 1000 * seconds, numberOfChannels: 1 }) as never

function setUp(regions: readonly SampleRegion[], seconds = 1) {
  const load = vi.fn(async (file: string) =>
    file === 'gone' ? null : new TextEncoder().encode(file),
  )
  const decode = vi.fn(async (sound: ArrayBuffer) => {
    const name = new TextDecoder().decode(sound)
    if (name === 'broken') throw new Error('no sound')
    return bufferOf(name, seconds) as AudioBuffer
  })
  return { own: new OwnSamples({ id: 'm', name: 'mine', regions }, { load, decode }), load, decode }
}

describe('sounds of the player’s own', () => {
  it('are decoded for what is struck, once, and played in turn from where they begin', async () => {
    const { own, load } = setUp([
      region('sn', 'a', { turn: 0, turns: 2, offset: 250, gain: 0.5 }),
      region('sn', 'b', { turn: 1, turns: 2 }),
      region('c1', 'crash'),
    ])
    expect(own.stroke('sn', 80)).toBeUndefined()
    await Promise.all([own.ready(['sn']), own.ready(['sn', 't1'])])
    expect(load.mock.calls.flat()).toEqual(['a', 'b'])
    expect([0, 1, 2].map(() => own.stroke('sn', 80)?.buffer)).toMatchObject([
      { name: 'a' },
      { name: 'b' },
      { name: 'a' },
    ])
    expect(own.stroke('sn', 80)).toMatchObject({ offset: 0 })
    expect(own.stroke('sn', 80)).toMatchObject({ offset: 0.25, gain: 0.5 })
    expect(own.stroke('c1', 80)).toBeUndefined()
  })

  it('leave to the kit what is gone, or cannot be decoded', async () => {
    const { own } = setUp([region('sn', 'gone'), region('t1', 'broken')])
    await own.ready(['sn', 't1'])
    expect([own.stroke('sn', 80), own.stroke('t1', 80)]).toEqual([undefined, undefined])
    // One broken turn does not silence the others.
    const turns = setUp([region('sn', 'broken'), region('sn', 'well')]).own
    await turns.ready(['sn'])
    const heard = [0, 1, 2, 3].map(() => turns.stroke('sn', 80)?.buffer !== undefined)
    expect(heard).toEqual([false, true, false, true])
  })

  it('do not fill the memory: what was played longest ago goes, and comes again', async () => {
    // A second is 4 kB here; this is 120 MB each.
    const { own, load } = setUp(
      ['a', 'b', 'c'].map((file, i) => region((['sn', 't1', 'f1'] as const)[i] ?? 'sn', file)),
      30_000,
    )
    await own.ready(['sn', 't1'])
    own.stroke('sn', 80)
    await own.ready(['f1'])
    expect([own.stroke('sn', 80), own.stroke('t1', 80), own.stroke('f1', 80)]).toMatchObject(
      [{ buffer: { name: 'a' } }, {}, { buffer: { name: 'c' } }].map((one) =>
        'buffer' in one ? one : undefined,
      ),
    )
    await own.ready(['t1'])
    expect(load.mock.calls.flat()).toEqual(['a', 'b', 'c', 'b'])
  })
})
