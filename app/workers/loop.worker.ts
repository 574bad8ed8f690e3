import { formatWav } from '~/codecs/wav'
import { renderLoops, renderSequence, renderSound, type SoundName } from '~/core/sound'
import { type ServePort, serve } from './serve'

/** Samples a second: what most players take, and the only rate that the compressed format knows. */
const RATES = { wav: 44_100, opus: 48_000 } as const

/** Renders licks as a sound file off the main thread; each sound of the kit is made once. */
serve(self as unknown as ServePort, {
  'render-loop': async ({ stretches, sequence, options, format }, { tell }) => {
    const rate = RATES[format]
    const sounds = new Map<SoundName, Float32Array>()
    const sound = (name: SoundName) => {
      const known = sounds.get(name) ?? renderSound(name, rate)
      sounds.set(name, known)
      return known
    }
    const onProgress = (done: number, all: number) => tell({ done, all })
    const samples = sequence
      ? renderSequence(sequence, options, rate, sound, onProgress)
      : renderLoops(stretches, options, rate, sound, onProgress)
    if (format === 'wav') return { bytes: formatWav(samples, rate) }
    const { formatOpus } = await import('~/codecs/opus')
    return { bytes: await formatOpus(samples, rate) }
  },
})
