import { useState } from 'react'
import { soundsOn } from '~/core/kit'
import type { Lick } from '~/core/line'
import { useOwnGrooves } from '~/live/use-own'
import { useSettingFor } from '~/live/use-setting'
import { SaveSound } from '~/session/save-sound'
import { LabelledNumber } from '~/ui/number-field'
import { Part } from '~/ui/parts'

const MAX_ROUNDS = 32
const PLAIN = { kit: null, unknown: [] }

/** The licks of a sheet one after the other as a sound file, each so often at its learning tempo. */
export function SheetSound({
  licks,
  name,
}: {
  readonly licks: readonly Lick[]
  readonly name: string
}) {
  const [rounds, setRounds] = useState(4)
  const grooves = useOwnGrooves()
  const { kit, player } = useSettingFor(PLAIN)
  const { swapsGroove = false } = player
  return (
    <Part level={2} title="To play along with">
      <div className="w-36">
        <LabelledNumber
          label="Rounds of each lick"
          value={rounds}
          min={1}
          max={MAX_ROUNDS}
          onChange={setRounds}
        />
      </div>
      <SaveSound
        name={name}
        stretches={() => licks.map((lick) => ({ lick, tempo: lick.frame.tempo, rounds }))}
        options={{ click: true, parts: 'all', grooves, sounds: soundsOn(kit), swapsGroove }}
      />
    </Part>
  )
}
