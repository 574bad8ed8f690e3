import { type RandomStream, toRandomStream } from '../../foundation'
import { SURFACES } from '../../sticking'
import { BEATER, METAL, pushOf, TIP, type Tool } from './contact'
import { type Head, modesOfHead } from './heads'
import { addPlate, type Plate } from './plates'
import {
  addBentModes,
  addModes,
  addNoise,
  type Canvas,
  falling,
  finish,
  type Mode,
  toCanvas,
} from './resonators'

/** What sounds: a surface that is struck, or the snare's wires that ring along with others. */
export const SOUNDING = [...SURFACES, 'wires'] as const
export type Sounding = (typeof SOUNDING)[number]

/** A stroke to be rendered. */
export interface Stroke {
  readonly surface: Sounding
  /** 1 to 127. */
  readonly velocity: number
  /** Which of several strokes alike, from 0. */
  readonly take: number
  readonly tool: Tool
}

/** What a recipe is given: how hard, with what, and the randomness of the piece and of the stroke. */
interface Struck {
  /** 0 to 1. */
  readonly force: number
  readonly tool: Tool
  readonly made: RandomStream
  readonly random: RandomStream
  /** How sharp it is by where and how it was struck: about 1. */
  readonly tune: number
}

interface Recipe {
  /** The longest that it may ring, in seconds. */
  readonly seconds: number
  /** The loudest sample of its loudest stroke. */
  readonly peak: number
  readonly paint: (canvas: Canvas, struck: Struck) => void
}

/** How far the force of two strokes alike differs, and how far from the middle of its place each may land. */
const UNEVEN_FORCE = 0.08
const UNEVEN_PLACE = 0.16
/** How far two strokes alike are out of tune with each other: about ten hundredths of a semitone. */
const UNEVEN_TUNE = 0.003

/**
 * The samples of one stroke at a rate, mono, from the moment of contact; its loudest sample is the same for soft
 * and for hard ones, as what plays it sets how loud it is. The same stroke is the same samples every time.
 *
 * Example: the snare at a velocity of 36 is a ghost of a third of a second, mostly wires.
 */
export function renderStroke(stroke: Stroke, rate: number): Float32Array<ArrayBuffer> {
  const { surface, velocity, take, tool } = stroke
  const number = SOUNDING.indexOf(surface) + 1
  const { seconds, peak, paint } = RECIPES[surface]
  const canvas = toCanvas(rate, seconds)
  const random = toRandomStream(number * 7919 + take * 104_729)
  const force = Math.min(1, (velocity / 127) * (1 + UNEVEN_FORCE * (random() - 0.5)))
  const tune = 1 + (take % 2 === 0 ? -1 : 1) * UNEVEN_TUNE * (0.7 + 0.6 * random())
  paint(canvas, { force, tool, made: toRandomStream(number), random, tune })
  return finish(canvas, peak)
}

/** A place on the head near a middle one. */
const near = (middle: number, random: RandomStream) =>
  Math.max(0, Math.min(0.97, middle + UNEVEN_PLACE * (random() - 0.5)))

/** Modes as this stroke finds them: a little sharp or flat, each a little more or less. */
const uneven = (modes: readonly Mode[], { tune, random }: Struck, share = 1): Mode[] =>
  modes.map(({ hertz, seconds, gain }) => ({
    hertz: hertz * tune,
    seconds,
    gain: gain * share * (0.8 + 0.4 * random()),
  }))

/** The sound of wood or felt itself on what it strikes: high, and gone in milliseconds. */
function addTick(canvas: Canvas, struck: Struck, hertz: number, gain: number, seconds: number) {
  const { force, tool, random } = struck
  const brushed = tool === 'brushes'
  const lasts = brushed ? 4 * seconds : seconds
  const band = {
    low: hertz * (brushed ? 0.3 : 0.6),
    high: hertz * (brushed ? 0.8 : 1 + 2 * force),
    gain: gain * force ** 1.7 * (brushed ? 0.3 : 1),
    seconds: lasts,
    shape: falling(lasts),
  }
  addNoise(canvas, band, random)
}

