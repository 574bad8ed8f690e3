import type { Phrase } from '../changes'

/** What a change may look at besides the phrase itself. */
export interface ChangeContext {
  /** Whether a slot of the phrase lies on a beat. */
  readonly onBeat: (slot: number) => boolean
}

export const CHANGE_KINDS = ['order', 'limbs', 'dynamics', 'graces', 'density', 'easier'] as const
export type ChangeKind = (typeof CHANGE_KINDS)[number]

/** A change of a sticking by name: what the palette lists, and what a key does. */
export interface Change {
  readonly id: string
  readonly name: string
  readonly kind: ChangeKind
  /** Whether the number of slots may change. */
  readonly grows: boolean
  readonly apply: (phrase: Phrase, context: ChangeContext) => Phrase
  /** Where each slot of the result was, of so many; only of a change that moves slots. */
  readonly origins?: (size: number) => readonly number[]
}

/**
 * A change; `grows` where the number of slots may change, with `origins` where slots move.
 *
 * @example change('hands', 'x', 'Swap', (one) => one).name // 'Swap'
 */
export function change(
  kind: ChangeKind,
  id: string,
  name: string,
  apply: Change['apply'],
  grows = false,
  origins?: Change['origins'],
): Change {
  return { id, name, kind, grows, apply, ...(origins && { origins }) }
}
