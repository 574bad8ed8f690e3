import { useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import { soundsOn } from '~/core/kit'
import { goalLadder } from '~/core/practice'
import type { LoopParts, LoopStretch } from '~/core/sound'
import { useLive } from '~/live/use-live'
import { SaveSound } from '~/session/save-sound'
import { liveVersions } from '~/storage'
import { Checkbox } from '~/ui/checkbox'
import { LabelledNumber } from '~/ui/number-field'
import { Choice, Part } from '~/ui/parts'
import { usePanel } from '../state/use-panel'
import { usePlayedTempo } from '../state/use-workspace'

const MAX_ROUNDS = 64
const PARTS = [
  ['all', 'everything'],
  ['without-line', 'the fill left free'],
  ['click', 'the click alone'],
] as const satisfies readonly (readonly [LoopParts, string])[]

type Course = 'tempo' | 'ladder' | 'versions'

/** The lick as a sound file to play along with: at one tempo, up its ladder, or with its versions in turn. */
export function SoundFilePart() {
  const { id, voiced, grooves, setting } = usePanel()
  const tempo = usePlayedTempo()
  const [rounds, setRounds] = useState(8)
  const [click, setClick] = useState(true)
  const [parts, setParts] = useState<LoopParts>('all')
  const [course, setCourse] = useState<Course>('tempo')
  const versions = useLive(liveVersions(id)).rows
  const ladder = goalLadder(voiced.frame)
  const courses: (readonly [Course, string])[] = [
    ['tempo', `at ${tempo} bpm`],
    ...(ladder.length > 0 ? [['ladder', `${ladder.join(', ')} bpm`] as const] : []),
    ...(versions.length > 0 ? [['versions', 'saved versions in turn'] as const] : []),
  ]
  const chosen = courses.some(([one]) => one === course) ? course : 'tempo'
  const stretches = (): LoopStretch[] => {
    if (chosen === 'ladder') return ladder.map((rung) => ({ lick: voiced, tempo: rung, rounds }))
    const saved = chosen === 'versions' ? versions : []
    const others = saved.flatMap((one) => findVoicedLick(one) ?? [])
    return [voiced, ...others].map((lick) => ({ lick, tempo, rounds }))
  }
  const name = voiced.title || 'lick'
  return (
    <Part title="To play along with">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="w-24">
          <LabelledNumber
            label={chosen === 'tempo' ? 'Rounds' : 'Rounds of each'}
            value={rounds}
            min={1}
            max={MAX_ROUNDS}
            onChange={setRounds}
          />
        </div>
        <Choice legend="What is heard" options={PARTS} value={parts} onChoose={setParts} />
        {parts !== 'click' && (
          <Checkbox checked={click} onTick={setClick}>
            Click
          </Checkbox>
        )}
      </div>
      {courses.length > 1 && (
        <Choice legend="In which order" options={courses} value={chosen} onChoose={setCourse} />
      )}
      <SaveSound
        name={chosen === 'tempo' ? `${name} ${tempo}` : name}
        stretches={stretches}
        options={{
          click,
          parts,
          grooves,
          sounds: soundsOn(setting.kit),
          swapsGroove: setting.player.swapsGroove ?? false,
        }}
      />
    </Part>
  )
}
