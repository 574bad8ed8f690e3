import { type CountingSystem, toCounting } from '~/core/time'
import type { Settings } from '~/storage'

/** How a player counts: the system of syllables, and what is numbered in compound and odd metres. */
export function countingOf({ school, countUnits, countGroups }: Settings): CountingSystem {
  return toCounting(school, { inUnits: countUnits, byGroups: countGroups })
}
