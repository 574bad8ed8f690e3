import { useEffect, useState } from 'react'
import { listenToPads, STAND_IN_PADS, strikeStandIn } from '~/devices/pads'
import type { Settings } from '~/storage'

export const PAD_ACTIONS = ['play', 'clean', 'rough', 'lost'] as const
export type PadAction = (typeof PAD_ACTIONS)[number]

const ACTION_WORDS: Readonly<Record<PadAction, string>> = {
  play: 'start and stop',
  clean: 'clean, next tempo up',
  rough: 'rough, stay here',
  lost: 'lost, back down',
}

/** Which pad runs what. The pads on screen stand in for those of a MIDI device. */
export function PadsPanel({
  pads,
  onPads,
  onWatch,
}: {
  pads: Settings['pads']
  onPads: (pads: Settings['pads']) => void
  /** Told whether the pads are looked at, and whether one is waited for: it should do nothing else. */
  onWatch: (pads: { readonly open: boolean; readonly learning: boolean }) => void
}) {
  const [open, setOpen] = useState(false)
  const [learning, setLearning] = useState<PadAction | null>(null)
  useEffect(() => onWatch({ open, learning: learning !== null }), [open, learning, onWatch])
  // Closed with its panel, it waits for no pad any more.
  useEffect(() => () => onWatch({ open: false, learning: false }), [onWatch])
  useEffect(() => {
    if (!learning) return
    return listenToPads(({ note }) => {
      // A pad does one thing: what it did before, it does no more.
      const free = Object.fromEntries(
        PAD_ACTIONS.map((action) => [action, pads[action] === note ? null : pads[action]]),
      ) as Settings['pads']
      onPads({ ...free, [learning]: note })
      setLearning(null)
    })
  }, [learning, pads, onPads])
  return (
    <details className="text-sm" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer font-semibold">Pads</summary>
      <p className="mt-1 text-(--quiet)">
        Any pad starts a stopped step. To control the rest: press Learn, then strike a pad.
      </p>
      <ul className="mt-2 flex flex-col gap-1">
        {PAD_ACTIONS.map((action) => (
          <li key={action} className="flex items-center gap-2">
            <span className="grow">{ACTION_WORDS[action]}</span>
            <span className="text-(--quiet) tabular-nums">
              {pads[action] === null ? 'no pad' : `note ${pads[action]}`}
            </span>
            <button
              type="button"
              aria-pressed={learning === action}
              aria-label={`Learn the pad for ${action}`}
              className="btn btn-outline btn-xs border-base-300 font-normal aria-pressed:bg-base-300"
              onClick={() => setLearning(learning === action ? null : action)}
            >
              {learning === action ? 'Strike it …' : 'Learn'}
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-(--quiet)">No device? Use these pads instead:</p>
      <fieldset aria-label="Stand-in pads" className="mt-1 grid grid-cols-4 gap-1">
        {STAND_IN_PADS.map((note) => (
          <button
            key={note}
            type="button"
            aria-label={`Stand-in pad, note ${note}`}
            className="h-12 rounded-box border border-base-300 bg-base-100 tabular-nums active:bg-base-300"
            onPointerDown={() => strikeStandIn(note)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' || event.repeat) return
              strikeStandIn(note)
            }}
          >
            {note}
          </button>
        ))}
      </fieldset>
    </details>
  )
}
