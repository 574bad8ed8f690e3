import { nanoid } from 'nanoid'
import { Journal, type TextStore, type Writer } from './journal'

const TAB_KEY = 'dime-stack.tab'
const LOCK = 'dime-stack.page.'

/** A place of the browser's, or none where it may not be used. */
function place(which: 'localStorage' | 'sessionStorage'): TextStore | null {
  try {
    return globalThis[which] ?? null
  } catch {
    return null
  }
}

/** This page, and the tab that it is in: a reload is another page in the same tab. */
function thisWriter(): Writer {
  const session = place('sessionStorage')
  const page = nanoid(8)
  const known = session?.getItem(TAB_KEY)
  const tab = known ?? nanoid(8)
  try {
    session?.setItem(TAB_KEY, tab)
  } catch {
    // Without it a reload is found by its lock.
  }
  return { page, tab }
}

/** The journal of this page. */
export const journal = new Journal(place('localStorage'), thisWriter())

/** Says to other pages that this one lives, for as long as it does. */
export function holdPageLock(): void {
  void locks()
    ?.request(LOCK + journal.writer.page, () => new Promise<void>(() => {}))
    .catch(() => {})
}

/** How long to wait for a page that is just being left. */
const LEAVING_MS = 400
/** Without locks, a page that wrote nothing for so long is taken to be gone. */
const GONE_MS = 10_000

/** Whether the page that wrote something is gone, so that what it left can be taken over. */
export async function isGone({ page, tab, at }: Writer & { at: number }): Promise<boolean> {
  const known = locks()
  if (!known) return tab === journal.writer.tab || Math.abs(Date.now() - at) > GONE_MS
  try {
    return await known.request(
      LOCK + page,
      { mode: 'shared', signal: AbortSignal.timeout(LEAVING_MS) },
      () => true,
    )
  } catch {
    return false
  }
}

function locks(): LockManager | undefined {
  return typeof navigator === 'undefined' ? undefined : navigator.locks
}
