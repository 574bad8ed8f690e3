import { useMemo, useState } from 'react'
import { formatLickText } from '~/codecs/lick-text'
import { formatVoicing } from '~/codecs/voicing'
import { type Ending, endingsOf, withEnding } from '~/core/fitting'
import type { Lick } from '~/core/line'
import { lickSlots } from '~/core/line'
import type { Surface } from '~/core/sticking'
import { SURFACE_NAMES } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import { useSaving } from '~/live/use-saving'
import { Button, Choice, EmptyState, ErrorText, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { capital } from '~/words/move-words'
import { placeIn } from '~/words/places'
import { theSurface } from '~/words/surface-words'
import { turnTexts } from '~/workspace/turned'
import { usePanel } from '../state/use-panel'
import { changeVersions } from './saved-store'

const STOPS = [
  ['beats', 'on a beat'],
  ['strokes', 'on any stroke'],
] as const
/** More are found by choosing another surface. */
const MAX_SHOWN = 40

/** The same fill with other endings, to be heard, used, or saved as versions. */
export function EndingsPart() {
  const { tell, trouble } = useSaving(changeVersions)
  const { id, turned, lick, voiced, voicing, setting, counting, onEdit, onShow, onHear } =
    usePanel()
  const [stops, setStops] = useState<'beats' | 'strokes'>('beats')
  const surfaces = setting.kit.pieces.filter(({ kind }) => kind !== 'pedal')
  const crash = surfaces.find(({ surface: one }) => one === 'c1') ?? surfaces[0]
  const [surface, setSurface] = useState<Surface>(crash?.surface ?? 'c1')
  const endings = useMemo(
    () => endingsOf(voiced, { stops, surfaces: [surface] }).slice(0, MAX_SHOWN),
    [voiced, stops, surface],
  )
  const save = (words: string, text: string) => {
    const texts = turnTexts({ text, draft: null, voicing: formatVoicing(voicing) }, turned)
    void tell({ intent: 'save', lickId: id, name: words.slice(0, 80), ...texts })
  }
  if (voiced.line.slots.length === 0)
    return <EmptyState>Type a sticking, and its endings are listed here.</EmptyState>
  return (
    <Part title="Other endings">
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <span>Stopped</span>
        <Choice legend="Where it may stop" options={STOPS} value={stops} onChoose={setStops} />
        <span>or landed on</span>
        <Pick
          label="Where it lands"
          value={surface}
          options={surfaces.map(({ surface: one }) => [one, SURFACE_NAMES[one]] as const)}
          onPick={setSurface}
        />
      </div>
      <ul aria-label="Endings" className="flex max-h-72 flex-col overflow-y-auto text-sm">
        {endings.map((ending) => {
          const words = endingWords(voiced, ending, counting)
          // Of the line as it is typed: rules stay rules.
          const edit = { label: words, lick: withEnding(lick, ending) }
          return (
            <li
              key={words}
              className="flex flex-wrap items-center gap-1.5 border-base-300 border-t py-1"
              onPointerEnter={() => onShow(edit)}
              onPointerLeave={() => onShow(null)}
            >
              <span className="min-w-40 grow">{words}</span>
              <Button label={`Hear: ${words}`} onClick={() => onHear(ending.lick)}>
                Hear
              </Button>
              <Button label={`Use: ${words}`} onClick={() => onEdit(edit)}>
                Use
              </Button>
              <Button
                label={`Save as a version: ${words}`}
                onClick={() => save(words, formatLickText(edit.lick))}
              >
                Save
              </Button>
            </li>
          )
        })}
      </ul>
      <ErrorText words={trouble} />
    </Part>
  )
}

/** `Stopped on 4`, `Crash with the left hand, choked`. */
function endingWords(
  lick: Lick,
  { kind, slot, hand, surface, choke }: Ending,
  counting: CountingSystem,
): string {
  if (kind === 'stopped') {
    const tick = lickSlots(lick)[slot ?? 0]?.tick ?? 0
    return `Stopped on ${placeIn(lick, tick, counting)}`
  }
  const where = surface ? theSurface(surface) : ''
  return `${capital(where.replace(/^the /, ''))} with the ${hand === 'R' ? 'right' : 'left'} hand${choke ? ', choked' : ''}`
}
