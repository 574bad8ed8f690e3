import { frameTicks } from '~/core/line'
import { useSlices } from '~/live/use-slices'
import { tempoFigure } from '~/words/figures'
import { BigCount } from '../big-count'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { stillWords } from '../still-words'

/** The beats, huge, and what is played of them: phase, tempo and repeat. */
export function RoomCount({ room }: { room: PracticeRoom }) {
  const { heard, plan } = usePractised(room)
  const { playing, done } = useSlices(room.player)
  const { tempo, nextTempo } = room.player
  const { beat, bar } = frameTicks(heard.frame)
  return (
    <>
      <BigCount
        beats={Math.max(1, Math.round(bar / beat))}
        playing={playing}
        onTap={room.player.toggle}
      />
      <div className="room-words">
        <p data-phase-words className="text-primary">
          {stillWords()}
        </p>
        <p className="tabular-nums" role="status">
          {tempoFigure(tempo)} bpm
          {nextTempo !== null && `, next ${tempoFigure(nextTempo)}`}
        </p>
        <p className="tabular-nums">
          repeat {Math.min(done + 1, plan.repeats)} of {plan.repeats}
        </p>
      </div>
    </>
  )
}
