import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { guessSurface, parseSampleMap } from '.'

const none = () => null
const read = (text: string, include: (path: string) => string | null = none) => {
  const reading = parseSampleMap(text, include)
  if (!reading.ok) throw new Error(reading.error)
  return reading.value
}
const refusal = (text: string, include: (path: string) => string | null = none) => {
  const reading = parseSampleMap(text, include)
  return reading.ok ? null : reading.error
}

describe('a map of samples', () => {
  it('has regions with what their group and all hold, paths with spaces, and turns', () => {
    const { regions } = read(`
      // A kit.
      <control> default_path=Drums/
      <global> volume=-6
      <group> key=38
      <region> sample=snare soft 1.wav lovel=1 hivel=60 seq_length=2 seq_position=1
      <region> sample=snare soft 2.wav lovel=1 hivel=60 seq_length=2 seq_position=2
      <group> lokey=c2 hikey=36 /* the
        kick */ volume=0
      <region> sample=kick.wav tune=1200 offset=10
    `)
    expect(regions).toEqual([
      {
        ...{ file: 'Drums/snare soft 1.wav', notes: [38, 38], velocities: [1, 60] },
        ...{ gain: expect.closeTo(0.501, 3), speed: 1, offset: 0, turn: 0, turns: 2 },
      },
      {
        ...{ file: 'Drums/snare soft 2.wav', notes: [38, 38], velocities: [1, 60] },
        ...{ gain: expect.closeTo(0.501, 3), speed: 1, offset: 0, turn: 1, turns: 2 },
      },
      {
        ...{ file: 'Drums/kick.wav', notes: [36, 36], velocities: [1, 127] },
        ...{ gain: 1, speed: 2, offset: 10, turn: 0, turns: 1 },
      },
    ])
  })

  it('takes names and other files in, the longest name first', () => {
    const { regions } = read(
      '#define $KEY 38\n#define $KEYB 40\n#include "more.txt"\n<region> sample=b.wav key=$KEYB',
      (path) => (path === 'more.txt' ? '<region> sample=a.wav key=$KEY' : null),
    )
    expect(regions.map(({ file, notes }) => [file, notes[0]])).toEqual([
      ['a.wav', 38],
      ['b.wav', 40],
    ])
  })

  it('tells what is not understood, and passes it over', () => {
    const { passedOver, regions } = read('<curve> v000=1 <region> sample=a.wav cutoff=400 key=38')
    expect(passedOver).toEqual(['<curve>', 'cutoff', 'v000'])
    expect(regions).toHaveLength(1)
    expect(read('<region> sample=*sine key=38').regions).toEqual([])
  })

  it.each([
    ['a path out of the folder', '<region> sample=../secret.wav', 'is no path within the folder'],
    ['a path from the top', '<region> sample=/etc/a.wav', 'is no path within the folder'],
    ['an address', '<region> sample=http://a/b.wav', 'is no path within the folder'],
    ['a drive', '<region> sample=C:\\a.wav', 'is no path within the folder'],
    ['a huge number', '<region> sample=a.wav volume=1e99', 'is no number from -144 to 24'],
    ['no number', '<region> sample=a.wav hivel=loud', 'is no number from 0 to 127'],
    ['no note', '<region> sample=a.wav key=h9', 'is no note'],
    ['a file that is not there', '#include "b.sfz"', 'which is not there'],
  ])('refuses %s, and says what is wrong', (_, text, words) => {
    expect(refusal(text)).toContain(words)
  })

  it('refuses what includes itself, and what is too long', () => {
    expect(refusal('#include "a"', () => '#include "a"')).toContain('without end')
    expect(refusal('#include "a"', () => `${' '.repeat(1_500_000)}\n#include "a"`)).toContain(
      '2 MB',
    )
    expect(refusal('<region> sample=a.wav\n'.repeat(4001))).toContain('4,000')
  })

  it('is read or refused, whatever stands in it (law)', () => {
    const bits = fc.constantFrom(
      ...['<region>', '<group>', ' sample=', 'a b.wav', ' key=', '38', '\n', '$A', '#define $A 3'],
      ...['/*', '*/', '//', ' lovel=', '..', '\\', '<', '>', '=', ' ', '#include "x"'],
    )
    fc.assert(
      fc.property(fc.array(bits, { maxLength: 40 }), (parts) => {
        const reading = parseSampleMap(parts.join(''), () => '<region> sample=x.wav')
        if (!reading.ok) expect(reading.error).toMatch(/\.$/)
        else for (const { file } of reading.value.regions) expect(file).not.toMatch(/\.\.|^\//)
      }),
      { numRuns: 500 },
    )
  })
})

describe('the name of a sound file', () => {
  it.each([
    ['Drums/Snare_hard_01.wav', 'sn'],
    ['kick-2.flac', 'bd'],
    ['HH_open_3.wav', 'ho'],
    ['hihat pedal.wav', 'hf'],
    ['HiHat-closed.wav', 'hh'],
    ['Ride bell.wav', 'rb'],
    ['Crash 2 edge.wav', 'c2'],
    ['FloorTom_f.wav', 'f1'],
    ['Tom2.wav', 't2'],
    ['SideStick.wav', 'xs'],
    ['room.wav', null],
  ])('%s tells its surface', (path, surface) => {
    expect(guessSurface(path)).toBe(surface)
  })
})
