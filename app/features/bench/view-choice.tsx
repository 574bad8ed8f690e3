import { useState } from 'react'
import { useSettings } from '~/live/use-live'
import { Checkbox } from '~/ui/checkbox'
import { PopUp } from '~/ui/pop-up'
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

/** How the staff is beamed: by beat to read the pulse, by group to read the cells. */
function BeamChoice({
  beaming,
  onChoose,
}: {
  beaming: 'beat' | 'group'
  onChoose: (beaming: 'beat' | 'group') => void
}) {
  return (
    <fieldset className="flex flex-wrap items-center gap-2 text-sm">
      <legend className="sr-only">Beams</legend>
      <span className="text-(--quiet)">beams</span>
      {(['beat', 'group'] as const).map((choice) => (
        <button
          key={choice}
          type="button"
          aria-pressed={beaming === choice}
          className={`rounded-field px-2 py-1 ${beaming === choice ? 'bg-base-300 font-semibold' : 'hover:bg-base-200'}`}
          onClick={() => onChoose(choice)}
        >
          by {choice}
        </button>
      ))}
    </fieldset>
  )
}
