import { Play } from 'lucide-react'
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react'
import type { FoundVoices, KitShape } from '~/core/finder'
import type { Lick } from '~/core/line'
import { type Pin, type Voicing, voiceLick } from '~/core/voicing'
import { Checkbox } from '~/ui/checkbox'
import { IconButton } from '~/ui/icon-button'
import { EmptyState, ErrorText, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { useSettled } from '~/ui/use-settled'
import { listWords, plural, tempoFigure } from '~/words/figures'
import { theSurface } from '~/words/surface-words'
import { contourOf } from '~/workspace/contour'
import { type Finder, useFinder } from '../state/use-finder'
import type { PanelView } from '../state/use-panel'
import { useWorkspace } from '../state/use-workspace'

const SHAPES: readonly (readonly [KitShape, string])[] = [
  ['down', 'down the kit'],
  ['up', 'up the kit'],
  ['there-and-back', 'down and back'],
  ['figure', 'the same in each group'],
  ['drawn', 'as I draw it'],
]
/** How often a piece may come in a row; 0 for as often as it does. */
const ROWS: readonly (readonly [string, string])[] = [
  ['0', 'as often in a row as it comes'],
  ...[1, 2, 3, 4].map(
    (most) => [`${most}`, `${plural(most, 'stroke')} in a row on a piece`] as const,
  ),
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
  onHear,
  onPreview,
}: PanelView & { onPreview: (next: Voicing | null) => void }) {
  const [shape, setShape] = useState<KitShape>('down')
  const [accents, setAccents] = useState(false)
  const [keeps, setKeeps] = useState(false)
  const [inRow, setInRow] = useState(0)
  const { contour } = useWorkspace()
  const { points } = useSyncExternalStore(contour.subscribe, contour.state, contour.state)
  const drawn = shape === 'drawn'
  useEffect(() => {
    if (!drawn) return
    contour.open()
    return contour.close
  }, [contour, drawn])
  const settled = useSettled(lick, REST_MS)
  const wished = useSettled(points, REST_MS)
  const nothingDrawn = drawn && points.every((point) => point === null)
  const struck = keeps ? voicing.pins : NONE
  const { tempo } = settled.frame
  const ask = useCallback(
    (finder: Finder) => {
      const wish = { shape, contour: wished, inRow, accents, crossing: false, tempo }
      return finder.ask('find-voices', { lick: settled, setting, wish, struck })
    },
    [settled, setting, shape, wished, inRow, accents, tempo, struck],
  )
  const answer = useFinder(ask, NOTHING)
  // Nothing of an older line or contour is shown.
  const found = settled === lick && wished === points ? answer : null
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
        <Pick
          label="How often a piece comes"
          value={`${inRow}`}
          options={ROWS}
          onPick={(most) => setInRow(Number(most))}
        />
        <Checkbox checked={accents} onTick={setAccents}>
          accents on cymbals
        </Checkbox>
        {voicing.pins.length > 0 && (
          <Checkbox checked={keeps} onTick={setKeeps}>
            keep what is struck by hand
          </Checkbox>
        )}
      </div>
      {drawn && <DrawnContour lick={lick} />}
      <ul aria-label="Found voices" className="min-h-24">
        {(nothingDrawn ? NOTHING : (found ?? [])).map((one) => {
          const words = voicesWords(one)
          return (
            <li key={JSON.stringify(one.pins)} className="flex items-start">
              <button
                type="button"
                className="min-w-0 grow rounded-field px-2 py-1 text-left text-sm hover:bg-base-200"
                onMouseEnter={() => onPreview(laid(one))}
                onMouseLeave={() => onPreview(null)}
                onFocus={() => onPreview(laid(one))}
                onBlur={() => onPreview(null)}
                onClick={() => onVoice('Found voices', laid(one))}
              >
                {words}
                <span className="block truncate font-mono text-(--quiet) text-xs">
                  {runWords(one)}
                </span>
              </button>
              <IconButton
                size="tiny"
                label={`Hear ${words}`}
                onClick={() => onHear(voiceLick(lick, laid(one)))}
              >
                <Play size={14} aria-hidden />
              </IconButton>
            </li>
          )
        })}
        {found?.length === 0 && !nothingDrawn && lick.line.slots.length > 0 && (
          <li>
            <EmptyState>
              No way without crossed arms is in time. Try a slower tempo
              {inRow > 0 && ', or more strokes in a row'}.
            </EmptyState>
          </li>
        )}
      </ul>
    </Part>
  )
}

/** How a contour comes about: drawn over the ruler, or typed. */
function DrawnContour({ lick }: { lick: Lick }) {
  const { contour } = useWorkspace()
  const [typed, setTyped] = useState('')
  const slots = lick.line.slots.length
  const wrong = contourOf(typed, slots) === null
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1 text-sm">
      <span>Draw over the ruler: high for the snare, low for the lowest tom. Or type it:</span>
      <input
        aria-label="Contour, 1 for the snare to 9 for the lowest tom"
        placeholder="191"
        inputMode="numeric"
        aria-invalid={wrong}
        className="w-24 rounded-field border border-base-300 bg-base-100 px-2 py-1 font-mono"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value)
          const next = contourOf(event.target.value, slots)
          if (next) contour.take(next)
        }}
      />
      {wrong && <ErrorText words="Type digits from 1 (the snare) to 9 (the lowest tom)." />}
    </div>
  )
}

/** How often each surface comes in a row: `sn 4 · t1 4 · f1 8`, so that ways over the same drums are told apart. */
function runWords({ pins }: FoundVoices): string {
  const runs: { surface: string; times: number }[] = []
  for (const { surface } of pins) {
    const last = runs.at(-1)
    if (last?.surface === surface) last.times += 1
    else runs.push({ surface, times: 1 })
  }
  return runs.map(({ surface, times }) => `${surface} ${times}`).join(' · ')
}

/** Where a way goes, each surface once in the order in which it is struck. */
function voicesWords({ pins, voicing }: FoundVoices): string {
  const surfaces = [...new Set(pins.map(({ surface }) => surface))]
  const words = listWords(surfaces.map(theSurface))
  return voicing.rules.length > 0 ? `${words}, by rules` : words
}
