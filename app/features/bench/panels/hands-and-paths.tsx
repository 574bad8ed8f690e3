import { HandsPanel } from './hands-panel'
import { PathsPanel } from './paths-panel'

/** Which hand plays what, and the ways that the hands go. */
export default function HandsAndPaths() {
  return (
    <div className="flex min-w-0 flex-col gap-6">
      <HandsPanel />
      <PathsPanel />
    </div>
  )
}
