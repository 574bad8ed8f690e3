import { useMemo } from 'react'
import { phraseOf } from '~/core/changes'
import { type Fix, fixesOf } from '~/core/fitting'
import type { FreeHand, Lick } from '~/core/line'
import { gridName, gridTicks } from '~/core/time'
import { slots } from '../bench/figures'
import { PhraseText } from '../stacks/phrase-figure'
import { fixEdit, fixWords } from './fitting-edits'
import type { PanelProps } from './panel-props'
import { Nothing, Part } from './parts'

const FREE_WORDS: Readonly<Record<FreeHand, string>> = {
  RH: 'right hand free to land',
  LH: 'left hand free to land',
  both: 'both hands free to land',
  none: 'no hand free to land',
  unknown: 'last hand not decided',
}

/** Ways to make the line fit, each a finished line. */
export function Fixes({ lick, onEdit }: PanelProps) {
  const fixes = useMemo(() => fixesOf(lick), [lick])
  if (fixes.length === 0) {
    return (
      <Part title="Mending">
        <Nothing>It fits: nothing to mend.</Nothing>
      </Part>
    )
  }
  return (
    <Part title="Ways to make it fit">
      <ul className="flex flex-col">
        {fixes.map((mend) => (
          <li key={`${mend.kind} ${mend.grid ? gridName(mend.grid) : ''}`}>
            <button
              type="button"
              className="flex w-full flex-wrap items-baseline gap-x-3 rounded-field px-2 py-1 text-left text-sm hover:bg-base-200"
              onClick={() => onEdit(fixEdit(lick, mend))}
            >
              <span className="w-48 shrink-0">{fixWords(mend, lick)}</span>
              <span className="min-w-0 grow truncate">
                <WhereItDiffers mend={mend} />
              </span>
              <span className="text-(--quiet) text-xs">
                {mend.fits ? '' : `${leftWords(mend.lick, mend.left)}, `}
                {FREE_WORDS[mend.freeHand]}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Part>
  )
}

const SHOWN_SLOTS = 14

/** The end of a fixed line, or where its beginning is new, that. */
function WhereItDiffers({ mend: { kind, lick } }: { mend: Fix }) {
  const { length } = lick.line.slots
  const from = kind === 'remainder-first' ? 0 : Math.max(0, length - SHOWN_SLOTS)
  const to = Math.min(length, from + SHOWN_SLOTS)
  return (
    <>
      {from > 0 && '… '}
      <PhraseText phrase={phraseOf(lick.line, { from, to })} />
      {to < length && ' …'}
    </>
  )
}

function leftWords(lick: Lick, ticks: number): string {
  const count = Math.abs(ticks) / gridTicks(lick.frame.grid)
  return `${slots(count)} ${ticks > 0 ? 'left' : 'over'}`
}
