import type { PartKind } from '../practice'
import { normalQuantile } from './statistics'
import type { HeardSummary } from './summary'

/** Rounds of one step at one tempo, as they were heard. */
export interface HeardStep {
  readonly kind: PartKind
  readonly tempo: number
  readonly heard: HeardSummary
}

/** What to work on next, and the scores (0 to 1) that say so. */
export type Finding =
  /** On one surface it is there, voiced it is not: the moves. */
  | { readonly work: 'moves'; readonly easy: number; readonly hard: number }
  /** The hands alone are there, all together it is not: the joining of hands and feet. */
  | { readonly work: 'joining'; readonly easy: number; readonly hard: number }
  /** On one surface it is not there yet: the sticking. */
  | { readonly work: 'sticking'; readonly hard: number }
  /** Slower it is there, at the tempo it is not: the tempo before. */
  | { readonly work: 'tempo'; readonly easy: number; readonly hard: number; readonly tempo: number }

/** A step is known from this share on, and not known below that one. */
const KNOWN = 0.9
const NOT_KNOWN = 0.8
/** The chance of a finding where there is nothing to find, over all that is looked at. */
const FALSE_FINDINGS = 0.04
/** How many comparisons are looked at. */
const COMPARISONS = 4
/** Fewer strokes than this carry no comparison. */
const MIN_STROKES = 24

/**
 * What to work on: the first of sticking, joining, moves and tempo that the scores carry; null where
 * none of them does. Two scores are compared at the same tempo or slower, by the test for two shares
 * (pooled, one-sided; R. A. Fisher, Statistical Methods for Research Workers, 1925), corrected for the number of comparisons.
 *
 * @example one surface 96 %, voiced 71 %: moves; one surface 70 %: sticking
 */
export function diagnose(steps: readonly HeardStep[]): Finding | null {
  const of = (kinds: readonly PartKind[]) => steps.filter(({ kind }) => kinds.includes(kind))
  const [surface, hands, voiced] = [of(['together']), of(['hands']), of(VOICED)]
  const chance = FALSE_FINDINGS / COMPARISONS
  const joined = added(surface)
  if (joined && surelyBelow(joined, NOT_KNOWN, chance))
    return { work: 'sticking', hard: shareOf(joined) }
  const joining = compared(hands, surface, chance)
  if (joining) return { work: 'joining', ...joining }
  const moves = compared(surface, voiced, chance)
  if (moves) return { work: 'moves', ...moves }
  return tempoFinding(of(['bar']), chance)
}

/** Steps that are played on the surfaces they are written for. */
const VOICED: readonly PartKind[] = ['bar', 'right-voices', 'left-voices']

/** The scores of what is known and what is not, played no faster; null where they are not apart. */
function compared(
  easy: readonly HeardStep[],
  hard: readonly HeardStep[],
  chance: number,
): { easy: number; hard: number } | null {
  const fastest = Math.max(...easy.map(({ tempo }) => tempo))
  const within = hard.filter(({ tempo }) => tempo <= fastest)
  const slowest = Math.min(...within.map(({ tempo }) => tempo))
  const [a, b] = [added(easy.filter(({ tempo }) => tempo >= slowest)), added(within)]
  return a && b && isApart(a, b, chance) ? { easy: shareOf(a), hard: shareOf(b) } : null
}

/** Strokes on time out of so many. */
interface Share {
  readonly good: number
  readonly all: number
}

const shareOf = ({ good, all }: Share) => good / all

function added(steps: readonly HeardStep[]): Share | null {
  const all = steps.reduce((sum, { heard }) => sum + heard.meant + heard.extra, 0)
  const good = steps.reduce((sum, { heard }) => sum + heard.onTime, 0)
  return all >= MIN_STROKES ? { good, all } : null
}

/** Whether the first is known and the second is not, by more than chance. */
function isApart(easy: Share, hard: Share, chance: number): boolean {
  if (shareOf(easy) < KNOWN || shareOf(hard) >= KNOWN) return false
  const pooled = (easy.good + hard.good) / (easy.all + hard.all)
  const error = Math.sqrt(pooled * (1 - pooled) * (1 / easy.all + 1 / hard.all))
  return error > 0 && (shareOf(easy) - shareOf(hard)) / error > normalQuantile(1 - chance)
}

function surelyBelow(share: Share, limit: number, chance: number): boolean {
  const error = Math.sqrt((limit * (1 - limit)) / share.all)
  return (limit - shareOf(share)) / error > normalQuantile(1 - chance)
}

/** The whole lick, known up to some tempo and not from the next on. */
function tempoFinding(whole: readonly HeardStep[], chance: number): Finding | null {
  const tempos = [...new Set(whole.map(({ tempo }) => tempo))].sort((a, b) => a - b)
  for (const [i, tempo] of tempos.slice(1).entries()) {
    const slower = tempos[i] as number
    const [easy, hard] = [slower, tempo].map((at) => added(whole.filter((one) => one.tempo === at)))
    if (easy && hard && isApart(easy, hard, chance))
      return { work: 'tempo', easy: shareOf(easy), hard: shareOf(hard), tempo: slower }
  }
  return null
}
