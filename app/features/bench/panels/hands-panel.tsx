import { useMemo } from 'react'
import { startsOf } from '~/core/changes'
import {
  HAND_POLICIES,
  type HandPolicy,
  isUndecided,
  policyDistances,
  suggestHands,
} from '~/core/hands'
import { type Lick, limbClashes } from '~/core/line'
import { formatSlot } from '~/core/notation'
import { feetUnderHands } from '~/core/playability'
import { SURFACE_NAMES } from '~/core/sticking'
import { PhraseText } from '~/drawing/stacks/phrase-figure'
import { Button, EmptyState, Part } from '~/ui/parts'
import { LIMB_NAMES } from '~/words/limb-names'
import { placeIn } from '~/words/places'
import { leaveOutClashing } from '~/workspace/edits/change-edits'
import { type Edit, replaceRange } from '~/workspace/edits/edits'
import { type PanelView, usePanel } from '../state/use-panel'

const POLICY_WORDS: Readonly<Record<HandPolicy, readonly [name: string, what: string]>> = {
  'cell-locked': ['Cell-locked', 'the sticking travels with its cell'],
  'slot-locked': ['Slot-locked', 'natural: the lead hand on every even slot'],
  alternating: ['Alternating', 'hands alternate; kicks and rests do not count'],
}

/** Which hand plays what: three ways, hands not decided yet, limbs wanted twice. */
export function HandsPanel() {
  const { lick, setting, counting, onEdit } = usePanel()
  const distances = useMemo(() => policyDistances(lick), [lick])
  if (lick.line.slots.length === 0)
    return <EmptyState>Type a line first to compare its hands.</EmptyState>
  return (
    <div className="flex flex-col gap-5">
      <Part title="Hands around kicks and rests">
        <ul className="flex flex-col gap-2">
          {HAND_POLICIES.map((policy) => {
            const { lick: turned, differs } = distances[policy]
            const [name, what] = POLICY_WORDS[policy]
            return (
              <li
                key={policy}
                className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1"
              >
                <p className="text-sm">
                  <span className="font-semibold">{name}</span>
                  <span className="block text-(--quiet) text-xs">{what}</span>
                </p>
                <p className="order-last col-span-2 min-w-0 text-sm">
                  <MarkedLine line={turned.line} marked={differs} />
                  <span className="block text-(--quiet) text-xs">{differWords(lick, differs)}</span>
                </p>
                <Button
                  disabled={differs.length === 0}
                  label={`Use ${name.toLowerCase()} hands`}
                  onClick={() => onEdit(wholeLine(lick, turned, `${name} hands`))}
                >
                  {differs.length === 0 ? 'as it is' : 'Use'}
                </Button>
              </li>
            )
          })}
        </ul>
      </Part>
      {isUndecided(lick) && <Suggestion lick={lick} setting={setting} onEdit={onEdit} />}
      <Clashes lick={lick} counting={counting} onEdit={onEdit} />
      <Sides lick={lick} counting={counting} />
    </div>
  )
}

const MAX_MARKED = 64

/** A line as it is typed, the slots that differ marked by weight and a line under them. */
function MarkedLine({ line, marked }: { line: Lick['line']; marked: readonly number[] }) {
  const starts = new Set(startsOf(line.groups))
  if (line.slots.length > MAX_MARKED) return <PhraseText phrase={line} />
  return (
    <span className="font-mono text-[13px] tracking-wide">
      {line.slots.map((content, slot) => (
        <span key={slot}>
          {slot > 0 && starts.has(slot) && ' '}
          {marked.includes(slot) ? (
            <mark className="bg-(--cursor) font-bold text-inherit">{formatSlot(content)}</mark>
          ) : (
            formatSlot(content)
          )}
        </span>
      ))}
    </span>
  )
}

/** The edit that takes another line of the same length. */
function wholeLine(lick: Lick, turned: Lick, label: string): Edit {
  return replaceRange(lick, { from: 0, to: lick.line.slots.length }, turned.line, label)
}

const SHOWN = 10

function differWords(lick: Lick, differs: readonly number[]): string {
  if (differs.length === 0) return 'no hand differs'
  const places = differs.slice(0, SHOWN).map((slot) => slot + 1)
  const more = differs.length - places.length
  const slots = differs.length === 1 ? 'slot' : 'slots'
  return `other hands on ${slots} ${places.join(', ')}${more > 0 ? ` and ${more} more` : ''} of ${lick.line.slots.length}`
}

function Suggestion({ lick, setting, onEdit }: Pick<PanelView, 'lick' | 'setting' | 'onEdit'>) {
  const suggested = useMemo(() => suggestHands(lick, setting), [lick, setting])
  return (
    <Part title="Hands not decided yet">
      <div className="flex flex-wrap items-center gap-3 text-sm">
        <PhraseText phrase={suggested.line} />
        <Button onClick={() => onEdit(wholeLine(lick, suggested, 'Suggested hands'))}>
          Use these hands
        </Button>
      </div>
    </Part>
  )
}

/** A limb that line and ostinatos want at once, with ways to fix it. */
function Clashes({ lick, counting, onEdit }: Pick<PanelView, 'lick' | 'counting' | 'onEdit'>) {
  const clashes = useMemo(() => limbClashes(lick), [lick])
  const [first] = clashes
  if (!first) return null
  const limbs = [...new Set(clashes.map(({ limb }) => limb))]
  return (
    <Part title="One limb, two strokes at once">
      <p className="text-sm">
        {clashes
          .slice(0, SHOWN)
          .map(({ limb, tick }) => `${LIMB_NAMES[limb]} at ${placeIn(lick, tick, counting)}`)
          .join(', ')}
        {clashes.length > SHOWN && ` and ${clashes.length - SHOWN} more`}
      </p>
      <div className="flex flex-wrap gap-2">
        {limbs.map((limb) => (
          <Button key={limb} onClick={() => onEdit(leaveOutClashing(lick, limb))}>
            Remove the {LIMB_NAMES[limb]} from the line there
          </Button>
        ))}
        {lick.ostinatos.map((layer, i) => (
          <Button
            key={`${i} ${layer.scope}`}
            onClick={() =>
              onEdit({
                label: 'Remove the ostinato',
                lick: { ...lick, ostinatos: lick.ostinatos.filter((_, at) => at !== i) },
              })
            }
          >
            Remove ostinato {i + 1} ({SURFACE_NAMES[layerVoice(layer.line)]})
          </Button>
        ))}
      </div>
    </Part>
  )
}

function layerVoice({ slots }: Lick['line']): keyof typeof SURFACE_NAMES {
  const struck = slots.find((slot) => slot.kind === 'struck')
  return struck?.kind === 'struck' && struck.strokes[0]?.letter === 'H' ? 'hf' : 'bd'
}

/** Where the feet under the line meet its hands: on the same side of the body, or across. */
function Sides({ lick, counting }: Pick<PanelView, 'lick' | 'counting'>) {
  const meetings = useMemo(() => feetUnderHands(lick), [lick])
  if (meetings.length === 0) return null
  const places = (same: boolean) => {
    const ticks = meetings.filter(({ sameSide }) => sameSide === same).map(({ tick }) => tick)
    const shown = ticks.slice(0, SHOWN).map((tick) => placeIn(lick, tick, counting))
    const more = ticks.length - shown.length
    return shown.length === 0 ? 'nowhere' : shown.join(', ') + (more > 0 ? ` and ${more} more` : '')
  }
  return (
    <Part title="Feet under hands">
      <p className="text-sm">
        On the same side: {places(true)}. Across: {places(false)}.
      </p>
    </Part>
  )
}
