import { type Kit, pieceAt } from '~/core/kit'
import type { Lick } from '~/core/line'
import { findVoice, isHand, type Surface, strokesInSlot } from '~/core/sticking'

/** Short names as people write them, besides the two-character codes. */
const USUAL_NAMES: Readonly<Record<string, Surface>> = {
  FT: 'f1',
  BD: 'bd',
  CR: 'c1',
  CC: 'c1',
  CY: 'c1',
  RC: 'rd',
  ST: 't1',
  HT: 't1',
  MT: 't2',
  LT: 'f1',
  OH: 'ho',
  SD: 'sn',
}

/** What was typed in the voices row so far, and what it says: a surface, more to come, or nothing. */
export type VoiceTyped =
  | { readonly kind: 'surface'; readonly surface: Surface }
  | { readonly kind: 'more'; readonly typed: string }
  | { readonly kind: 'unknown'; readonly typed: string }

/**
 * Reads a key of the voices row: the number of a piece on the plan strikes at once; letters make a code
 * or a usual short name of two characters. Undefined for a key that can be neither.
 * Example: on the usual kit `3` is tom 1, and so are `t` then `1`.
 */
export function voiceKey(kit: Kit, typed: string, key: string): VoiceTyped | undefined {
  if (typed === '' && /^\d$/.test(key)) {
    const piece = pieceAt(kit, key)
    return piece ? { kind: 'surface', surface: piece.surface } : { kind: 'unknown', typed: key }
  }
  if (!/^[a-z0-9]$/i.test(key)) return undefined
  const name = typed + key
  if (name.length < 2) return { kind: 'more', typed: name }
  const voice = findVoice(name.toLowerCase()) ?? USUAL_NAMES[name.toUpperCase()]
  return voice && voice !== '??'
    ? { kind: 'surface', surface: voice }
    : { kind: 'unknown', typed: name }
}

/** The next slot after one with a hand's stroke; the number of slots where there is none. */
export function nextHandSlot({ line }: Lick, after: number): number {
  const next = line.slots.findIndex((_, slot) => slot > after && hasHand({ line }, slot))
  return next < 0 ? line.slots.length : next
}

/** Whether a hand plays in a slot: only hands go round the kit. */
export function hasHand({ line }: Pick<Lick, 'line'>, slot: number): boolean {
  const content = line.slots[slot]
  return content !== undefined && strokesInSlot(content).some(({ stroke }) => isHand(stroke.letter))
}
