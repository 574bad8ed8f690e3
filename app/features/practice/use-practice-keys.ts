import { useHotkeys } from 'react-hotkeys-hook'
import type { Rating } from '~/core/log'
import { useSpace } from '~/ui/use-space'

interface PracticeActions {
  readonly onPlay: () => void
  readonly onRate: (rating: Rating) => void
  readonly onStep: (way: 1 | -1) => void
  readonly onTempo: (by: number) => void
  readonly onLimb: (index: number) => void
  readonly onClick: () => void
  readonly onPulse: () => void
  readonly onTense: () => void
  readonly onLeave: () => void
  readonly onFull: () => void
}

/** Which of the keys are heard. */
interface Heard {
  /** Whether something sounds: only then an arrow rates it. */
  readonly playing: boolean
  /** Whether letters, digits and arrows are shortcuts; Space always plays. */
  readonly shortcuts: boolean
}

/** The keys that run practice, sticks in hand. */
export function usePracticeKeys(
  actions: PracticeActions,
  { playing, shortcuts: enabled }: Heard,
): void {
  const { onPlay, onRate, onStep, onTempo, onLimb, onClick, onPulse, onTense, onLeave } = actions
  const step = { preventDefault: true, enabled }
  const rates = { preventDefault: true, enabled: enabled && playing }
  useSpace(onPlay)
  useHotkeys('right', () => onRate('clean'), rates)
  useHotkeys('down', () => onRate('rough'), rates)
  useHotkeys('left', () => onRate('lost'), rates)
  useHotkeys('s', actions.onFull, { enabled })
  useHotkeys('pagedown, n', () => onStep(1), step)
  useHotkeys('pageup, p', () => onStep(-1), step)
  useHotkeys('+, =, shift+=', () => onTempo(1), { useKey: true, enabled })
  useHotkeys('-', () => onTempo(-1), { useKey: true, enabled })
  useHotkeys(['1', '2', '3', '4'], ({ key }) => onLimb(Number(key) - 1), { enabled })
  useHotkeys('c', onClick, { enabled })
  useHotkeys('h', onPulse, { enabled })
  useHotkeys('t', onTense, { enabled })
  useHotkeys('escape', onLeave)
}
