/** Rows of a table that have changed, by their ids. */
export interface Changed {
  readonly table: string
  readonly ids: readonly string[]
}

type Listener = (changed: Changed) => void

const CHANNEL = 'dime-stack-store'
const listeners = new Set<Listener>()
let channel: BroadcastChannel | undefined

/** The channel to the other tabs and workers, opened when it is first needed; none where there is none. */
function toOthers(): BroadcastChannel | undefined {
  if (channel || typeof BroadcastChannel === 'undefined') return channel
  channel = new BroadcastChannel(CHANNEL)
  channel.onmessage = ({ data }: MessageEvent<Changed>) => tellHere(data)
  // Tests run where an open channel would keep the process alive.
  ;(channel as { unref?: () => void }).unref?.()
  return channel
}

/** Calls back after every change of the store, by this page or by another tab. Returns the way to stop. */
export function onStoreChange(listener: Listener): () => void {
  toOthers()
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Tells everyone who listens, in every tab, what has been written. */
export function announce(changes: readonly Changed[]): void {
  for (const changed of changes) {
    tellHere(changed)
    toOthers()?.postMessage(changed)
  }
}

function tellHere(changed: Changed): void {
  for (const listener of [...listeners]) listener(changed)
}
