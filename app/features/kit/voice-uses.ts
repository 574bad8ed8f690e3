import type { Voice } from '~/core/sticking'
import type { LickSummary } from '~/storage'

/** A voice that licks use, and which do. */
export interface VoiceUse {
  readonly surface: Voice
  readonly licks: readonly string[]
}

/** Which licks use which surface. */
export function usesOf(summaries: readonly LickSummary[]): VoiceUse[] {
  const uses = new Map<Voice, string[]>()
  for (const { title, surfaces } of summaries) {
    for (const surface of surfaces) {
      const known = uses.get(surface)
      if (known) known.push(title)
      else uses.set(surface, [title])
    }
  }
  return [...uses].map(([surface, licks]) => ({ surface, licks }))
}