/** Pitch of each tom's head in hertz, from high to low. */
export const TOM_PITCH = {
  t1: 208,
  t2: 172,
  t3: 148,
  t4: 132,
  t5: 120,
  t6: 110,
  f1: 92,
  f2: 76,
} as const

function tom(hertz: number): Recipe {
  const seconds = 0.45 + 42 / hertz
  const head: Head = { hertz, seconds, damping: 1.7, air: 0 }
  return {
    seconds: seconds * 1.05,
    peak: 0.9,
    paint: (canvas, struck) => {
      const { force, tool, random } = struck
      const push = pushOf(TIP, force, tool, canvas.rate, random)
      const modes = uneven(modesOfHead(head, near(0.35 + 0.2 * force, random)), struck)
      addBentModes(canvas, modes, push, { bend: 0.16 * force ** 1.5, bentFor: 0.03 })
      addTick(canvas, struck, 2600, 0.95, 0.02)
    },
  }
}

function bass(hertz: number): Recipe {
  const head: Head = { hertz, seconds: 0.42, damping: 2.2, air: 0 }
  return {
    seconds: 0.5,
    peak: 0.95,
    paint: (canvas, struck) => {
      const { force, random, tune } = struck
      const push = pushOf(BEATER, force, 'sticks', canvas.rate, random)
      const modes = uneven(modesOfHead(head, near(0.14, random)), struck)
      addBentModes(canvas, modes, push, {
        bend: (0.2 + 0.9 * force ** 1.3) * tune ** 40,
        bentFor: 0.014,
      })
      addTick(canvas, struck, 2100, 0.75 * force, 0.016)
    },
  }
}

interface SnareShape {
  readonly hertz: number
  /** Where it is struck, how much of the wires is heard, and how much of the hoop. */
  readonly place: number
  readonly wires: number
  readonly hoop: number
  readonly seconds: number
  readonly peak: number
}

/** The hoop of a snare rings like a bell where the stick strikes it too. */
const HOOP: readonly Mode[] = [
  { hertz: 528, seconds: 0.34, gain: 0.9 },
  { hertz: 986, seconds: 0.26, gain: 1 },
  { hertz: 1583, seconds: 0.2, gain: 0.7 },
  { hertz: 2410, seconds: 0.14, gain: 0.55 },
  { hertz: 3320, seconds: 0.1, gain: 0.4 },
]

function snare({ hertz, place, wires, hoop, seconds, peak }: SnareShape): Recipe {
  const head: Head = { hertz, seconds, damping: 0.55, air: 0.04 }
  return {
    seconds: seconds * 2.2,
    peak,
    paint: (canvas, struck) => {
      const { force, tool, random } = struck
      const { rate, samples } = canvas
      const push = pushOf(TIP, force, tool, rate, random)
      const modes = uneven(modesOfHead(head, near(place, random)), struck)
      addBentModes(canvas, modes, push, { bend: 0.1 * force ** 1.5, bentFor: 0.02 })
      const motion = motionOf(samples, rate)
      if (hoop > 0) {
        const own = uneven(HOOP, struck, hoop)
        addModes(canvas, own, pushOf({ soft: 1.6, hard: 0.1 }, force, tool, rate, random))
      }
      // The wires lie on the lower head: they are heard while it moves, loudly as soon as it moves at all.
      addNoise(
        canvas,
        {
          low: 600 + 1200 * force,
          high: 1300 + (tool === 'brushes' ? 5000 : 10_200) * force ** 1.3,
          gain: wires * (3 - 2.15 * force),
          seconds: seconds * 2,
          shape: (_, i) => (motion[i] as number) ** 0.75 * HEARD_WIRES,
        },
        random,
      )
      addTick(canvas, struck, 3600, 0.6, 0.01)
    },
  }
}

/** How loud the wires are beside a head that swings by 1. */
const HEARD_WIRES = 1.6

/** How far a head swings about each sample: what is between its peaks does not close the wires. */
function motionOf(samples: Float32Array, rate: number): Float32Array {
  const fall = Math.exp(-1 / (0.022 * rate))
  const rise = 1 - Math.exp(-1 / (0.0015 * rate))
  let level = 0
  return samples.map((sample) => {
    const now = Math.abs(sample)
    level = now > level ? level + (now - level) * rise : level * fall
    return level
  })
}

