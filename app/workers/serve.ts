import type { Cancel, JobName, Jobs, Reply, Request } from './protocol'

/** What a piece of work may do while it runs. */
export interface Run<Name extends JobName> {
  readonly tell: (told: Jobs[Name]['on'], transfer?: Transferable[]) => void
  readonly cancelled: () => boolean
}

/** A worker's pieces of work by their names. */
export type Handlers = {
  readonly [N in JobName]?: (input: Jobs[N]['in'], run: Run<N>) => Promise<Jobs[N]['out']>
}

/** Where a worker hears requests and answers them. */
export interface ServePort {
  postMessage(message: Reply, transfer?: Transferable[]): void
  onmessage: ((event: MessageEvent<Request | Cancel>) => void) | null
}

/** Serves requests: each is answered with done or failed, whatever happens in it. */
export function serve(port: ServePort, handlers: Handlers): void {
  const cancelled = new Set<number>()
  port.onmessage = ({ data }) => {
    if (data.job === 'cancel') {
      cancelled.add(data.id)
      return
    }
    const { id, job, input } = data
    const handler = handlers[job] as
      | ((input: unknown, run: Run<never>) => Promise<never>)
      | undefined
    const run: Run<never> = {
      tell: (told, transfer) => port.postMessage({ id, kind: 'progress', told }, transfer ?? []),
      cancelled: () => cancelled.has(id),
    }
    const work = handler ? handler(input, run) : Promise.reject(new Error(`no such job: ${job}`))
    work.then(
      (output) => port.postMessage({ id, kind: 'done', output } as Reply),
      (error: unknown) =>
        port.postMessage({
          id,
          kind: 'failed',
          message: error instanceof Error ? error.message : String(error),
        }),
    )
  }
}
