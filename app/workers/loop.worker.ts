import { formatWav } from '~/codecs/wav'
import {
  renderClick,
  renderLoops,
  renderSequence,
  renderStroke,
  type Samples,
  sampleKey,
  USUAL_SOUND,
} from '~/core/sound'
import { type ServePort, serve } from './serve'

/** Samples a second: what most players take, and the only rate that the compressed format knows. */
const RATES = { wav: 44_100, opus: 48_000 } as const

/** Renders licks as a sound file off the main thread; each stroke of the kit is made once. */
serve(self as unknown as ServePort, {
  'render-loop': async ({ stretches, sequence, options, format }, { tell }) => {
    const rate = RATES[format]
    const { tool, click, barClick } = options.choice ?? USUAL_SOUND
    const once = madeOnce()
    const samples: Samples = {
      stroke: (sample) => once(sampleKey(sample), () => renderStroke({ ...sample, tool }, rate)),
      click: (weight) =>
        once(weight, () => renderClick(weight === 'bar' ? barClick : click, weight, rate)),
    }
    const onProgress = (done: number, all: number) => tell({ done, all })
    const heard = sequence
      ? renderSequence(sequence, options, rate, samples, onProgress)
      : renderLoops(stretches, options, rate, samples, onProgress)
    if (format === 'wav') return { bytes: formatWav([heard.left, heard.right], rate) }
    const { formatOpus } = await import('~/codecs/opus')
    return { bytes: await formatOpus([heard.left, heard.right], rate) }
  },
})

function madeOnce() {
  const made = new Map<string, Float32Array>()
  return (key: string, make: () => Float32Array) => {
    const known = made.get(key) ?? make()
    made.set(key, known)
    return known
  }
}
