import { formatSlot } from '../notation'
import { type SlotContent, type Stroke, strokeLimb } from '../sticking'
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

/** Which limbs strike in a slot, and how they follow each other, whatever their level. */
export function limbsOf(content: SlotContent): string {
  if (content.kind === 'rest') return formatSlot(content)
  return onsetsOf(content, 5040)
    .map(({ tick, strokes }) => `${tick}${strokes.map(strokeLimb).sort().join('')}`)
    .join(' ')
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
  /** Whether a slot is judged by its place; and, where nothing is remembered, by nothing that came before. */
  readonly placed?: boolean
  readonly remembers?: boolean
}

/**
 * A machine over slots as a watcher over forms: each slot is judged once from each state, or where slots are not
 * of one length or their place matters, once from each state and place.
 */
export function overSlots<S>(machine: SlotMachine<S>, space: Space): Watcher {
  const { ends = () => true } = machine
  const even = space.slots.every((ticks) => ticks === space.slots[0])
  const placed = machine.placed === true || !even
  const slots = new SlotStates(machine, space, placed)
  // Between groups a machine has fewer states than between slots: those are numbered apart.
  const inner: number[] = [0]
  const outer = new Map<number, number>([[0, 0]])
  return {
    of: machine.of,
    placed,
    free: machine.placed === true && machine.remembers !== true,
    ends: (state) => ends(slots.known(inner[state] as number)),
    over: (state, form, at) => {
      let now = inner[state] as number
      for (let i = 0; i < form.slots.length; i += 1) {
        now = slots.after(now, form.slots[i] as SlotContent, at + i)
        if (now === REFUSED) return REFUSED
      }
      let number = outer.get(now)
      if (number === undefined) {
        number = inner.push(now) - 1
        outer.set(now, number)
      }
      return number
    },
  }
}

/** The states of a machine between slots, and where each slot leads from each of them. */
class SlotStates<S> {
  private readonly states: S[]
  private readonly numbers: Map<string, number>
  private readonly contents = new Map<SlotContent, number>()
  /** By the slot and its place, where that matters: for each state the next, undefined while not asked. */
  private readonly steps: number[][] = []

  constructor(
    private readonly machine: SlotMachine<S>,
    private readonly space: Space,
    private readonly placed: boolean,
  ) {
    this.states = [machine.start]
    this.numbers = new Map([[machine.key(machine.start), 0]])
  }

  known(state: number): S {
    return this.states[state] as S
  }

  after(state: number, content: SlotContent, at: number): number {
    let slot = this.contents.get(content)
    if (slot === undefined) {
      slot = this.contents.size
      this.contents.set(content, slot)
    }
    const asked = this.placed ? slot * this.space.slots.length + at : slot
    const row = this.steps[asked] ?? []
    this.steps[asked] = row
    let next = row[state]
    if (next === undefined) {
      next = this.step(state, content, at)
      row[state] = next
    }
    return next
  }

  private step(state: number, content: SlotContent, at: number): number {
    const ticks = this.space.slots[this.placed ? at : 0] as Ticks
    const after = this.machine.step(this.states[state] as S, content, ticks, at)
    if (after === null) return REFUSED
    const key = this.machine.key(after)
    let number = this.numbers.get(key)
    if (number === undefined) {
      number = this.states.push(after) - 1
      this.numbers.set(key, number)
    }
    return number
  }
}
