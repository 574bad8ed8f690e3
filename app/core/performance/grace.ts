import type { Graces } from '../sticking'

/**
 * How long before its stroke the first grace sounds, in milliseconds: flam, drag, ruff. A flam
 * reads as two strokes from about 15 ms on and as one gesture up to about 45.
 */
export const GRACE_LEAD_MS: Readonly<Record<Graces, number>> = { 0: 0, 1: 30, 2: 60, 3: 90 }

/** The longest time before its stroke that any grace can sound, in milliseconds. */
export const LONGEST_GRACE_MS = 90

/**
 * When the graces of a stroke sound, in milliseconds before it, first grace first. Never more than
 * half the time since the stroke before: then all of them shrink in proportion.
 * Example: a drag 100 ms after the last stroke sounds 50 and 25 ms before.
 */
export function graceLeads(graces: Graces, sinceMs: number): number[] {
  const lead = Math.min(GRACE_LEAD_MS[graces], sinceMs / 2)
  return Array.from({ length: graces }, (_, i) => (lead * (graces - i)) / graces)
}
