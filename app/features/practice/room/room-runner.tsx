import { type RefObject, useCallback, useMemo } from 'react'
import { sumOf } from '~/core/line'
import { useCounting } from '~/live/use-setting'
import { useSlices } from '~/live/use-slices'
import type { Phase } from '../lights'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { useBeginsAtOnce } from '../use-begins-at-once'
import { useLights } from '../use-lights'
import { usePads } from '../use-pads'
import { usePracticeKeys } from '../use-practice-keys'
import { useHasVoice, useVoiceCount } from '../use-voice-count'
import { phaseWords, voiceCount } from '../words'

interface RoomRunnerProps {
  readonly room: PracticeRoom
  readonly host: RefObject<HTMLElement | null>
  readonly full: boolean
  readonly onFull: (full: boolean) => void
}

/** What runs the room and is run by it besides what is drawn: keys, pads, lights, and a voice that counts. */
export function RoomRunner({ room, host, full, onFull }: RoomRunnerProps) {
  const { player } = room
  const { world, pads } = useSlices(room)
  const { settings } = world
  const { playing } = useSlices(player)
  const { heard, step } = usePractised(room)
  const counting = useCounting()
  useBeginsAtOnce(useCallback(() => player.begin(), [player]))
  usePracticeKeys(room, full, onFull, { playing, shortcuts: settings.singleKeys })
  usePads(settings.pads, pads, playing, player.toggle, room.rate)
  const bars = step?.form.kind === 'over' ? 0 : (heard.frame.bars ?? sumOf(heard).bars)
  const says = useCallback((phase: Phase) => phaseWords(phase, heard, bars), [heard, bars])
  useLights(playing, player.position, room.phaseAt, says, host)
  const canSpeak = useHasVoice()
  const { tempo } = player
  const counted = useMemo(
    () => voiceCount(heard, tempo, counting, settings),
    [heard, tempo, counting, settings],
  )
  useVoiceCount(playing && settings.voiceCount && canSpeak, player.position, counted)
  return null
}
