import { toRandomStream } from '../foundation'
import { SURFACES, type Surface } from '../sticking'
import { addHead, addMetal, addNoise, type Canvas, finish, toCanvas } from './oscillators'

/** A sound of the kit: a surface struck in full, the snare as a ghost, or a click. */
export type SoundName =
  | Surface
  | 'sn-ghost'
  | 'click-bar'
  | 'click-group'
  | 'click-beat'
  | 'click-between'

export const SOUND_NAMES: readonly SoundName[] = [
  ...SURFACES,
  'sn-ghost',
  'click-bar',
  'click-group',
  'click-beat',
  'click-between',
]

/** Pitch of each tom's head in hertz, from high to low. */
const TOM_PITCH: Readonly<Partial<Record<SoundName, number>>> = {
  t1: 208,
  t2: 172,
  t3: 148,
  t4: 132,
  t5: 120,
  t6: 110,
  f1: 92,
  f2: 76,
}

interface Recipe {
  readonly seconds: number
  readonly peak: number
  readonly paint: (canvas: Canvas, seed: number) => void
}

/**
 * Renders one sound of the kit at a sample rate, mono, the same samples every time. All of it is
 * computed: heads are gliding sines, wires and sticks are filtered noise, cymbals clashing squares.
 */
export function renderSound(name: SoundName, rate: number): Float32Array {
  const recipe = recipeOf(name)
  const canvas = toCanvas(rate, recipe.seconds)
  recipe.paint(canvas, SOUND_NAMES.indexOf(name) + 1)
  return finish(canvas, recipe.peak)
}

function recipeOf(name: SoundName): Recipe {
  const pitch = TOM_PITCH[name]
  if (pitch !== undefined) return tom(pitch)
  switch (name) {
    case 'bd':
      return bass(54)
    case 'b2':
      return bass(60)
    case 'sn':
      return snare({ body: 1, wires: 0.8, decay: 0.2, peak: 0.85, ring: 0 })
    case 's2':
      return snare({ body: 1.3, wires: 0.6, decay: 0.13, peak: 0.8, ring: 0 })
    case 'rs':
      return snare({ body: 1, wires: 0.9, decay: 0.24, peak: 1, ring: 0.7 })
    case 'sn-ghost':
      return snare({ body: 0.35, wires: 0.5, decay: 0.07, peak: 0.6, ring: 0 })
    case 'xs':
      return wood()
    case 'hh':
      return hat(0.07, 0.55)
    case 'x2':
      return hat(0.09, 0.5)
    case 'ho':
      return hat(0.7, 0.6)
    case 'hf':
      return footHat()
    case 'rd':
      return ride(0.35)
    case 'rb':
      return ride(1)
    case 'c1':
      return crash(1.9, 372)
    case 'c2':
      return crash(2.3, 318)
    case 'sp':
      return crash(0.6, 520)
    case 'ch':
      return china()
    case 'cb':
      return bell()
    case 'click-bar':
      return click(2100)
    case 'click-group':
      return click(1680)
    case 'click-beat':
      return click(1400)
    case 'click-between':
      return click(1050, 0.32)
    default:
      throw new RangeError(`sound ${name}: there is no recipe for it`)
  }
}

function bass(pitch: number): Recipe {
  return {
    seconds: 0.5,
    peak: 0.95,
    paint: (canvas, seed) => {
      addHead(canvas, { from: pitch * 3.4, to: pitch, glide: 0.022, decay: 0.42, gain: 1 })
      addNoise(
        canvas,
        { kind: 'band', hertz: 2600, q: 0.8, attack: 0, decay: 0.018, gain: 0.6 },
        toRandomStream(seed),
      )
    },
  }
}

function snare(shape: {
  body: number
  wires: number
  decay: number
  peak: number
  ring: number
}): Recipe {
  return {
    seconds: Math.max(0.12, shape.decay * 1.6),
    peak: shape.peak,
    paint: (canvas, seed) => {
      const { body, wires, decay, ring } = shape
      addHead(canvas, { from: 260, to: 186, glide: 0.014, decay: decay * 0.7, gain: 0.7 * body })
      addHead(canvas, { from: 420, to: 331, glide: 0.01, decay: decay * 0.45, gain: 0.35 * body })
      const random = toRandomStream(seed)
      addNoise(
        canvas,
        { kind: 'high', hertz: 1900, q: 0.7, attack: 0.002, decay, gain: wires },
        random,
      )
      addNoise(
        canvas,
        { kind: 'band', hertz: 4200, q: 0.6, attack: 0, decay: 0.02, gain: 0.8 },
        random,
      )
      if (ring > 0) {
        addHead(canvas, { from: 530, to: 524, glide: 0.01, decay: decay * 1.2, gain: ring })
        addHead(canvas, { from: 985, to: 978, glide: 0.01, decay: decay * 0.8, gain: ring * 0.8 })
      }
    },
  }
}

