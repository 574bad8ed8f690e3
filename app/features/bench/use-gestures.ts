import { useMemo, useRef } from 'react'
import { findPhrase } from '~/core/catalogue'
import type { SlotRange } from '~/core/changes'
import { frameTicks, type Lick } from '~/core/line'
import { gridTicks } from '~/core/time'
import { type Edit, insertPhrase, moveGroupTo, withStart } from '~/workspace/edits/edits'
import type { RulerGestures } from '../ruler/use-slot-pointer'

/** Why the start is moved no further. */
export const OUT_OF_BAR = 'The line can only start within its bar.'

/** What gestures on the ruler do to the lick on the bench. */
export function useGestures(
  lick: Lick,
  pick: (range: SlotRange) => void,
  edit: (edit: Edit, base: Lick) => void,
  refuse: (message: string) => void,
): RulerGestures {
  const now = useRef(lick)
  now.current = lick
  return useMemo(
    () => ({
      onSelect: pick,
      onShift: (ticks) => {
        const { frame } = now.current
        const steps = Math.round(ticks / gridTicks(frame.grid))
        const start = frame.start + steps * gridTicks(frame.grid)
        const inBar = start >= 0 && start < frameTicks(frame).bar
        if (steps !== 0 && inBar) edit(withStart(now.current, start), now.current)
        if (!inBar) refuse(OUT_OF_BAR)
        return steps !== 0 && inBar ? steps * gridTicks(frame.grid) : 0
      },
      onMoveGroup: (from, to) => {
        const moved = moveGroupTo(now.current, from, to)
        if (moved) edit(moved, now.current)
        else refuse('The group stays where it is: it was dropped on its own place.')
      },
      onDropText: (slot, text) => {
        const phrase = findPhrase(text.slice(0, 4096))
        if (phrase && phrase.slots.length > 0)
          edit(insertPhrase(now.current, slot, phrase, 'Drop'), now.current)
        else refuse(`“${text.trim().slice(0, 24)}” cannot be read as a sticking.`)
      },
    }),
    [pick, edit, refuse],
  )
}
