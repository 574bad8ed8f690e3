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
}

const KEEP = { preventDefault: true } as const

/** The keys that run practice, sticks in hand. */
export function usePracticeKeys(actions: PracticeActions): void {
  const { onPlay, onRate, onStep, onTempo, onLimb, onClick, onPulse, onTense, onLeave } = actions
  useSpace(onPlay)
  useHotkeys('right', () => onRate('clean'), KEEP)
  useHotkeys('down', () => onRate('rough'), KEEP)
  useHotkeys('left', () => onRate('lost'), KEEP)
  useHotkeys('pagedown, n', () => onStep(1), KEEP)
  useHotkeys('pageup, p', () => onStep(-1), KEEP)
  useHotkeys('+, =, shift+=', () => onTempo(1), { useKey: true })
  useHotkeys('-', () => onTempo(-1), { useKey: true })
  useHotkeys(['1', '2', '3', '4'], ({ key }) => onLimb(Number(key) - 1))
  useHotkeys('c', onClick)
  useHotkeys('h', onPulse)
  useHotkeys('t', onTense)
  useHotkeys('escape', onLeave)
}
