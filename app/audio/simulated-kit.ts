import { toRandomStream } from '~/core/foundation'
import { Striking, USUAL_SOUND } from '~/core/sound'
import type { Voice } from '~/core/sticking'
import { SIMULATED_DELAY_MS } from '~/core/timing'
import { Hearing, type OnsetListener } from './hearing'
import { type KitMaker, type KitStore, kitFor } from './kit-store'

/** What is struck of a simulated kit. */
export interface KitStrike {
  /** When, in milliseconds on the page's clock. */
  readonly at: number
  readonly surface: Voice
  /** 1 to 127. */
  readonly velocity: number
}

/** The noise of a quiet room beside it, of full scale: no sound of the world is all noughts. */
const ROOM_NOISE = 0.001

/**
 * A kit that is not there, with a microphone before it: what is struck becomes sound, unheard by the player,
 * and its strokes are found by the very same detection as a real kit's.
 */
export class SimulatedKit {
  private closed = false
  private readonly striking = new Striking()

  private constructor(
    private readonly context: AudioContext,
    private readonly hearing: Hearing,
    private readonly room: AudioNode,
    private readonly kit: KitStore,
  ) {}

  /** Sets the kit up; rejects where the browser has no worklets. */
  static async open(ears: OnsetListener, maker: KitMaker): Promise<SimulatedKit> {
    const context = new AudioContext({ latencyHint: 'interactive' })
    try {
      const kit = kitFor(context.sampleRate, USUAL_SOUND.tool, maker)
      await kit.whole()
      const room = context.createGain()
      noiseOf(context).connect(room)
      return new SimulatedKit(context, await Hearing.begin(context, room, ears), room, kit)
    } catch (fault) {
      void context.close()
      throw fault
    }
  }

  /** Strikes the kit; what is struck too long ago is not heard any more. */
  strike({ at, surface, velocity }: KitStrike): void {
    const { context } = this
    const when = this.hearing.toDevice(at + SIMULATED_DELAY_MS)
    if (this.closed || when < context.currentTime) return
    const { started } = this.striking.strike({ surface, velocity, limb: 'RH' }, when, {})
    for (const { sample, gain: volume } of started) {
      const [source, gain] = [context.createBufferSource(), context.createGain()]
      source.buffer = this.kit.stroke(sample) ?? null
      gain.gain.value = volume
      source.connect(gain).connect(this.room)
      source.onended = () => gain.disconnect()
      source.start(when)
    }
  }

  /** How late its sound is: known, and not measured. */
  async measureDelay(): Promise<number> {
    return SIMULATED_DELAY_MS
  }

  /** Takes the kit away. */
  close(): void {
    if (this.closed) return
    this.closed = true
    this.hearing.end()
  }
}

/** The noise of a room, two seconds long, round and round. */
function noiseOf(context: AudioContext): AudioBufferSourceNode {
  const random = toRandomStream(1)
  const buffer = context.createBuffer(1, 2 * context.sampleRate, context.sampleRate)
  const noise = Float32Array.from({ length: buffer.length }, () => ROOM_NOISE * (2 * random() - 1))
  buffer.copyToChannel(noise, 0)
  const source = context.createBufferSource()
  source.buffer = buffer
  source.loop = true
  source.start()
  return source
}
