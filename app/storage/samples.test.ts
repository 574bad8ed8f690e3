import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { type SampleRegion, USUAL_SOUND } from '~/core/sound'
import { DATABASE_NAME } from './database'
import { DEFAULT_SETTINGS } from './records'

afterEach(async () => {
  vi.resetModules()
  await Dexie.delete(DATABASE_NAME)
})

const region: SampleRegion = {
  ...{ surface: 'sn', file: 'snare.wav', least: 1, most: 127, gain: 1, speed: 1 },
  ...{ offset: 0, turn: 0, turns: 1 },
}

describe('sounds of the player’s own in the store', () => {
  it('are none at first: what settings say is the usual sound of the core', () => {
    expect(DEFAULT_SETTINGS.sound).toEqual(USUAL_SOUND)
  })

  it('are kept one by one, found by their map, and go with it', async () => {
    const store = { ...(await import('.')), ...(await import('./samples')) }
    await store.saveSampleSound('m', 'snare.wav', Uint8Array.of(1, 2))
    await store.saveSampleSound('m', 'unused.wav', Uint8Array.of(3))
    await store.saveSampleMap({ id: 'm', name: 'mine', regions: [region] })
    await store.dropSampleSounds('m', ['unused.wav'])
    expect(await store.loadSampleMap('m')).toEqual({ id: 'm', name: 'mine', regions: [region] })
    expect(await store.loadSampleSound('m', 'snare.wav')).toEqual(Uint8Array.of(1, 2))
    expect(await store.loadSampleSound('m', 'unused.wav')).toBeNull()
    await store.deleteSampleMap('m')
    expect([await store.loadSampleMap('m'), await store.loadSampleSound('m', 'snare.wav')]).toEqual(
      [null, null],
    )
  })

  it('are left out where they cannot be read', async () => {
    const store = { ...(await import('.')), ...(await import('./samples')) }
    const broken = { ...region, speed: Number.POSITIVE_INFINITY }
    await store.saveSampleMap({ id: 'x', name: 'broken', regions: [broken] })
    await store.saveSampleMap({ id: 'm', name: 'mine', regions: [region] })
    const maps = await store.listSampleMaps()
    expect(maps.ok && maps.value.map(({ id }) => id)).toEqual(['m'])
  })
})
