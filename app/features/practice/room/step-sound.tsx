import { useState } from 'react'
import { soundsOn } from '~/core/kit'
import { SaveSound } from '~/session/save-sound'
import { LabelledNumber } from '~/ui/number-field'
import { tempoFigure } from '~/words/figures'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'

const MAX_ROUNDS = 64

/** The step or the loop that is played, at the tempo that stands, as a sound file to play along with. */
export function StepSound({ room }: { room: PracticeRoom }) {
  const { lick, heard, setting, plan } = usePractised(room)
  const [rounds, setRounds] = useState(plan.repeats)
  const { tempo } = room.player
  return (
    <details className="text-sm">
      <summary className="cursor-pointer font-semibold">Sound file</summary>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <div className="w-24">
          <LabelledNumber
            label="Rounds"
            value={rounds}
            min={1}
            max={MAX_ROUNDS}
            onChange={setRounds}
          />
        </div>
        <SaveSound
          name={`${lick.title || 'lick'} ${tempoFigure(tempo)}`}
          stretches={() => [{ lick: heard, tempo, rounds }]}
          options={{
            click: true,
            parts: 'all',
            grooves: setting.grooves ?? [],
            sounds: soundsOn(setting.kit),
            swapsGroove: setting.player.swapsGroove ?? false,
          }}
        />
      </div>
    </details>
  )
}