function wood(): Recipe {
  return {
    seconds: 0.12,
    peak: 0.7,
    paint: (canvas, seed) => {
      addHead(canvas, { from: 1750, to: 1700, glide: 0.004, decay: 0.05, gain: 1 })
      addHead(canvas, { from: 2500, to: 2440, glide: 0.004, decay: 0.03, gain: 0.5 })
      addNoise(
        canvas,
        { kind: 'band', hertz: 900, q: 1, attack: 0, decay: 0.02, gain: 0.5 },
        toRandomStream(seed),
      )
    },
  }
}

function tom(pitch: number): Recipe {
  const decay = 0.32 + 26 / pitch
  return {
    seconds: decay * 1.1,
    peak: 0.9,
    paint: (canvas, seed) => {
      addHead(canvas, { from: pitch * 1.5, to: pitch, glide: 0.03, decay, gain: 1 })
      addHead(canvas, {
        from: pitch * 2.4,
        to: pitch * 1.594,
        glide: 0.02,
        decay: decay * 0.5,
        gain: 0.3,
      })
      addNoise(
        canvas,
        { kind: 'band', hertz: 3200, q: 0.7, attack: 0, decay: 0.015, gain: 0.5 },
        toRandomStream(seed),
      )
    },
  }
}

function hat(decay: number, peak: number): Recipe {
  return {
    seconds: Math.max(0.1, decay * 1.1),
    peak,
    paint: (canvas, seed) => {
      addMetal(canvas, { hertz: 317, highPass: 7200, attack: 0, decay, gain: 1 })
      addNoise(
        canvas,
        { kind: 'high', hertz: 8200, q: 0.7, attack: 0, decay: decay * 0.8, gain: 0.5 },
        toRandomStream(seed),
      )
    },
  }
}

function footHat(): Recipe {
  return {
    seconds: 0.11,
    peak: 0.5,
    paint: (canvas, seed) => {
      addMetal(canvas, { hertz: 296, highPass: 5200, attack: 0.004, decay: 0.06, gain: 0.8 })
      addNoise(
        canvas,
        { kind: 'band', hertz: 620, q: 1.2, attack: 0.003, decay: 0.04, gain: 0.8 },
        toRandomStream(seed),
      )
    },
  }
}

function ride(bellShare: number): Recipe {
  return {
    seconds: 1.5,
    peak: 0.6,
    paint: (canvas, seed) => {
      addMetal(canvas, { hertz: 411, highPass: 5600, attack: 0, decay: 1.3, gain: 0.35 })
      addNoise(
        canvas,
        { kind: 'band', hertz: 6100, q: 0.8, attack: 0, decay: 0.03, gain: 0.9 },
        toRandomStream(seed),
      )
      for (const [hertz, gain] of [
        [831, 0.5],
        [1247, 0.36],
        [2093, 0.24],
        [2921, 0.16],
      ] as const) {
        addHead(canvas, { from: hertz, to: hertz, glide: 1, decay: 0.9, gain: gain * bellShare })
      }
    },
  }
}

function crash(decay: number, hertz: number): Recipe {
  return {
    seconds: decay,
    peak: 0.8,
    paint: (canvas, seed) => {
      const random = toRandomStream(seed)
      addMetal(canvas, { hertz, highPass: 3600, attack: 0.002, decay, gain: 0.5 })
      addNoise(
        canvas,
        { kind: 'high', hertz: 4300, q: 0.6, attack: 0.004, decay: decay * 0.9, gain: 0.8 },
        random,
      )
      addNoise(
        canvas,
        { kind: 'band', hertz: 1100, q: 0.5, attack: 0, decay: 0.12, gain: 0.6 },
        random,
      )
    },
  }
}

function china(): Recipe {
  return {
    seconds: 1.1,
    peak: 0.8,
    paint: (canvas, seed) => {
      addMetal(canvas, { hertz: 233, highPass: 1900, attack: 0, decay: 0.8, gain: 0.9 })
      addNoise(
        canvas,
        { kind: 'band', hertz: 3100, q: 0.5, attack: 0.002, decay: 0.9, gain: 0.7 },
        toRandomStream(seed),
      )
    },
  }
}

function bell(): Recipe {
  return {
    seconds: 0.35,
    peak: 0.6,
    paint: (canvas) => {
      for (const [hertz, gain] of [
        [587, 1],
        [845, 0.8],
        [1690, 0.25],
      ] as const) {
        addHead(canvas, { from: hertz, to: hertz, glide: 1, decay: 0.3, gain })
      }
    },
  }
}

function click(hertz: number, peak = 0.5): Recipe {
  return {
    seconds: 0.05,
    peak,
    paint: (canvas) => addHead(canvas, { from: hertz, to: hertz, glide: 1, decay: 0.035, gain: 1 }),
  }
}