const WOOD: readonly Mode[] = [
  { hertz: 840, seconds: 0.08, gain: 0.8 },
  { hertz: 1720, seconds: 0.07, gain: 1 },
  { hertz: 2530, seconds: 0.05, gain: 0.6 },
  { hertz: 3900, seconds: 0.03, gain: 0.45 },
]

/** A stick laid on the head and struck against the hoop: wood, short and dry. */
const CROSS_STICK: Recipe = {
  seconds: 0.2,
  peak: 0.75,
  paint: (canvas, struck) => {
    const { force, tool, random } = struck
    addModes(
      canvas,
      uneven(WOOD, struck),
      pushOf({ soft: 1.1, hard: 0.1 }, force, tool, canvas.rate, random),
    )
    addTick(canvas, struck, 4200, 0.35, 0.006)
  },
}

interface Cymbal {
  readonly plate: Plate
  readonly peak: number
  readonly seconds: number
  /** How much of the stick itself is heard. */
  readonly tick: number
  /** Modes of the bell, which stand out of the rest. */
  readonly bell?: readonly Mode[]
  /** Two cymbals that touch: how much they rattle, the longer the softer. */
  readonly rattle?: number
}

function cymbal({ plate, peak, seconds, tick, bell = [], rattle = 0 }: Cymbal): Recipe {
  return {
    seconds,
    peak,
    paint: (canvas, struck) => {
      const { force, tool, made, random } = struck
      const push = pushOf(METAL, force, tool, canvas.rate, random)
      // Wires give it no blow from which energy could climb.
      const blow = tool === 'brushes' ? 0.16 * force : force
      addPlate(canvas, plate, push, blow, { made, random })
      if (bell.length > 0) addModes(canvas, uneven(bell, struck), push)
      if (rattle > 0) {
        const fall = falling(seconds * 0.9)
        const loud = rattle * (0.3 + 0.7 * force)
        const band = { low: 4200, high: 9000 + 6000 * force, gain: loud, seconds, shape: fall }
        addNoise(canvas, band, random)
      }
      addTick(canvas, struck, 5200, tick, 0.014)
    },
  }
}

const CRASH: Plate = {
  low: 260,
  high: 15_000,
  modes: 260,
  crowded: 1,
  seconds: 2.6,
  damping: 0.35,
  dark: 0.4,
  climb: 2.4,
  climbsIn: 0.012,
}
const HAT: Plate = {
  low: 480,
  high: 16_000,
  modes: 130,
  crowded: 1,
  seconds: 0.14,
  damping: 0.3,
  dark: -0.12,
  climb: 1,
  climbsIn: 0.004,
}

const crash = (scale: number, seconds: number): Recipe =>
  cymbal({
    plate: { ...CRASH, low: CRASH.low * scale, seconds },
    peak: 0.8,
    seconds: seconds * 1.4,
    tick: 0.05,
  })

/** Two cymbals brought together by the foot: no stick, darker, and air between. */
const FOOT_HAT: Recipe = {
  seconds: 0.2,
  peak: 0.5,
  paint: (canvas, { force, made, random }) => {
    const push = pushOf({ soft: 4, hard: 0.3 }, force, 'sticks', canvas.rate, random)
    const plate = { ...HAT, low: 380, high: 12_000, seconds: 0.12, dark: 0.25 }
    addPlate(canvas, plate, push, force, { made, random })
    const fall = falling(0.05)
    addNoise(
      canvas,
      { low: 400, high: 600 + 4500 * force ** 1.5, gain: 0.2, seconds: 0.05, shape: fall },
      random,
    )
  },
}

const BELL: readonly Mode[] = [
  { hertz: 815, seconds: 1.9, gain: 0.5 },
  { hertz: 1262, seconds: 1.7, gain: 0.42 },
  { hertz: 2087, seconds: 1.4, gain: 0.4 },
  { hertz: 2938, seconds: 1.1, gain: 0.36 },
  { hertz: 4160, seconds: 0.8, gain: 0.32 },
  { hertz: 5535, seconds: 0.6, gain: 0.26 },
]
const RIDE: Plate = {
  low: 330,
  high: 14_000,
  modes: 300,
  crowded: 1.4,
  seconds: 1.9,
  damping: 0.28,
  dark: 0.3,
  climb: 0.7,
  climbsIn: 0.02,
}

