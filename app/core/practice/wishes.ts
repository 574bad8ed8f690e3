import { STAFF_KEY } from '../kit'
import { EMPTY_LICK, lineEvents } from '../line'
import type { MixSource } from './mix'

/** What is wished of a flow beside the weights: more or fewer strokes, higher or lower on the kit. */
export interface FlowWishes {
  readonly density: 'any' | 'sparse' | 'dense'
  readonly register: 'any' | 'low' | 'high'
}

/** How strongly a wish counts: a source that is wholly as wished is drawn five times as often. */
const STRENGTH = 4

/**
 * Sources with their weights as the wishes shift them: whole numbers, 0 stays 0. Density is the share of a
 * source's slots that sound; register is the mean height of its hands on the staff, between the lowest and
 * the highest of the sources. Without wishes the weights keep their proportions.
 *
 * @example of `RL--` and `RLRL`, one each, wished dense: 3 and 5
 */
export function withWishes(
  sources: readonly MixSource[],
  { density, register }: FlowWishes,
): MixSource[] {
  if (density === 'any' && register === 'any') return [...sources]
  const heights = sources.map(heightOf)
  const [least, most] = [Math.min(...heights), Math.max(...heights)]
  return sources.map((source, i) => {
    const dense = densityOf(source)
    const high = most > least ? ((heights[i] as number) - least) / (most - least) : 0.5
    const by = factor(density, 'dense', 'sparse', dense) * factor(register, 'high', 'low', high)
    return { ...source, weight: Math.round(source.weight * by) }
  })
}

function factor(wish: string, more: string, less: string, share: number): number {
  if (wish === more) return 1 + STRENGTH * share
  return wish === less ? 1 + STRENGTH * (1 - share) : 1
}

function densityOf({ line }: MixSource): number {
  const { length } = line.slots
  return length === 0 ? 0 : line.slots.filter(({ kind }) => kind !== 'rest').length / length
}

function heightOf({ line, grid }: MixSource): number {
  const lick = { ...EMPTY_LICK, line, frame: { ...EMPTY_LICK.frame, grid } }
  const steps = lineEvents(lick).flatMap(({ limb, surface }) =>
    limb === 'RF' || limb === 'LF' || surface === '??' ? [] : [STAFF_KEY[surface].step],
  )
  return steps.length === 0 ? 0 : steps.reduce((sum, step) => sum + step, 0) / steps.length
}
