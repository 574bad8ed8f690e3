import { useHotkeys } from 'react-hotkeys-hook'
import { TEMPO_RANGE } from '~/core/line'
import { useSpace } from '~/ui/use-space'

const TEMPO_STEP = 2

/** The bench's keys. While a line is typed, only those that no letter needs are heard. */
export function useBenchKeys(actions: {
  readonly onPlay: () => void
  readonly onTravel: (kind: 'undo' | 'redo') => void
  readonly onTempo: (change: (tempo: number) => number) => void
}): void {
  const { onPlay, onTravel, onTempo } = actions
  const whileTyping = { preventDefault: true, enableOnFormTags: ['textarea'] as const }
  useSpace(onPlay)
  useHotkeys('mod+z', () => onTravel('undo'), whileTyping)
  useHotkeys('mod+shift+z, mod+y', () => onTravel('redo'), whileTyping)
  useHotkeys(
    '+, =, shift+=',
    () => onTempo((now) => Math.min(TEMPO_RANGE.most, now + TEMPO_STEP)),
    { useKey: true },
  )
  useHotkeys('-', () => onTempo((now) => Math.max(TEMPO_RANGE.least, now - TEMPO_STEP)), {
    useKey: true,
  })
}
