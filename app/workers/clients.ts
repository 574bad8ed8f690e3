import type { SoundName } from '~/core/sound'
import { WorkerClient, type WorkerPort } from './client'
import type { TickerRequest } from './protocol'

/** Renders every sound of the kit in a worker, at the rate of the device. */
export async function renderKit(rate: number): Promise<Map<SoundName, Float32Array>> {
  const client = new WorkerClient(
    () => new Worker(new URL('./kit.worker.ts', import.meta.url), { type: 'module' }) as WorkerPort,
  )
  const sounds = new Map<SoundName, Float32Array>()
  try {
    await client.ask(
      'render-kit',
      { rate },
      {
        onTold: ({ name, samples }) => sounds.set(name, samples),
      },
    )
    return sounds
  } finally {
    client.close()
  }
}

/** The worker that reads and writes files. */
export const filesWorker = new WorkerClient(
  () => new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' }) as WorkerPort,
)

/** A pulse from a worker: call `stop` to end it for good. */
export function startTicker(everyMs: number, onTick: () => void): { stop: () => void } {
  const worker = new Worker(new URL('./ticker.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = onTick
  worker.postMessage({ kind: 'start', everyMs } satisfies TickerRequest)
  return { stop: () => worker.terminate() }
}
