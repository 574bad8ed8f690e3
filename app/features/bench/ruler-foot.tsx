import { Tick } from '~/ui/tick'
import { useSettings } from '../live/use-live'
import { usePlayedTempo } from '../workspace/use-workspace'
import { BeamChoice } from './beam-choice'

/** How the ruler is drawn: headroom over the moves, beams by beat or group. */
export function RulerFoot({
  headroom,
  onHeadroom,
}: {
  headroom: boolean
  onHeadroom: (shown: boolean) => void
}) {
  const { settings, change } = useSettings()
  const tempo = usePlayedTempo()
  return (
    <div className="ruler-foot">
      <Tick checked={headroom} onTick={onHeadroom}>
        Headroom at {tempo} bpm
      </Tick>
      <BeamChoice beaming={settings.beaming} onChoose={(beaming) => change({ beaming })} />
    </div>
  )
}
