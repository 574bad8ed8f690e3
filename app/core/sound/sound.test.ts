import { describe, expect, it } from 'vitest'
import { renderSound, SOUND_NAMES, silencedBy, soundOf, velocityGain } from '.'

const RATE = 22_050
const energy = (samples: Float32Array, from: number, to: number) =>
  samples.slice(Math.round(from * RATE), Math.round(to * RATE)).reduce((sum, x) => sum + x * x, 0)
/** How often a sound crosses zero a second: a measure of how bright it is. */
const brightness = (samples: Float32Array) => {
  const part = samples.slice(0, Math.round(0.05 * RATE))
  return part.filter((x, i) => i > 0 && x * (part[i - 1] ?? 0) < 0).length / 0.05
}

describe('the kit', () => {
  it.each(SOUND_NAMES)('%s is finite, within bounds, loud at first and silent at last', (name) => {
    const samples = renderSound(name, RATE)
    const loudest = Math.max(...samples.map(Math.abs))
    expect(samples.every(Number.isFinite)).toBe(true)
    expect(loudest).toBeGreaterThan(0.3)
    expect(loudest).toBeLessThanOrEqual(1)
    expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(1e-3)
    expect(renderSound(name, RATE)).toEqual(samples)
  })

  it('has toms by pitch, a bright hat, and cymbals that ring longer than a closed hat', () => {
    const toms = (['t1', 't2', 't3', 'f1', 'f2'] as const).map((tom) =>
      brightness(renderSound(tom, RATE).slice(Math.round(0.1 * RATE))),
    )
    expect([...toms].sort((a, b) => b - a)).toEqual(toms)
    expect(brightness(renderSound('hh', RATE))).toBeGreaterThan(
      10 * brightness(renderSound('bd', RATE)),
    )
    expect(energy(renderSound('c1', RATE), 0.3, 0.6)).toBeGreaterThan(
      energy(renderSound('hh', RATE), 0.3, 0.6),
    )
  })

  it('has ghosts that are shorter than full strokes', () => {
    const tailShare = (name: 'sn' | 'sn-ghost') => {
      const samples = renderSound(name, RATE)
      return energy(samples, 0.06, 1) / energy(samples, 0, 1)
    }
    expect(tailShare('sn-ghost')).toBeLessThan(tailShare('sn') / 2)
    expect([soundOf('sn', 36), soundOf('sn', 80), soundOf('??', 80), soundOf('t1', 36)]).toEqual([
      'sn-ghost',
      'sn',
      'sn',
      't1',
    ])
  })

  it('is louder the harder it is struck, and its closed hat chokes the open one', () => {
    expect(velocityGain(127)).toBe(1)
    expect(velocityGain(112)).toBeGreaterThan(2 * velocityGain(58))
    expect(['hh', 'hf', 'ho', 'sn'].map((surface) => silencedBy(surface as 'hh'))).toEqual([
      ['ho'],
      ['ho'],
      ['ho'],
      [],
    ])
  })
})
