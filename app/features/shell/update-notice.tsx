import { useEffect, useState } from 'react'
import { UpdateWatch, type WaitingWorker } from './update-watch'

/** Keeps the app on this device, and tells when a new version of it is ready to be taken. */
export function UpdateNotice() {
  const [waiting, setWaiting] = useState<WaitingWorker | null>(null)
  useEffect(() => {
    const container = (navigator as { serviceWorker?: ServiceWorkerContainer }).serviceWorker
    if (!import.meta.env.PROD || !container) return
    const watch = new UpdateWatch(container, setWaiting, () => location.reload())
    void watch.start()
    return () => watch.stop()
  }, [])
  if (!waiting) return null
  return (
    <div role="status" className="border-base-300 border-b bg-base-100 px-4 py-2 text-sm sm:px-5">
      <div className="mx-auto flex w-full max-w-7xl flex-wrap items-center gap-3">
        <span>A new version of Dime Stack is ready.</span>
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm"
          onClick={() => waiting.postMessage('take over')}
        >
          Use it now
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => setWaiting(null)}>
          Later
        </button>
      </div>
    </div>
  )
}
