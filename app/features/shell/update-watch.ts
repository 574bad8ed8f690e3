/** A version that has been fetched and waits to be taken. */
export interface WaitingWorker {
  postMessage(message: string): void
}

interface Installing extends WaitingWorker, EventTarget {
  readonly state: string
}
interface Registration extends EventTarget {
  readonly waiting: WaitingWorker | null
  readonly installing: Installing | null
  update(): Promise<unknown>
}
/** What is asked of the browser: to keep the app, and to say when another version has taken over. */
export interface Container extends EventTarget {
  readonly controller: unknown
  register(url: string): Promise<Registration>
}

/** While a page stays open, it asks for a new version this often. */
const ASK_MS = 60 * 60_000

/**
 * Watches for a new version of the app. States: kept (nothing waits), waiting (a version has been fetched
 * whole), taken (it has taken over, by this page's word or another's: the page is loaded anew). The first
 * version ever takes over without a word: nothing was there before.
 */
export class UpdateWatch {
  private readonly hadOne: boolean
  private timer: ReturnType<typeof setInterval> | undefined
  private readonly taken = () => {
    if (this.hadOne) this.reload()
  }

  constructor(
    private readonly container: Container,
    private readonly onWaiting: (worker: WaitingWorker | null) => void,
    private readonly reload: () => void,
  ) {
    this.hadOne = container.controller !== null
  }

  async start(): Promise<void> {
    this.container.addEventListener('controllerchange', this.taken)
    let registration: Registration
    try {
      registration = await this.container.register('/sw.js')
    } catch {
      // Without it the app works as long as its server does.
      return
    }
    if (registration.waiting && this.hadOne) this.onWaiting(registration.waiting)
    registration.addEventListener('updatefound', () => {
      const worker = registration.installing
      worker?.addEventListener('statechange', () => {
        if (worker.state === 'installed' && this.hadOne) this.onWaiting(worker)
        if (worker.state === 'redundant') this.onWaiting(null)
      })
    })
    this.timer = setInterval(() => void registration.update().catch(() => {}), ASK_MS)
  }

  stop(): void {
    clearInterval(this.timer)
    this.container.removeEventListener('controllerchange', this.taken)
  }
}
