import { describe, expect, it } from 'vitest'
import type { SoundClick, SoundStroke } from '~/core/performance'
import { USUAL_SOUND } from '~/core/sound'
import { KitSampler } from './kit-sampler'

interface Source {
  readonly name: string
  begins: number
  /** The stops it was told, in order; undefined for at once. */
  readonly stops: (number | undefined)[]
  readonly out: Gain[]
}
interface Gain {
  value: number
  readonly targets: [number, number][]
  readonly cancelled: number[]
  /** Where it goes from and to in a straight line, and when. */
  readonly ramp: [number, number][]
  to?: unknown
}

/** As much of a browser's audio as the kit asks for, writing down what it is told. */
class Studio {
  readonly currentTime = 0
  readonly sampleRate = 1000
  readonly destination = 'speaker'
  readonly sources: Source[] = []
  readonly panners: { value: number }[] = []

  private readonly node = (more: object = {}) => ({
    connect: (to: unknown) => to,
    disconnect: () => {},
    ...more,
  })
  createConvolver = () => this.node()
  createWaveShaper = () => this.node()
  createAnalyser = () => this.node()
  createBuffer = () => ({ copyToChannel: () => {} })
  createStereoPanner() {
    const pan = { value: 0 }
    this.panners.push(pan)
    return this.node({ pan })
  }
  createGain() {
    const gain: Gain = { value: 1, targets: [], cancelled: [], ramp: [] }
    const node = {
      gain: Object.assign(gain, {
        setTargetAtTime: (value: number, at: number) => gain.targets.push([value, at]),
        cancelScheduledValues: (at: number) => gain.cancelled.push(at),
        setValueAtTime: (value: number, at: number) => gain.ramp.push([value, at]),
        linearRampToValueAtTime: (value: number, at: number) => gain.ramp.push([value, at]),
      }),
      connect: (to: unknown) => {
        gain.to = to
        return to
      },
      disconnect: () => {},
    }
    return node
  }
  createBufferSource() {
    const source: Source = { name: '', begins: -1, stops: [], out: [] }
    this.sources.push(source)
    return {
      playbackRate: { value: 1 },
      set buffer({ name }: { name: string }) {
        Object.assign(source, { name })
      },
      connect: (to: { gain: Gain }) => {
        source.out.push(to.gain)
        return to
      },
      start: (when: number) => {
        source.begins = when
      },
      stop: (when?: number) => source.stops.push(when),
    }
  }
}

const setUp = () => {
  const studio = new Studio()
  const named = (name: string) => ({ name, duration: 2 }) as unknown as AudioBuffer
  const player = new KitSampler(studio as unknown as BaseAudioContext, {
    stroke: ({ surface }) => named(surface),
    click: (weight) => named(`click-${weight}`),
  })
  return { studio, player }
}
const stroke = (surface: SoundStroke['surface'], part: Partial<SoundStroke> = {}): SoundStroke => ({
  kind: 'stroke',
  tick: 0,
  part: 'line',
  layer: 0,
  slot: 0,
  nth: 0,
  limb: 'RH',
  surface,
  velocity: 80,
  graces: 0,
  since: null,
  ...part,
})

describe('the kit through a browser’s audio', () => {
  it('lets the closed hat take hold of the open one, and lets go where that is taken back', () => {
    const { studio, player } = setUp()
    player.strike(stroke('ho'), 1, 0)
    player.strike(stroke('hh'), 2, 0)
    const [open, closed] = studio.sources
    expect(open?.out[0]?.targets).toEqual([[0, 2]])
    expect(open?.stops).toEqual([2.12])
    player.cancelFrom(1.5)
    expect(closed?.stops).toEqual([undefined])
    expect(open?.out[0]?.cancelled).toEqual([2])
    expect(open?.stops.at(-1)).toBe(3)
  })

  it('takes back what is to come, leaves what rings, and ends all of it when it must', () => {
    const { studio, player } = setUp()
    player.strike(stroke('c1'), 1, 0)
    player.strike(stroke('sn'), 2, 0)
    player.cancelFrom(2)
    expect(studio.sources.map(({ stops }) => stops.length)).toEqual([0, 1])
    player.silence()
    expect(studio.sources.map(({ stops }) => stops.length)).toEqual([1, 1])
  })

  it('plays graces before their stroke, by milliseconds, at most half of the time before', () => {
    const { studio, player } = setUp()
    const flam = { graces: 1, graceLimb: 'LH', graceSurface: 't1' } as const
    player.strike(stroke('sn', { ...flam, since: null }), 1, 0.001)
    player.strike(stroke('sn', { ...flam, since: 40 }), 2, 0.001)
    expect(studio.sources.map(({ name, begins }) => [name, begins])).toEqual([
      ['t1', 0.97],
      ['sn', 1],
      ['t1', 1.98],
      ['sn', 2],
    ])
  })

  it('has a click for every weight', () => {
    const { studio, player } = setUp()
    const weights: SoundClick['weight'][] = ['bar', 'group', 'beat', 'between']
    for (const weight of weights) {
      player.strike({ kind: 'click', tick: 0, weight, countIn: false }, 1, 0)
    }
    expect(studio.sources.map(({ name }) => name)).toEqual(weights.map((one) => `click-${one}`))
  })

  it('lets a click come in softly where a microphone listens', () => {
    const { studio, player } = setUp()
    const click = { kind: 'click', tick: 0, weight: 'beat', countIn: false } as const
    player.strike(click, 1, 0)
    player.softClick = true
    player.strike(click, 2, 0)
    player.strike(stroke('sn'), 2, 0)
    expect(studio.sources.map(({ out }) => out[0]?.ramp)).toEqual([
      [],
      [
        [0, 2],
        [0.8, 2.004],
      ],
      [],
    ])
  })

  it('sends nothing past the limiter, whose own delay would set it apart from the rest', () => {
    const { studio, player } = setUp()
    for (const countIn of [true, false])
      player.strike({ kind: 'click', tick: 0, weight: 'bar', countIn }, 1, 0)
    player.strike(stroke('sn'), 1, 0)
    for (const { out } of studio.sources) expect(out[0]?.to).not.toBe('speaker')
  })

  it('hears each piece from its place, on the side that is chosen', () => {
    const { studio, player } = setUp()
    player.setPans({ c1: -0.5, sn: 0 })
    player.strike(stroke('c1'), 1, 0)
    expect(studio.panners.map(({ value }) => value)).toEqual([-0.5])
    player.setChoice({ ...USUAL_SOUND, side: 'listener' })
    expect(studio.panners.map(({ value }) => value)).toEqual([0.5])
    player.setPans({ c1: 0.25, sn: 0 })
    player.strike(stroke('c1'), 2, 0)
    expect(studio.panners.map(({ value }) => value)).toEqual([-0.25])
  })

  it('shakes the wires of the snare under a tom', () => {
    const { studio, player } = setUp()
    player.setPans({ sn: 0, t1: -0.2 })
    player.strike(stroke('t1'), 1, 0)
    expect(studio.sources.map(({ name }) => name)).toEqual(['t1', 'wires'])
  })

  it('chokes a cymbal that is stopped, and nothing that begins later', () => {
    const { studio, player } = setUp()
    player.strike(stroke('c1'), 1, 0)
    player.strike(stroke('c1'), 3, 0)
    player.strike({ kind: 'choke', tick: 0, surface: 'c1' }, 2, 0)
    expect(studio.sources.map(({ stops }) => stops)).toEqual([[2.12], []])
  })
})
