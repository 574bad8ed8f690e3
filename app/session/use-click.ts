import { useCallback } from 'react'
import { toSequence } from '~/core/performance'
import { grooveBars } from '~/core/solo'
import { beatTicks, type Meter, secondsPerTick } from '~/core/time'
import { useSounding } from './use-sounding'

/** Bars of the click before it comes round. */
const BARS = 16

/** The click alone, after a count-in: something to strike beside. `tempo` is in beats of the metre. */
export function useClick(meter: Meter, tempo: number) {
  const perTick = secondsPerTick(tempo, beatTicks(meter))
  const compose = useCallback(
    () =>
      toSequence([{ lick: grooveBars('none', meter, BARS), pickup: false }], {
        loop: true,
        countIn: true,
      }),
    [meter],
  )
  const plan = useCallback(() => perTick, [perTick])
  return { ...useSounding(compose, plan), perTick }
}
