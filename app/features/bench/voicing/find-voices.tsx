import { useCallback, useState } from 'react'
import type { FoundVoices, KitShape } from '~/core/finder'
import type { Pin, Voicing } from '~/core/voicing'
import { Checkbox } from '~/ui/checkbox'
import { EmptyState, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { useSettled } from '~/ui/use-settled'
import { listWords, tempoFigure } from '~/words/figures'
import { theSurface } from '~/words/surface-words'
import { type Finder, useFinder } from '../state/use-finder'
import type { PanelView } from '../state/use-panel'

const SHAPES: readonly (readonly [KitShape, string])[] = [
  ['down', 'down the kit'],
  ['up', 'up the kit'],
  ['there-and-back', 'down and back'],
  ['figure', 'the same in each group'],
]
const NONE: readonly Pin[] = []
const NOTHING: readonly FoundVoices[] = []
/** Of a line that is being typed nothing is looked for. */
const REST_MS = 200

/** Ways over the kit that are looked for: no arms cross, and every move has its time at the tempo. */
export function FindVoices({
  lick,
  setting,
  voicing,
  onVoice,
  onPreview,
}: PanelView & { onPreview: (next: Voicing | null) => void }) {
  const [shape, setShape] = useState<KitShape>('down')
  const [accents, setAccents] = useState(false)
  const [keeps, setKeeps] = useState(false)
  const settled = useSettled(lick, REST_MS)
  const struck = keeps ? voicing.pins : NONE
  const { tempo } = settled.frame
  const ask = useCallback(
    (finder: Finder) => {
      const wish = { shape, accents, crossing: false, tempo }
      return finder.ask('find-voices', { lick: settled, setting, wish, struck })
    },
    [settled, setting, shape, accents, tempo, struck],
  )
  const found = useFinder(ask, NOTHING)
  const laid = (one: FoundVoices): Voicing => ({ ...voicing, ...one.voicing })
  return (
    <Part
      title="Find voices"
      aside={
        <span className="text-(--quiet) text-xs">
          no arms crossed, in time at {tempoFigure(lick.frame.tempo)}
        </span>
      }
    >
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <Pick label="Way over the kit" value={shape} options={SHAPES} onPick={setShape} />
        <Checkbox checked={accents} onTick={setAccents}>
          accents on cymbals
        </Checkbox>
        {voicing.pins.length > 0 && (
          <Checkbox checked={keeps} onTick={setKeeps}>
            keep what is struck by hand
          </Checkbox>
        )}
      </div>
      <ul aria-label="Found voices" className="min-h-24">
        {(found ?? []).map((one) => {
          const words = voicesWords(one)
          return (
            <li key={JSON.stringify(one.pins)}>
              <button
                type="button"
                className="w-full rounded-field px-2 py-1 text-left text-sm hover:bg-base-200"
                onMouseEnter={() => onPreview(laid(one))}
                onMouseLeave={() => onPreview(null)}
                onFocus={() => onPreview(laid(one))}
                onBlur={() => onPreview(null)}
                onClick={() => onVoice('Found voices', laid(one))}
              >
                {words}
              </button>
            </li>
          )
        })}
        {found?.length === 0 && lick.line.slots.length > 0 && (
          <li>
            <EmptyState>No way without crossed arms is in time. Try a slower tempo.</EmptyState>
          </li>
        )}
      </ul>
    </Part>
  )
}

/** Where a way goes, each surface once in the order in which it is struck. */
function voicesWords({ pins, voicing }: FoundVoices): string {
  const surfaces = [...new Set(pins.map(({ surface }) => surface))]
  const words = listWords(surfaces.map(theSurface))
  return voicing.rules.length > 0 ? `${words}, by rules` : words
}
