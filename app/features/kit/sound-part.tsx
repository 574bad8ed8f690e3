import { Play } from 'lucide-react'
import { useMemo } from 'react'
import { parseLickText } from '~/codecs/lick-text'
import { type Kit, numberedPieces } from '~/core/kit'
import type { Lick } from '~/core/line'
import type { SoundChoice } from '~/core/sound'
import { useHearLick } from '~/session/use-hear-lick'
import type { Settings } from '~/storage'
import { SelectField } from '~/ui/field'
import { Button } from '~/ui/parts'
import { OwnSamplesPart } from './own-samples-part'

const SIDES = [
  { value: 'drummer', label: 'the drummer’s seat' },
  { value: 'listener', label: 'in front of the kit' },
]
const TOOLS = [
  { value: 'sticks', label: 'sticks' },
  { value: 'brushes', label: 'brushes' },
]
const CLICKS = [
  { value: 'tone', label: 'a tone' },
  { value: 'wood', label: 'a wood block' },
  { value: 'tick', label: 'a tick' },
  { value: 'chime', label: 'a chime' },
]

/** How kit and click are heard, wherever something plays. */
export function SoundPart({
  kit,
  sound,
  onChange,
}: {
  kit: Kit
  sound: Settings['sound']
  onChange: (changed: Partial<Settings>) => void
}) {
  const { hear, player } = useHearLick({ click: true })
  const change = (changed: Partial<SoundChoice>) => onChange({ sound: { ...sound, ...changed } })
  const example = useMemo(() => exampleOn(kit), [kit])
  return (
    <section aria-labelledby="sound-title" className="flex flex-col gap-3">
      <div className="flex items-center gap-3">
        <h2 id="sound-title" className="font-semibold text-lg">
          Sound
        </h2>
        <Button onClick={() => example && hear(example)}>
          <Play size={14} aria-hidden /> Hear it
        </Button>
        {player}
      </div>
      <div className="grid grid-cols-2 gap-x-4 gap-y-3">
        <SelectField
          label="Heard from"
          value={sound.side}
          options={SIDES}
          onChange={(side) => change({ side: side === 'listener' ? 'listener' : 'drummer' })}
        />
        <SelectField
          label="Struck with"
          value={sound.tool}
          options={TOOLS}
          onChange={(tool) => change({ tool: tool === 'brushes' ? 'brushes' : 'sticks' })}
        />
        <SelectField
          label="The click is"
          value={sound.click}
          options={CLICKS}
          onChange={(click) => change({ click: click as SoundChoice['click'] })}
        />
        <SelectField
          label="The first of a bar is"
          value={sound.barClick}
          options={CLICKS}
          onChange={(click) => change({ barClick: click as SoundChoice['click'] })}
        />
      </div>
      <OwnSamplesPart kit={kit} sound={sound} onChange={onChange} />
    </section>
  )
}

/** Pieces that are heard one after the other: as many as a bar has beats, twice. */
const HEARD = 8

/** Once round a kit over the kick: each piece as a ghost, a tap, an accent and in full; null for a kit of nothing. */
function exampleOn(kit: Kit): Lick | null {
  const line = numberedPieces(kit)
    .slice(0, HEARD)
    .map(({ surface }) => `r:${surface}L:${surface}>R:${surface}^L:${surface}`)
    .join(' ')
  const beats = Math.ceil(numberedPieces(kit).slice(0, HEARD).length / 4)
  const frame = `title: Once round the kit\ntempo: 92\nbars: ${Math.max(1, beats)}\nlead: 0`
  const read = parseLickText(
    `${frame}\ngroove: none\nunder: @1/4 K---\nlanding: none\nline: ${line}`,
  )
  return read.ok && read.value.lick.line.slots.length > 0 ? read.value.lick : null
}
