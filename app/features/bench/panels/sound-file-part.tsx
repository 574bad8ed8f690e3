import { useState } from 'react'
import { soundsOn } from '~/core/kit'
import { LabelledNumber } from '~/ui/number-field'
import { Act, Choice, Part } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { Tick } from '~/ui/tick'
import { usePanel } from '../state/use-panel'
import { usePlayedTempo } from '../state/use-workspace'

const MOST_ROUNDS = 64
const PARTS = [
  ['all', 'everything'],
  ['without-line', 'the fill left free'],
] as const

/** The lick as a sound file to play along with: counted in, round after round, at the playing tempo. */
export function SoundFilePart() {
  const { voiced, grooves, setting } = usePanel()
  const tempo = usePlayedTempo()
  const [rounds, setRounds] = useState(8)
  const [click, setClick] = useState(true)
  const [parts, setParts] = useState<'all' | 'without-line'>('all')
  const [working, setWorking] = useState<AbortController | null>(null)
  const [said, setSaid] = useState('')
  const save = async () => {
    const work = new AbortController()
    setWorking(work)
    setSaid('')
    try {
      const { renderLoopFile } = await import('~/workers')
      const options = {
        tempo,
        rounds,
        click,
        parts,
        grooves,
        sounds: soundsOn(setting.kit),
        swapsGroove: setting.player.swapsGroove ?? false,
      }
      const { wav } = await renderLoopFile(voiced, options, work.signal)
      saveFile(`${voiced.title || 'lick'} ${tempo}.wav`, 'audio/wav', wav)
    } catch {
      setSaid(work.signal.aborted ? 'Cancelled.' : 'It could not be made. Try fewer rounds.')
    } finally {
      setWorking(null)
    }
  }
  return (
    <Part title="To play along with">
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-24">
          <LabelledNumber
            label="Rounds"
            value={rounds}
            min={1}
            max={MOST_ROUNDS}
            onChange={setRounds}
          />
        </div>
        <Choice legend="What is heard" options={PARTS} value={parts} onChoose={setParts} />
        <Tick checked={click} onTick={setClick}>
          Click
        </Tick>
        {working ? (
          <Act onClick={() => working.abort()}>Making it … Cancel</Act>
        ) : (
          <Act onClick={() => void save()}>Save as WAV at {tempo} bpm</Act>
        )}
      </div>
      <p role="status" className="text-(--quiet) text-sm empty:hidden">
        {said}
      </p>
    </Part>
  )
}
