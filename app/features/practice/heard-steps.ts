import { PART_KINDS, type PartKind, type PlannedStep } from '~/core/practice'
import type { Finding, HeardStep, HeardSummary } from '~/core/timing'
import type { PracticeSessionRecord } from '~/storage'

/** What was heard longer ago than this says little of today. */
const FRESH_MS = 14 * 24 * 60 * 60 * 1000

/** The steps of a lick that were heard lately, as a diagnosis reads them. */
export function heardSteps(sessions: readonly PracticeSessionRecord[], now: number): HeardStep[] {
  return sessions.flatMap(({ createdAt, part, tempo, heard }): HeardStep[] => {
    const kind = kindOf(part)
    return heard && kind && now - createdAt < FRESH_MS ? [{ kind, tempo, heard }] : []
  })
}

/** What was heard of a part in the session before one that began at a time; null where nothing was. */
export function heardBefore(
  sessions: readonly PracticeSessionRecord[],
  part: string,
  begunAt: number,
): HeardSummary | null {
  const before = sessions.filter((one) => one.part === part && one.heard && one.createdAt < begunAt)
  return (
    before.reduce<PracticeSessionRecord | null>(
      (last, one) => (last && last.createdAt >= one.createdAt ? last : one),
      null,
    )?.heard ?? null
  )
}

/** The kind of a part, from its key. Example: `hands 0-8` is `hands`. */
function kindOf(part: string): PartKind | undefined {
  const [word] = part.split(' ')
  return PART_KINDS.find((kind) => kind === word)
}

/** Which kinds of steps work on what was found, the best first. */
const STEPS_FOR: Readonly<Record<Finding['work'], readonly PartKind[]>> = {
  sticking: ['together', 'hands'],
  joining: ['together', 'transition'],
  moves: ['right-voices', 'left-voices', 'bottleneck'],
  tempo: ['bar'],
}

/** The step of a plan that works on what was found, by its number; null where the plan has none. */
export function stepToWork(finding: Finding, planned: readonly PlannedStep[]): number | null {
  for (const kind of STEPS_FOR[finding.work]) {
    const at = planned.findIndex(({ part, skipped }) => part.kind === kind && !skipped)
    if (at >= 0) return at
  }
  return null
}
