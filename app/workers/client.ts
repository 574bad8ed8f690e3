import type { Cancel, JobName, Jobs, Reply, Request } from './protocol'

/** What a client needs of a worker: a `Worker`, or a stand-in. */
export interface WorkerPort {
  postMessage(message: Request | Cancel): void
  terminate(): void
  onmessage: ((event: MessageEvent<Reply>) => void) | null
  onerror: ((event: ErrorEvent) => void) | null
}

/** A piece of work that was given up. */
export class Cancelled extends Error {
  constructor() {
    super('The work was cancelled.')
  }
}

interface Waiting {
  readonly told: (told: never) => void
  readonly done: (output: never) => void
  readonly failed: (error: Error) => void
}

/**
 * Asks a worker for pieces of work: each request has its own answers, however many are under way. A
 * worker that breaks fails all of them. States of a request: waiting, then done, failed or cancelled.
 */
export class WorkerClient {
  private readonly waiting = new Map<number, Waiting>()
  private worker: WorkerPort | undefined
  private lastId = 0

  constructor(private readonly start: () => WorkerPort) {}

  /**
   * Asks for a piece of work. Rejects with what the worker says went wrong. `signal` asks the worker to
   * stop between two steps: it answers with what was done so far, or the request rejects as cancelled.
   */
  ask<Name extends JobName>(
    job: Name,
    input: Jobs[Name]['in'],
    {
      onTold = () => {},
      signal,
    }: { onTold?: (told: Jobs[Name]['on']) => void; signal?: AbortSignal } = {},
  ): Promise<Jobs[Name]['out']> {
    if (signal?.aborted) return Promise.reject(new Cancelled())
    this.lastId += 1
    const id = this.lastId
    return new Promise<Jobs[Name]['out']>((resolve, reject) => {
      const cancel = () => this.port().postMessage({ id, job: 'cancel' })
      const end = () => {
        this.waiting.delete(id)
        signal?.removeEventListener('abort', cancel)
      }
      this.waiting.set(id, {
        told: onTold as Waiting['told'],
        done: (output) => {
          end()
          resolve(output)
        },
        failed: (error) => {
          end()
          reject(error)
        },
      })
      signal?.addEventListener('abort', cancel)
      this.port().postMessage({ id, job, input } as Request)
    })
  }

  /** Ends the worker; what was asked of it is cancelled. */
  close(): void {
    this.worker?.terminate()
    this.worker = undefined
    for (const { failed } of [...this.waiting.values()]) failed(new Cancelled())
  }

  private port(): WorkerPort {
    if (this.worker) return this.worker
    const worker = this.start()
    worker.onmessage = ({ data }) => this.answered(data)
    worker.onerror = (event) => {
      const error = new Error(event.message || 'A part of the app could not be loaded.')
      this.worker = undefined
      worker.terminate()
      for (const { failed } of [...this.waiting.values()]) failed(error)
    }
    this.worker = worker
    return worker
  }

  private answered(reply: Reply): void {
    const waiting = this.waiting.get(reply.id)
    if (!waiting) return
    if (reply.kind === 'progress') waiting.told(reply.told as never)
    else if (reply.kind === 'done') waiting.done(reply.output as never)
    else waiting.failed(reply.message === 'cancelled' ? new Cancelled() : new Error(reply.message))
  }
}
