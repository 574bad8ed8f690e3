import {
  inRoom,
  limited,
  ROOM_SECONDS,
  responseOf,
  ringingAlong,
  type SoundChoice,
  type Stereo,
} from '~/core/sound'

type Neighbours = Parameters<typeof ringingAlong>[1]

/** Where all that sounds comes together: the kit with its room, the click without, and how loud all of it is. */
export interface Desk {
  /** The kit goes in here: it is heard itself, in its room, and by what rings along. */
  readonly kit: AudioNode
  /** What is heard as it is goes in here. */
  readonly master: AudioNode
  readonly setLevels: (choice: Pick<SoundChoice, 'master' | 'room'>) => void
  readonly setNeighbours: (neighbours: Neighbours) => void
  /** The largest sample of the last moment, 0 to 1. */
  readonly level: () => number
}

/** The limiter is told by a curve, which takes what is up to so many times too loud. */
const LOUDEST = 8
const CURVE = 16_385
/** How long drums ring along, in seconds. */
const RING_SECONDS = 0.9

/** A desk on an audio device. What leaves it went through the core's own limiter: nothing is cut off. */
export function openDesk(context: BaseAudioContext): Desk {
  const [kit, master] = [context.createGain(), context.createGain()]
  const [room, ring] = [context.createConvolver(), context.createConvolver()]
  const roomLevel = context.createGain()
  for (const convolver of [room, ring]) {
    // What a room answers to is heard from both sides, wherever it was struck.
    convolver.channelCount = 1
    convolver.channelCountMode = 'explicit'
    convolver.normalize = false
    kit.connect(convolver)
  }
  // The first stroke does not wait for its room.
  setTimeout(() => {
    room.buffer = bufferOf(context, responseOf(inRoom, ROOM_SECONDS * 1.3, context.sampleRate))
  })
  kit.connect(master)
  room.connect(roomLevel).connect(master)
  ring.connect(master)
  const analyser = context.createAnalyser()
  analyser.fftSize = 2048
  const heard = new Float32Array(analyser.fftSize)
  limiterAfter(context, master).connect(analyser)
  analyser.connect(context.destination)
  let ringing: ReturnType<typeof setTimeout> | undefined
  const glide = (param: AudioParam, value: number) =>
    param.setTargetAtTime(value, context.currentTime, 0.02)
  return {
    kit,
    master,
    setLevels: (choice) => {
      glide(master.gain, choice.master)
      glide(roomLevel.gain, choice.room)
    },
    setNeighbours: (neighbours) => {
      clearTimeout(ringing)
      ringing = setTimeout(() => {
        const rings = (dry: Float32Array, rate: number) => ringingAlong(dry, neighbours, rate)
        ring.buffer = bufferOf(context, responseOf(rings, RING_SECONDS, context.sampleRate))
      })
    },
    level: () => {
      analyser.getFloatTimeDomainData(heard)
      return heard.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
    },
  }
}

/** The core's limiter after a node: a curve from -1 to 1, to which what is louder is scaled first. */
function limiterAfter(context: BaseAudioContext, node: AudioNode): AudioNode {
  const scaled = context.createGain()
  scaled.gain.value = 1 / LOUDEST
  const limiter = context.createWaveShaper()
  limiter.curve = Float32Array.from({ length: CURVE }, (_, i) =>
    limited(((2 * i) / (CURVE - 1) - 1) * LOUDEST),
  )
  node.connect(scaled).connect(limiter)
  return limiter
}

function bufferOf(context: BaseAudioContext, { left, right }: Stereo): AudioBuffer {
  const buffer = context.createBuffer(2, left.length, context.sampleRate)
  buffer.copyToChannel(left, 0)
  buffer.copyToChannel(right, 1)
  return buffer
}