/** The cowbell: two pitches that are no fifth apart, and a little of what is above them. */
const COWBELL_MODES: readonly Mode[] = [
  { hertz: 587, seconds: 0.42, gain: 0.8 },
  { hertz: 845, seconds: 0.38, gain: 1 },
  { hertz: 1690, seconds: 0.2, gain: 0.45 },
  { hertz: 2540, seconds: 0.14, gain: 0.4 },
  { hertz: 3860, seconds: 0.1, gain: 0.4 },
  { hertz: 5120, seconds: 0.08, gain: 0.3 },
]

const COWBELL: Recipe = {
  seconds: 0.5,
  peak: 0.6,
  paint: (canvas, struck) => {
    const { force, tool, random } = struck
    const push = pushOf({ soft: 1.6, hard: 0.14 }, force, tool, canvas.rate, random)
    addModes(canvas, uneven(COWBELL_MODES, struck), push)
    addTick(canvas, struck, 5000, 0.12, 0.008)
  },
}

/** The snare's wires, when a tom or a kick beside it shakes them. */
const WIRES: Recipe = {
  seconds: 0.35,
  peak: 0.8,
  paint: (canvas, { force, random }) => {
    const fall = falling(0.32)
    addNoise(
      canvas,
      {
        low: 1500,
        high: 3000 + 5000 * force,
        gain: 1,
        seconds: 0.35,
        shape: (at) => Math.min(1, at / 0.008) * fall(at),
      },
      random,
    )
  },
}

const SNARE: SnareShape = {
  hertz: 188,
  place: 0.3,
  wires: 0.75,
  hoop: 0,
  seconds: 0.24,
  peak: 0.85,
}

const RECIPES: Readonly<Record<Sounding, Recipe>> = {
  sn: snare(SNARE),
  rs: snare({ ...SNARE, place: 0.72, hoop: 0.9, seconds: 0.28, peak: 1 }),
  xs: CROSS_STICK,
  s2: snare({ ...SNARE, hertz: 262, wires: 0.6, seconds: 0.16, peak: 0.8 }),
  t1: tom(TOM_PITCH.t1),
  t2: tom(TOM_PITCH.t2),
  t3: tom(TOM_PITCH.t3),
  t4: tom(TOM_PITCH.t4),
  t5: tom(TOM_PITCH.t5),
  t6: tom(TOM_PITCH.t6),
  f1: tom(TOM_PITCH.f1),
  f2: tom(TOM_PITCH.f2),
  hh: cymbal({ plate: HAT, peak: 0.55, seconds: 0.16, tick: 0.16 }),
  x2: cymbal({ plate: { ...HAT, low: 560, seconds: 0.2 }, peak: 0.5, seconds: 0.2, tick: 0.16 }),
  ho: cymbal({
    plate: { ...HAT, low: 420, seconds: 1.3, damping: 0.3, dark: 0 },
    peak: 0.6,
    seconds: 1,
    tick: 0.1,
    rattle: 0.06,
  }),
  hf: FOOT_HAT,
  rd: cymbal({ plate: RIDE, peak: 0.6, seconds: 2, tick: 0.3 }),
  rb: cymbal({ plate: RIDE, peak: 0.6, seconds: 2, tick: 0.12, bell: BELL }),
  c1: crash(1, 1.5),
  c2: crash(0.82, 1.8),
  sp: cymbal({
    plate: { ...CRASH, low: 520, seconds: 0.8, dark: 0.25 },
    peak: 0.75,
    seconds: 0.8,
    tick: 0.05,
  }),
  ch: cymbal({
    plate: { ...CRASH, low: 240, high: 13_000, seconds: 1.4, climb: 3.4, dark: 0.5 },
    peak: 0.8,
    seconds: 1.3,
    tick: 0.05,
    rattle: 0.05,
  }),
  cb: COWBELL,
  wires: WIRES,
  bd: bass(54),
  b2: bass(60),
}
