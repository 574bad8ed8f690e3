import type { Sample, Tool } from '~/core/sound'
import { WorkerClient, type WorkerPort } from './client'
import type { Jobs, MadeStroke, Progress, TickerRequest } from './protocol'

const kitWorker = new WorkerClient(
  () => new Worker(new URL('./kit.worker.ts', import.meta.url), { type: 'module' }) as WorkerPort,
)

/** Makes the kit's samples in a worker, which is there as long as there is something to make. */
export const kitMaker = {
  make: async (
    samples: readonly Sample[],
    tool: Tool,
    rate: number,
    onMade: (stroke: MadeStroke) => void,
  ) => {
    await kitWorker.ask('make-strokes', { samples, tool, rate }, { onTold: onMade })
  },
  /** Starts the worker, so that it need not be waited for later. */
  wake: () => kitWorker.ask('make-strokes', { samples: [], tool: 'sticks', rate: 48_000 }),
  rest: () => kitWorker.close(),
}

/** Licks round after round as a sound file; `signal` gives it up. */
export async function renderLoopFile(
  input: Jobs['render-loop']['in'],
  { signal, onTold }: { signal: AbortSignal; onTold: (told: Progress) => void },
) {
  const client = new WorkerClient(
    () =>
      new Worker(new URL('./loop.worker.ts', import.meta.url), { type: 'module' }) as WorkerPort,
  )
  // It is one step: given up, the worker is ended.
  signal.addEventListener('abort', () => client.close())
  try {
    return await client.ask('render-loop', input, { onTold })
  } finally {
    client.close()
  }
}

/** How late chirps come back in a recording, in seconds; null where they are not heard. */
export async function findDelay(input: Jobs['measure-delay']['in']): Promise<number | null> {
  const client = new WorkerClient(
    () =>
      new Worker(new URL('./delay.worker.ts', import.meta.url), { type: 'module' }) as WorkerPort,
  )
  try {
    return (await client.ask('measure-delay', input)).seconds
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

/** A worker that finds fills. One question at a time: what is not wanted any more is ended with it. */
export function startFinder(): WorkerClient {
  return new WorkerClient(
    () =>
      new Worker(new URL('./finder.worker.ts', import.meta.url), { type: 'module' }) as WorkerPort,
  )
}
