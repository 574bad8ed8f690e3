import { GRACE_KEYS as GRACES, NEW_GROUP, SIGN_LEVELS } from '~/workspace/rows/sticking-keys'
import type { PendingModifiers } from '~/workspace/rows/waiting'
import type { WorkspaceState } from '~/workspace/workspace'

/** A key of the sticking row as a button: what it shows, and what it is called. */
export interface StrokeKey {
  readonly key: string
  readonly shown: string
  readonly name: string
}

export const LIMB_KEYS: readonly StrokeKey[] = [
  { key: 'R', shown: 'R', name: 'Right hand' },
  { key: 'L', shown: 'L', name: 'Left hand' },
  { key: 'K', shown: 'K', name: 'Kick' },
  { key: 'H', shown: 'H', name: 'Hi-hat foot' },
  { key: 'J', shown: 'J', name: 'Second pedal' },
  { key: 'X', shown: 'X', name: 'Either hand' },
  { key: '-', shown: '–', name: 'Rest' },
]
export const LEVEL_KEYS: readonly StrokeKey[] = [
  { key: 'g', shown: 'ghost', name: 'Ghost' },
  { key: '_', shown: 'soft', name: 'Soft' },
  { key: '>', shown: 'accent', name: 'Accent' },
  { key: '^', shown: 'strong', name: 'Strong accent' },
]
export const GRACE_KEYS: readonly StrokeKey[] = [
  { key: 'f', shown: 'flam', name: 'Flam' },
  { key: 'd', shown: 'drag', name: 'Drag' },
  { key: 't', shown: 'ruff', name: 'Ruff' },
]
export const JOIN_KEYS: readonly StrokeKey[] = [
  { key: '(', shown: 'together', name: 'Together with the next limb' },
  { key: '{', shown: 'in one slot', name: 'In one slot with the next limb' },
]

export const waitingOf = ({ waiting }: WorkspaceState): PendingModifiers => waiting

/** Whether a key was pressed that waits for its letter. */
export function isWaiting(waiting: PendingModifiers, key: string): boolean {
  if (key === '(') return waiting.mode === 'together'
  if (key === '{') return waiting.mode === 'split'
  if (key === NEW_GROUP) return waiting.mode === 'new-group'
  if (key in GRACES) return waiting.graces === GRACES[key]
  return key in SIGN_LEVELS && waiting.level === SIGN_LEVELS[key]
}
