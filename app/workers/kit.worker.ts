import { renderStroke, type Sample, sampleKey, samplesOf, type Tool } from '~/core/sound'
import { keepStrokes, readKept } from './kept-strokes'
import { type ServePort, serve } from './serve'

/** Surfaces that are being made: what is there of them so far. Those that were kept before are not here. */
const making = new Map<string, Map<string, Float32Array>>()

/** Renders the kit off the main thread, a few strokes at a time, so that what is wanted first is there first. */
serve(self as unknown as ServePort, {
  'make-strokes': async ({ samples, tool, rate }, { tell }) => {
    // Woken before it is needed: what has run once runs faster.
    if (samples.length === 0)
      for (const surface of ['hh', 'sn', 'bd'] as const)
        renderStroke({ surface, velocity: 80, take: 0, tool }, rate)
    const done = new Set<string>()
    for (const sample of samples) {
      const { surface } = sample
      const key = `${surface} ${tool} ${rate}`
      if (done.has(key)) continue
      if (!making.has(key)) {
        const kept = await readKept(surface, tool, rate)
        for (const [i, one] of samplesOf(surface).entries()) {
          const made = kept?.[i]
          if (made) tell({ sample: one, made }, [made.buffer])
        }
        if (kept) {
          done.add(key)
          continue
        }
        making.set(key, new Map())
      }
      const made = renderStroke({ ...sample, tool }, rate)
      // Where the page rests its worker, what was made is kept.
      await note(sample, made.slice(), tool, rate)
      tell({ sample, made }, [made.buffer])
    }
    return null
  },
})

/** Notes what was made, and keeps a surface when all of it is there. */
async function note(sample: Sample, samples: Float32Array, tool: Tool, rate: number) {
  const { surface } = sample
  const made = making.get(`${surface} ${tool} ${rate}`)
  made?.set(sampleKey(sample), samples)
  const all = samplesOf(surface).flatMap((one) => made?.get(sampleKey(one)) ?? [])
  if (all.length < samplesOf(surface).length) return
  made?.clear()
  await keepStrokes(surface, tool, rate, all)
}
