import type { SoundName } from '~/core/sound'
import type { RenderKitReply, RenderKitRequest, TickerRequest } from './protocol'

/** Renders every sound of the kit in a worker, at the rate of the device. */
export function renderKit(rate: number): Promise<Map<SoundName, Float32Array>> {
  const worker = new Worker(new URL('./kit.worker.ts', import.meta.url), { type: 'module' })
  return new Promise((resolve, reject) => {
    const sounds = new Map<SoundName, Float32Array>()
    worker.onmessage = ({ data }: MessageEvent<RenderKitReply>) => {
      if (data.kind === 'sound') sounds.set(data.name, data.samples)
      else {
        worker.terminate()
        resolve(sounds)
      }
    }
    worker.onerror = (event) => {
      worker.terminate()
      reject(new Error(event.message))
    }
    worker.postMessage({ kind: 'render-kit', id: 1, rate } satisfies RenderKitRequest)
  })
}

/** A pulse from a worker: call `stop` to end it for good. */
export function startTicker(everyMs: number, onTick: () => void): { stop: () => void } {
  const worker = new Worker(new URL('./ticker.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = onTick
  worker.postMessage({ kind: 'start', everyMs } satisfies TickerRequest)
  return { stop: () => worker.terminate() }
}
