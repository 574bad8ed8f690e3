import { describe, expect, it } from 'vitest'
import { Cancelled, WorkerClient, type WorkerPort } from './client'
import type { Cancel, Progress, Reply, Request } from './protocol'
import { type Handlers, type ServePort, serve } from './serve'

/** A worker in this very thread: messages come a turn later, as from another one. */
function worker(handlers: Handlers) {
  const made: (WorkerPort & { ended: boolean })[] = []
  const start = () => {
    const inside: ServePort = {
      postMessage: (data) => later(() => outside.onmessage?.({ data } as MessageEvent<Reply>)),
      onmessage: null,
    }
    const outside: WorkerPort & { ended: boolean } = {
      ended: false,
      postMessage: (data) =>
        later(() => inside.onmessage?.({ data } as MessageEvent<Request | Cancel>)),
      terminate: () => {
        outside.ended = true
      },
      onmessage: null,
      onerror: null,
    }
    serve(inside, handlers)
    made.push(outside)
    return outside
  }
  return { client: new WorkerClient(start), made }
}
const later = (work: () => void) => void setTimeout(work)
const turn = () => new Promise((resolve) => setTimeout(resolve))

const zip = new Uint8Array([1])
const ask = { lickIds: null, at: 1 }

describe('a worker that is asked', () => {
  it('answers each request by itself, with what it tells on the way', async () => {
    const waiting: (() => void)[] = []
    const { client, made } = worker({
      export: async ({ at }, { tell }) => {
        tell({ done: at, all: 9 })
        await new Promise<void>((resolve) => waiting.push(resolve))
        return { zip: new Uint8Array([at]) }
      },
    })
    const told: Progress[] = []
    const onTold = (progress: Progress) => void told.push(progress)
    const [one, two] = [
      client.ask('export', { ...ask, at: 1 }, { onTold }),
      client.ask('export', { ...ask, at: 2 }, { onTold }),
    ]
    while (waiting.length < 2) await turn()
    waiting[1]?.()
    expect((await two).zip).toEqual(new Uint8Array([2]))
    waiting[0]?.()
    expect((await one).zip).toEqual(new Uint8Array([1]))
    expect(told.map(({ done }) => done)).toEqual([1, 2])
    expect(made).toHaveLength(1)
  })

  it('says what went wrong, and answers the next request', async () => {
    let times = 0
    const { client } = worker({
      export: async () => {
        times += 1
        if (times === 1) throw new Error('no room')
        return { zip }
      },
    })
    await expect(client.ask('export', ask)).rejects.toThrow('no room')
    await expect(client.ask('import', { different: 'skip', single: [], at: 1 })).rejects.toThrow(
      'no such job',
    )
    await expect(client.ask('export', ask)).resolves.toEqual({ zip })
  })

  it('stops between two steps when it is cancelled', async () => {
    const { client } = worker({
      export: async (_input, { tell, cancelled }) => {
        for (let step = 1; ; step += 1) {
          if (cancelled()) throw new Error('cancelled')
          tell({ done: step, all: 0 })
          await turn()
        }
      },
    })
    const control = new AbortController()
    const asked = client.ask('export', ask, {
      signal: control.signal,
      onTold: ({ done }) => {
        if (done === 3) control.abort()
      },
    })
    await expect(asked).rejects.toThrow(Cancelled)
    await expect(client.ask('export', ask, { signal: control.signal })).rejects.toThrow(Cancelled)
  })

  it('fails everything when it breaks, and is started anew', async () => {
    const { client, made } = worker({ export: () => new Promise(() => {}) })
    const asked = client.ask('export', ask)
    await turn()
    made[0]?.onerror?.({ message: 'not found' } as ErrorEvent)
    await expect(asked).rejects.toThrow('not found')
    const again = client.ask('export', ask)
    await turn()
    expect(made.map(({ ended }) => ended)).toEqual([true, false])
    client.close()
    await expect(again).rejects.toThrow(Cancelled)
  })
})
