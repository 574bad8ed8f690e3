import {
  renderStroke,
  type Sample,
  type Sounding,
  sampleKey,
  samplesOf,
  type Tool,
} from '~/core/sound'
import { keepStrokes, readKept } from './kept-strokes'
import { type ServePort, serve } from './serve'

/** Surfaces that are being made: what is there of them so far. */
const making = new Map<string, Map<string, Float32Array>>()

/** Renders the kit off the main thread, a stroke at a time, so that what is wanted first is there first. */
serve(self as unknown as ServePort, {
  'render-stroke': async ({ sample, tool, rate }) => {
    const samples = renderStroke({ ...sample, tool }, rate)
    void note(sample, samples, tool, rate)
    return samples
  },
  'kept-strokes': ({ surface, tool, rate }) => readKept(surface, tool, rate),
})

/** Notes what was made, and keeps a surface when all of it is there. */
async function note(sample: Sample, samples: Float32Array, tool: Tool, rate: number) {
  const surface: Sounding = sample.surface
  const key = `${surface} ${tool} ${rate}`
  const made = making.get(key) ?? new Map<string, Float32Array>()
  making.set(key, made)
  made.set(sampleKey(sample), samples)
  const all = samplesOf(surface).flatMap((one) => made.get(sampleKey(one)) ?? [])
  if (all.length < samplesOf(surface).length) return
  making.delete(key)
  await keepStrokes(surface, tool, rate, all)
}
