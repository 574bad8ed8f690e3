import { useMemo, useState } from 'react'
import { findPhrase, phraseOf } from '~/core/changes'
import { type Fix, fixesOf } from '~/core/fitting'
import { type FreeHand, frameTicks, type Lick } from '~/core/line'
import { gridName, gridTicks, secondsPerTick } from '~/core/time'
import { PhraseText } from '~/drawing/stacks/phrase-figure'
import { EmptyState, Part, TextBox } from '~/ui/parts'
import { plural, slots } from '~/words/figures'
import { LETTER_NAMES } from '~/words/limb-names'
import { fixEdit, fixWords } from '~/workspace/edits/fitting-edits'
import type { PanelView } from '../state/use-panel'
import { showing } from './showing'

const FREE_WORDS: Readonly<Record<FreeHand, string>> = {
  RH: 'right hand free to land',
  LH: 'left hand free to land',
  both: 'both hands free to land',
  none: 'no hand free to land',
  unknown: 'last hand not decided',
}

/** Ways to make the line fit, each a finished line. */
export function Fixes({ lick, range, selection, setting, tempo, onEdit, onShow }: PanelView) {
  const [typed, setTyped] = useState('')
  const tail = findPhrase(typed)
  const own = tail && tail.slots.length > 0 ? tail : null
  const repeated = selection ? range : null
  const fixes = useMemo(() => fixesOf(lick, repeated, own, setting), [lick, repeated, own, setting])
  if (fixes.length === 0) {
    return (
      <Part title="Fixes">
        <EmptyState>It fits: nothing to fix.</EmptyState>
      </Part>
    )
  }
  return (
    <Part title="Ways to make it fit">
      <ul className="flex flex-col">
        {fixes.map((fix) => (
          <li key={`${fix.kind} ${fix.grid ? gridName(fix.grid) : ''}`}>
            <button
              type="button"
              className="flex w-full flex-wrap items-baseline gap-x-3 rounded-field px-2 py-1 text-left text-sm hover:bg-base-200"
              onClick={() => onEdit(fixEdit(lick, fix, repeated))}
              {...showing(onShow, () => fixEdit(lick, fix, repeated))}
            >
              <span className="w-full">{fixWords(fix, lick)}</span>
              <span className="min-w-0 grow truncate">
                <WhereItDiffers fix={fix} />
              </span>
              <span className="text-(--quiet) text-xs">{outcomeWords(fix, lick, tempo)}</span>
            </button>
          </li>
        ))}
      </ul>
      <OwnTail lick={lick} typed={typed} size={own?.slots.length ?? null} onType={setTyped} />
    </Part>
  )
}

/** An ending of the player's own, to be offered among the fixes; its size is told until it fits. */
function OwnTail({
  lick,
  typed,
  size,
  onType,
}: {
  lick: Lick
  typed: string
  size: number | null
  onType: (typed: string) => void
}) {
  const free = freeSlots(lick)
  if (free === null) return null
  const words =
    typed === ''
      ? `of ${plural(free, 'slot')}`
      : size === null
        ? 'is not a sticking yet'
        : size === free
          ? 'is offered above'
          : `has ${plural(size, 'slot')}; ${free} are free`
  return (
    <p className="flex flex-wrap items-center gap-2 px-2 text-sm">
      Your own ending
      <TextBox
        label="Your own ending"
        className="w-28 font-mono"
        placeholder="KK"
        value={typed}
        onType={onType}
      />
      <span role="status" className="text-(--quiet)">
        {words}
      </span>
    </p>
  )
}

/** Whole slots that are free; null where none are. */
function freeSlots(lick: Lick): number | null {
  const rests = fixesOf(lick).find(({ kind }) => kind === 'rests')
  return rests?.added ? rests.added.to - rests.added.from : null
}

const SHOWN_SLOTS = 14

/** The end of a fixed line, or where something new stands before that, from there. */
function WhereItDiffers({ fix: { added, lick } }: { fix: Fix }) {
  const { length } = lick.line.slots
  const end = Math.max(0, length - SHOWN_SLOTS)
  const from = added ? Math.min(added.from, end) : end
  const to = Math.min(length, from + SHOWN_SLOTS)
  return (
    <>
      {from > 0 && '… '}
      <PhraseText phrase={phraseOf(lick.line, { from, to })} />
      {to < length && ' …'}
    </>
  )
}

/** What a fix leaves: what is still left or over, a run at the link, who is free, what the foot needs. */
export function outcomeWords(fix: Fix, { frame }: Lick, tempo: number): string {
  const { fits, left, freeHand, foot, run, cut } = fix
  const ms = foot && foot.gapTicks * secondsPerTick(tempo, frameTicks(frame).beat) * 1000
  return [
    fits ? '' : leftWords(fix.lick, left),
    cut > 0 ? `${plural(cut, 'slot')} cut` : '',
    run ? `${run.strokes} ${LETTER_NAMES[run.letter]} in a row at the link` : '',
    FREE_WORDS[freeHand],
    foot && ms !== null
      ? `the foot has ${Math.round(ms)} ms to the landing and needs ${Math.round(foot.needMs)}`
      : '',
  ]
    .filter(Boolean)
    .join(', ')
}

function leftWords(lick: Lick, ticks: number): string {
  const count = Math.abs(ticks) / gridTicks(lick.frame.grid)
  return `${slots(count)} ${ticks > 0 ? 'left' : 'over'}`
}
