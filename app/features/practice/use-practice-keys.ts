import { useHotkeys } from 'react-hotkeys-hook'
import { BY_SIGN, FASTER, SLOWER } from '~/ui/tempo-keys'
import { useSpace } from '~/ui/use-space'
import type { PracticeRoom } from './session/room'

/** Which of the keys are heard. */
interface Heard {
  /** Whether something sounds: only then an arrow rates it. */
  readonly playing: boolean
  /** Whether letters, digits and arrows are shortcuts; Space always plays. */
  readonly shortcuts: boolean
}

/** The keys that run practice, sticks in hand. */
export function usePracticeKeys(
  room: PracticeRoom,
  full: boolean,
  onFull: (full: boolean) => void,
  { playing, shortcuts: enabled }: Heard,
): void {
  const { player } = room
  const step = { preventDefault: true, enabled }
  const rates = { preventDefault: true, enabled: enabled && playing }
  useSpace(player.toggle)
  useHotkeys('right', () => room.rate('clean'), rates)
  useHotkeys('down', () => room.rate('rough'), rates)
  useHotkeys('left', () => room.rate('lost'), rates)
  useHotkeys('s', () => onFull(!full), { enabled })
  useHotkeys('pagedown, n', () => room.goStep(1), step)
  useHotkeys('pageup, p', () => room.goStep(-1), step)
  useHotkeys(FASTER, () => room.moveTempo(1), { ...BY_SIGN, enabled })
  useHotkeys(SLOWER, () => room.moveTempo(-1), { ...BY_SIGN, enabled })
  useHotkeys(['1', '2', '3', '4'], ({ key }) => room.muteLimb(Number(key) - 1), { enabled })
  useHotkeys('c', room.switchClick, { enabled })
  useHotkeys('h', room.switchPulse, { enabled })
  useHotkeys('t', player.feelsTense, { enabled })
  useHotkeys('escape', () => (full ? onFull(false) : room.loopOver(null)))
  useHotkeys('mod+z', room.undo, { preventDefault: true })
  useHotkeys('mod+shift+z, mod+y', room.redo, { preventDefault: true })
}
