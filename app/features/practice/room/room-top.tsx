import { useSlices } from '~/live/use-slices'
import { type InSet, SetBar } from '../../sets'
import { PracticeHeader } from '../practice-header'
import { secondsToday, voicingOf } from '../session/practised'
import { restOf } from '../session/remarks'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'

/** What is practised, which step of it, and the set that it is practised in. */
export function RoomTop({ room, inSet }: { room: PracticeRoom; inSet: InSet | null }) {
  const { world, choice } = useSlices(room)
  const { lick, step, steps, at } = usePractised(room)
  const { playing } = useSlices(room.player)
  const { record, sessions, settings } = world
  const words = step?.words ?? ''
  return (
    <div className="room-top">
      {inSet && (
        <SetBar
          set={inSet.set}
          lickId={record.id}
          seconds={secondsToday(sessions)}
          playing={playing}
          keys={settings.singleKeys}
        />
      )}
      <PracticeHeader
        id={record.id}
        title={lick.title}
        at={choice.loop ? words : `step ${at + 1} of ${steps.length}: ${words}`}
        about={voicingOf(record).about}
        rest={restOf(world)}
      />
    </div>
  )
}
