import type { SlotContent, Stroke } from '../sticking'
import type { Ticks } from '../time'
import type { CellForm } from './forms'
import type { ConditionName, Space } from './question'

/** What a watcher says of a form that may not stand there. */
export const REFUSED = -1

/**
 * One condition as a machine over forms. It keeps in a state what the condition has to know of the groups so
 * far and no more, so that what differs in nothing that matters is counted once. States are whole numbers from
 * 0, and the first is where a fill begins.
 */
export interface Watcher {
  readonly of: ConditionName | 'uses' | 'taste'
  /** The state after a form whose first slot is `at`; `REFUSED` where it may not stand there. */
  readonly over: (state: number, form: CellForm, at: number) => number
  /** Whether a fill may end so. */
  readonly ends: (state: number) => boolean
  /** Whether it matters where a form stands. */
  readonly placed: boolean
  /** Whether it matters only where a form stands, and never what came before: there is one state. */
  readonly free: boolean
}

/** Strokes of a slot that sound at one instant: ticks from the slot's own. */
export interface Onset {
  readonly tick: Ticks
  readonly strokes: readonly Stroke[]
}

/**
 * What sounds in a slot, in order of time. A part of a squeeze begins at the tick at or before its share.
 *
 * @example onsetsOf(phrase('{RL}').slots[0], 2520).map(({ tick }) => tick) // [0, 1260]
 */
export function onsetsOf(content: SlotContent, ticks: Ticks): Onset[] {
  if (content.kind === 'rest') return []
  if (content.kind === 'struck') return [{ tick: 0, strokes: content.strokes }]
  return content.parts.flatMap((part, i) =>
    part.kind === 'rest'
      ? []
      : [{ tick: Math.floor((ticks * i) / content.parts.length), strokes: part.strokes }],
  )
}

/** A machine over slots: what it knows, how a slot changes that, and what of it matters later. */
export interface SlotMachine<S> {
  readonly of: Watcher['of']
  readonly start: S
  /** What is known after a slot; null where the slot may not stand there. */
  readonly step: (known: S, content: SlotContent, ticks: Ticks, at: number) => S | null
  readonly ends?: (known: S) => boolean
  /** Equal for what is the same from here on. */
  readonly key: (known: S) => string
  /** Whether a slot is judged by its place, and by nothing that came before. */
  readonly placed?: boolean
}

/**
 * A machine over slots as a watcher over forms: each form is gone through once from each state, or where slots
 * are not of one length or their place matters, once from each state and place.
 */
export function overSlots<S>(machine: SlotMachine<S>, space: Space): Watcher {
  const { of, start, step, key, ends = () => true } = machine
  const states: S[] = [start]
  const numbers = new Map<string, number>([[key(start), 0]])
  const even = space.slots.every((ticks) => ticks === space.slots[0])
  const placed = machine.placed === true || !even
  const known = new Map<number, number>()
  const span = space.slots.length + 1
  const through = (state: number, { slots }: CellForm, at: number): number => {
    let now = states[state] as S
    for (const [i, content] of slots.entries()) {
      const next = step(now, content, space.slots[at + i] as Ticks, at + i)
      if (next === null) return REFUSED
      now = next
    }
    const name = key(now)
    let number = numbers.get(name)
    if (number === undefined) {
      number = states.push(now) - 1
      numbers.set(name, number)
    }
    return number
  }
  return {
    of,
    placed,
    free: machine.placed === true,
    ends: (state) => ends(states[state] as S),
    over: (state, form, at) => {
      const place = placed ? at : 0
      const asked = (state * 65_536 + form.index) * span + place
      let next = known.get(asked)
      if (next === undefined) {
        next = through(state, form, at)
        known.set(asked, next)
      }
      return next
    },
  }
}
