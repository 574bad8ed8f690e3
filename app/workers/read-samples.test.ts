import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { DEFAULT_KIT } from '~/core/kit'
import { readSamples } from './read-samples'

const SOUND = Uint8Array.of(1, 2, 3)
/** Reads what was chosen, and tells what is on the shelf in the end. */
async function read(chosen: Readonly<Record<string, Uint8Array<ArrayBuffer> | string>>) {
  const shelf = new Map<string, Uint8Array>()
  const shares: number[] = []
  const files = Object.entries(chosen).map(([path, content]) => ({
    path,
    file: new Blob([content]),
  }))
  const done = await readSamples(
    files,
    DEFAULT_KIT,
    {
      keep: async (path, sound) => void shelf.set(path, sound),
      drop: async (paths) => {
        for (const path of paths) shelf.delete(path)
      },
    },
    (part, all) => shares.push(part / all),
  )
  return { ...done, kept: [...shelf.keys()].sort(), shares }
}
const laid = ({ regions }: Awaited<ReturnType<typeof read>>) =>
  regions.map(({ surface, file }) => `${surface} ${file}`)

describe('sounds of the player’s own', () => {
  it('are laid by a map, from its own folder, whatever the size of letters', async () => {
    const done = await read({
      'Kit/map.sfz':
        '<region> sample=Wav\\Snare.wav key=38 <region> sample=kick.wav key=36 ampeg=1',
      'Kit/wav/snare.WAV': SOUND,
      'Kit/kick.wav': SOUND,
      'Kit/other.wav': SOUND,
    })
    expect(laid(done)).toEqual(['sn Kit/wav/snare.WAV', 'bd Kit/kick.wav'])
    expect(done.kept).toEqual(['Kit/kick.wav', 'Kit/wav/snare.WAV'])
    expect([done.unlaid, done.passedOver]).toEqual([['Kit/other.wav'], ['ampeg']])
    expect(done.shares.at(-1)).toBe(1)
  })

  it('are laid by their names where there is no map', async () => {
    const done = await read({ 'a/Snare 1.wav': SOUND, 'a/Snare 2.wav': SOUND, 'a/x.wav': SOUND })
    expect(laid(done)).toEqual(['sn a/Snare 1.wav', 'sn a/Snare 2.wav'])
    expect(done.unlaid).toEqual(['a/x.wav'])
  })

  it('come out of a zip, but for what leads out of it', async () => {
    const zip = zipSync({
      'kit/kick.wav': SOUND,
      '../evil.wav': SOUND,
      '__MACOSX/kick.wav': SOUND,
      'kit/readme.pdf': SOUND,
      'kit/map.sfz': strToU8('<region> sample=kick.wav key=36'),
    }) as Uint8Array<ArrayBuffer>
    const done = await read({ 'kit.zip': zip })
    expect(laid(done)).toEqual(['bd kit/kick.wav'])
    expect(done.kept).toEqual(['kit/kick.wav'])
  })

  it('tell what a map lacks, and what is wrong with it', async () => {
    const done = await read({
      'a.sfz': '<region> sample=no.wav key=38',
      'snare.wav': SOUND,
    })
    expect(done.faults).toEqual(['a.sfz: “no.wav” is not there.'])
    const refused = await read({ 'a.sfz': '<region> sample=../x.wav', 'snare.wav': SOUND })
    expect(refused.faults[0]).toContain('is no path within the folder')
    await expect(read({ 'a.txt': 'nothing' })).rejects.toThrow('no sound in it')
    await expect(read({ 'a.zip': Uint8Array.of(80, 75, 3, 4, 9, 9) })).rejects.toThrow('no sound')
  })
})
