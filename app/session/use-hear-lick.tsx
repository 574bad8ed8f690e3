import { type ReactNode, useCallback, useState } from 'react'
import type { Lick } from '~/core/line'
import { lazyComponent } from '~/ui/lazy-component'

/** Fetched at the first play. */
const LickPlayer = lazyComponent(async () => (await import('./lick-player')).default)

/** Hears licks of a page one by one: another one takes the place of the one that sounds. */
export function useHearLick({ click = false }: { readonly click?: boolean } = {}): {
  readonly hear: (lick: Lick) => void
  readonly player: ReactNode
} {
  const [heard, setHeard] = useState<{ lick: Lick; count: number } | null>(null)
  const end = useCallback(() => setHeard(null), [])
  const hear = useCallback(
    (lick: Lick) => setHeard((last) => ({ lick, count: (last?.count ?? 0) + 1 })),
    [],
  )
  return {
    hear,
    player: heard && <LickPlayer key={heard.count} lick={heard.lick} click={click} onEnd={end} />,
  }
}
