import type { Lick } from '~/core/line'
import type { LoopOptions, SoundName } from '~/core/sound'
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

/** A lick round after round as a sound file, at the rate of most players; `signal` gives it up. */
export async function renderLoopFile(lick: Lick, options: LoopOptions, signal: AbortSignal) {
  const client = new WorkerClient(
    () =>
      new Worker(new URL('./loop.worker.ts', import.meta.url), { type: 'module' }) as WorkerPort,
  )
  // It is one step: given up, the worker is ended.
  signal.addEventListener('abort', () => client.close())
  try {
    return await client.ask('render-loop', { lick, options, rate: FILE_RATE })
  } finally {
    client.close()
  }
}

const FILE_RATE = 44_100

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
