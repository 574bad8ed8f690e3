import { useRef } from 'react'
import { Link } from 'react-router'
import type { Kept, LickRecord, PlanRecord } from '~/storage'
import { usePageTitle } from '~/ui/use-page-title'
import type { InSet } from '../sets'
import { EarPanel } from './ear-panel'
import { Ratings } from './ratings'
import { HistoryPanel } from './room/history-panel'
import { LeaveFullScreen } from './room/leave-full-screen'
import { StepsPanel, TemposPanel } from './room/plan-panels'
import { PlayingPanel } from './room/playing-panel'
import { RoomCount } from './room/room-count'
import { ROOM_PANELS, RoomDock, useRoomPanel } from './room/room-dock'
import { RoomLine } from './room/room-line'
import { RoomRunner } from './room/room-runner'
import { RoomSaid } from './room/room-said'
import { RoomTop } from './room/room-top'
import { StepRemarks } from './room/step-remarks'
import { useFullScreen } from './room/use-full-screen'
import { usePractised, useRoom } from './session/use-room'

interface PracticePageProps {
  /** The lick as it was stored when the page was opened. */
  readonly opened: Kept<LickRecord>
  /** How it is practised; null where nothing was chosen yet. */
  readonly stored: Kept<PlanRecord> | null
  /** The set that it is practised in; null for none. */
  readonly inSet: InSet | null
}

/** A lick to be practised: its build-up step by step, up a ladder of tempos, seen from two metres. */
export function PracticePage({ opened, stored, inSet }: PracticePageProps) {
  const room = useRoom(opened, stored, inSet?.document ?? null)
  const { lick, step } = usePractised(room)
  const [full, showFull] = useFullScreen()
  const { panel, open } = useRoomPanel()
  const host = useRef<HTMLDivElement>(null)
  usePageTitle(lick.title, 'Practice')
  if (!step) return <NothingYet id={opened.id} />
  return (
    <div
      ref={host}
      data-phase="still"
      data-full={full || undefined}
      data-panel={panel ?? undefined}
      className="room group"
    >
      <RoomRunner room={room} host={host} full={full} onFull={showFull} />
      <RoomTop room={room} inSet={inSet} />
      {full && <LeaveFullScreen title={lick.title} onLeave={() => showFull(false)} />}
      <div className="room-main">
        <RoomCount room={room} />
        <RoomLine room={room} />
        <StepRemarks room={room} />
        <RoomSaid room={room}>{inSet?.notice}</RoomSaid>
        <Ratings room={room} />
      </div>
      <RoomDock panels={ROOM_PANELS} open={panel} onOpen={open} onFull={() => showFull(true)}>
        {panel === 'steps' && <StepsPanel room={room} />}
        {panel === 'tempos' && <TemposPanel room={room} />}
        {panel === 'playing' && <PlayingPanel room={room} />}
        {panel === 'ear' && <EarPanel room={room} />}
        {panel === 'history' && <HistoryPanel room={room} />}
      </RoomDock>
    </div>
  )
}

/** What is said of a lick without a stroke. */
function NothingYet({ id }: { id: string }) {
  return (
    <p className="p-8">
      There is nothing to practise yet.{' '}
      <Link className="link" to={`/bench/${id}`}>
        Type a sticking on the bench
      </Link>
      .
    </p>
  )
}
