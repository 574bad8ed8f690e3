import { type Lick, lickSlots } from '../line'
import { isHand, type SlotContent, strokesInSlot } from '../sticking'
import { ledBy } from './policies'

type Hand = 'R' | 'L'

/** What a choice of hands costs: a third in a row of one hand is worse than any double. */
const COST = { double: 2, third: 9, unnatural: 1 } as const

/** Whether a line has hands that are not decided yet. */
export function isUndecided(lick: Lick): boolean {
  return lick.line.slots.some((content) =>
    strokesInSlot(content).some(({ stroke }) => stroke.letter === 'X'),
  )
}

interface Choice {
  readonly cost: number
  readonly hands: readonly (Hand | null)[]
  readonly run: number
}

/**
 * A lick with its undecided hands suggested: the decided ones stay, hands in neighbouring slots
 * alternate where they can, three in a row are avoided, and on a tie the hands fall as in natural
 * sticking. Exact over all choices, by dynamic programming over the last hand and its run.
 */
export function suggestHands(lick: Lick): Lick {
  let states = new Map<string, Choice>([['', { cost: 0, hands: [], run: 0 }]])
  for (const { content, index } of lickSlots(lick)) {
    const next = new Map<string, Choice>()
    for (const [key, state] of states) {
      const last = key === '' ? null : (key[0] as Hand)
      for (const hand of handsFor(content)) {
        const run = hand !== null && hand === last ? Math.min(3, state.run + 1) : 1
        const repeats = hand !== null && run === 2 ? COST.double : run > 2 ? COST.third : 0
        const natural = hand === null || hand === (index % 2 === 0 ? 'R' : 'L')
        const cost = state.cost + repeats + (isOpen(content) && !natural ? COST.unnatural : 0)
        const reached = hand === null ? '' : `${hand}${run}`
        const known = next.get(reached)
        if (!known || cost < known.cost)
          next.set(reached, { cost, run, hands: [...state.hands, hand] })
      }
    }
    states = next
  }
  const best = [...states.values()].reduce((a, b) => (b.cost < a.cost ? b : a))
  const slots = lick.line.slots.map((content, i) => {
    const hand = best.hands[i]
    return hand && isOpen(content) ? ledBy(content, hand) : content
  })
  return { ...lick, line: { ...lick.line, slots } }
}

function isOpen(content: SlotContent): boolean {
  return strokesInSlot(content).some(({ stroke }) => stroke.letter === 'X')
}

/** The hands that may be the slot's: both where it is open, its own where not; null for none. */
function handsFor(content: SlotContent): readonly (Hand | null)[] {
  const hands = strokesInSlot(content)
    .map(({ stroke }) => stroke.letter)
    .filter(isHand)
  if (hands.length === 0) return [null]
  const decided = hands.filter((letter) => letter !== 'X') as Hand[]
  if (!hands.includes('X')) return [decided.at(-1) ?? null]
  if (content.kind === 'struck' && decided[0]) return [decided[0] === 'R' ? 'L' : 'R']
  return ['R', 'L']
}
