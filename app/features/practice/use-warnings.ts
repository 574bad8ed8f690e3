import { useMemo, useState } from 'react'
import type { Lick } from '~/core/line'
import type { Setting } from '~/core/playing'
import { type GridRung, minutesSinceBreak, seamRuns, strainsAt } from '~/core/practice'
import type { Grid } from '~/core/time'
import { useSessionsSince } from '~/live/use-sessions'
import type { PracticeSessionRecord } from '~/storage'
import { rungsAbove, type Step, stepLimit } from './step-view'
import { breakWords, jumpWords, seamWords, strainWords } from './words'

/** How far back sessions count as one stretch of practice. */
const STRETCH_MS = 12 * 60 * 60_000

interface Practised {
  readonly step: Step | undefined
  readonly played: Lick
  readonly heard: Lick
  readonly tempo: number
  readonly rungs: readonly GridRung[]
  readonly grid: Grid
  readonly setting: Setting
  readonly own: readonly PracticeSessionRecord[]
  /** Minutes after which a break is due. */
  readonly breakAfter: number
}

/** What is told while practising: what is too fast, too much at once, or too long without a break. */
export function useWarnings(practised: Practised) {
  const { step, played, heard, tempo, rungs, grid, setting, own, breakAfter } = practised
  const [since] = useState(() => Date.now() - STRETCH_MS)
  const recent = useSessionsSince(since)
  const limit = useMemo(() => (step ? stepLimit(step, setting) : null), [step, setting])
  const past = useMemo(() => rungsAbove(rungs, grid, limit), [rungs, grid, limit])
  const seam = useMemo(() => {
    const { grooves = [] } = setting
    return step ? seamWords(seamRuns(step.played, { grooves })) : ''
  }, [step, setting])
  const strains = useMemo(
    () => strainsAt(heard, tempo, setting).map(strainWords),
    [heard, tempo, setting],
  )
  const jump = jumpWords(played, tempo, own)
  const rest = breakWords(
    minutesSinceBreak(
      recent.map(({ createdAt, seconds }) => ({ at: createdAt, seconds })),
      Date.now(),
    ),
    breakAfter,
  )
  return { past, seam, rest, warnings: [...(jump ? [jump] : []), ...strains] }
}
