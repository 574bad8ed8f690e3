import { expect, it } from 'vitest'
import { type Container, UpdateWatch, type WaitingWorker } from './update-watch'

class Worker extends EventTarget {
  state = 'installing'
  readonly heard: string[] = []
  postMessage(message: string) {
    this.heard.push(message)
  }
  become(state: string) {
    this.state = state
    this.dispatchEvent(new Event('statechange'))
  }
}

function browser(controller: unknown, waiting: Worker | null = null) {
  const registration = Object.assign(new EventTarget(), {
    waiting: waiting as WaitingWorker | null,
    installing: null as Worker | null,
    update: async () => {},
  })
  const container = Object.assign(new EventTarget(), {
    controller,
    register: async () => registration,
  }) as Container
  const find = (worker: Worker) => {
    registration.installing = worker
    registration.dispatchEvent(new Event('updatefound'))
  }
  return { container, find }
}

async function watch({ container }: { container: Container }) {
  const told: (WaitingWorker | null)[] = []
  let reloads = 0
  const made = new UpdateWatch(
    container,
    (worker) => told.push(worker),
    () => {
      reloads += 1
    },
  )
  await made.start()
  return { told, reloads: () => reloads, stop: () => made.stop() }
}

it('tells of a new version once it has been fetched whole, and reloads when it has taken over', async () => {
  const page = browser({})
  const { told, reloads, stop } = await watch(page)
  const next = new Worker()
  page.find(next)
  expect(told).toEqual([])
  next.become('installed')
  expect(told).toEqual([next])
  expect(reloads()).toBe(0)
  page.container.dispatchEvent(new Event('controllerchange'))
  expect(reloads()).toBe(1)
  stop()
})

it('says nothing of the first version, which replaces none', async () => {
  const page = browser(null)
  const { told, reloads, stop } = await watch(page)
  const first = new Worker()
  page.find(first)
  first.become('installed')
  page.container.dispatchEvent(new Event('controllerchange'))
  expect([told, reloads()]).toEqual([[], 0])
  stop()
})

it('tells of one that waited already, and no more of one that came to nothing', async () => {
  const waiting = new Worker()
  const page = browser({}, waiting)
  const { told, stop } = await watch(page)
  expect(told).toEqual([waiting])
  const broken = new Worker()
  page.find(broken)
  broken.become('redundant')
  expect(told).toEqual([waiting, null])
  stop()
})
