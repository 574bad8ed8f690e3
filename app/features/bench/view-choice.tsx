import { useState } from 'react'
import { useSettings } from '~/live/use-live'
import { Checkbox } from '~/ui/checkbox'
import { PopUp } from '~/ui/pop-up'
import { BeamChoice } from './beam-choice'
import { usePlayedTempo } from './state/use-workspace'

/** How the ruler is drawn: headroom over the moves, beams by beat or group. */
export default function ViewChoice({
  headroom,
  onHeadroom,
}: {
  headroom: boolean
  onHeadroom: (shown: boolean) => void
}) {
  const { settings, change } = useSettings()
  const tempo = usePlayedTempo()
  const [open, setOpen] = useState(false)
  return (
    <PopUp label="View of the ruler" words="view" open={open} onOpen={setOpen}>
      <BeamChoice beaming={settings.beaming} onChoose={(beaming) => change({ beaming })} />
      <Checkbox checked={headroom} onTick={onHeadroom}>
        Headroom at {tempo} bpm
      </Checkbox>
    </PopUp>
  )
}
