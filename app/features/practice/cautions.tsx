import { useState } from 'react'

const SEEN = 'cautions-seen'

function seenBefore(): boolean {
  try {
    return sessionStorage.getItem(SEEN) !== null
  } catch {
    return false
  }
}

/** The usual cautions, once a session: they go at a touch, and stay away until the next one. */
export function Cautions() {
  const [seen, setSeen] = useState(seenBefore)
  if (seen) return null
  return (
    <p className="flex items-baseline gap-3 rounded-box bg-base-300 px-3 py-2 text-sm">
      <span>
        Ear protection on? Warmed up, shoulders loose? Slow down when you get tense and stop when it
        hurts. If pain stays, see a teacher or a doctor.
      </span>
      <button
        type="button"
        className="btn btn-ghost btn-xs shrink-0"
        onClick={() => {
          setSeen(true)
          try {
            sessionStorage.setItem(SEEN, 'yes')
          } catch {
            // Without storage they are gone for this page only.
          }
        }}
      >
        Got it
      </button>
    </p>
  )
}
