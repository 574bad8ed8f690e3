import { Check } from 'lucide-react'
import { memo, useMemo, useRef } from 'react'
import { foundLick } from '~/codecs/question'
import { findPhrase } from '~/core/changes'
import { type Lick, lineCounts } from '~/core/line'
import { REST } from '~/core/sticking'
import { LineFigure } from '~/drawing/line/line-figure'
import { useCounting } from '~/live/use-setting'
import { useWidth } from '~/ui/use-width'
import { listWords } from '~/words/figures'
import { foundWords, pickWords } from '~/words/finder-words'
import type { FoundWay, WayPick } from '~/workers'

/** Pixels of a slot: as wide as there is room for, within reason. */
const SLOT = { least: 13, most: 36 } as const
/** Pixels of a row beside its slots. */
const BESIDE = 56
/** A longer fill only begins. */
const SHOWN = 64

/** Found fills on one ruler, the best first; one of them is current, and the keys are its. */
export function FoundList({
  frame,
  slots,
  ways,
  current,
  marked,
  pick,
  onCurrent,
  onHear,
  onOpen,
  onMark,
}: {
  frame: Lick
  slots: number
  ways: readonly FoundWay[]
  current: number
  /** Lines that are marked. */
  marked: ReadonlySet<string>
  /** How the first was picked out of all; null where none was. */
  pick: WayPick | null
  onCurrent: (at: number) => void
  onHear: (at: number) => void
  onOpen: (at: number) => void
  onMark: (at: number) => void
}) {
  const host = useRef<HTMLDivElement>(null)
  const width = useWidth(host)
  const shown = Math.min(SHOWN, slots)
  const slot = Math.max(SLOT.least, Math.min(SLOT.most, Math.floor((width - BESIDE) / shown)))
  const go = (to: number) => {
    const at = Math.max(0, Math.min(ways.length - 1, to))
    onCurrent(at)
    document.getElementById(`found-${at}`)?.scrollIntoView({ block: 'nearest' })
  }
  return (
    <div
      ref={host}
      className="overflow-x-auto rounded-box border border-base-300 bg-base-100 focus-within:outline-2 focus-within:outline-(--cursor)"
    >
      <Counts frame={frame} slots={shown} slot={slot} />
      <div
        role="listbox"
        aria-label="Fills"
        aria-multiselectable
        aria-activedescendant={`found-${current}`}
        tabIndex={0}
        className="flex w-max min-w-full flex-col outline-none"
        onKeyDown={(event) => {
          const to = {
            ArrowDown: current + 1,
            ArrowUp: current - 1,
            Home: 0,
            End: ways.length - 1,
          }[event.key]
          if (to !== undefined) {
            event.preventDefault()
            go(to)
          }
          // Text that the line of any bench takes.
          if (event.key === 'c' && (event.ctrlKey || event.metaKey))
            void navigator.clipboard?.writeText(ways[current]?.line ?? '')
          if (event.ctrlKey || event.metaKey || event.altKey) return
          if (event.key === 'Enter') onOpen(current)
          if (event.key === 's' || event.key === 'S') onMark(current)
        }}
      >
        {ways.map((way, i) => (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the keys are the list's
          <div
            key={`${i === 0 && pick ? 'picked' : ''} ${way.line}`}
            id={`found-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={marked.has(way.line)}
            data-current={i === current || undefined}
            className="flex cursor-pointer items-center outline-none gap-2 border-base-300 border-t px-3 py-1.5 data-current:bg-base-200"
            onClick={(event) => {
              event.currentTarget.parentElement?.focus()
              go(i)
              onHear(i)
            }}
          >
            <span aria-hidden className="w-4 shrink-0 text-primary">
              {marked.has(way.line) && <Check size={16} />}
            </span>
            <Found frame={frame} way={way} slot={slot} pick={i === 0 ? pick : null} />
          </div>
        ))}
      </div>
    </div>
  )
}

/** The counts over all fills. */
function Counts({ frame, slots, slot }: { frame: Lick; slots: number; slot: number }) {
  const counting = useCounting()
  const counts = useMemo(() => {
    const line = {
      ...frame.line,
      slots: Array.from({ length: slots }, () => REST),
      groups: [slots],
    }
    return lineCounts({ ...frame, line }, counting)
  }, [frame, slots, counting])
  return (
    <div aria-hidden className="flex w-max py-1 pl-9 text-(--quiet) text-xs">
      {counts.map((count, i) => (
        <span key={i} style={{ width: slot }} className="overflow-hidden text-center">
          {count}
        </span>
      ))}
    </div>
  )
}

const Found = memo(function Found({
  frame,
  way,
  slot,
  pick,
}: {
  frame: Lick
  way: FoundWay
  slot: number
  pick: WayPick | null
}) {
  const lick = useMemo(() => {
    const phrase = findPhrase(way.line)
    return phrase ? foundLick(frame, phrase, '') : null
  }, [frame, way])
  if (!lick) return null
  return (
    <span className="min-w-0">
      <LineFigure lick={lick} page={{ from: 0, to: SHOWN }} slot={slot} lit={false} stacks={34} />
      <span className="block text-(--quiet) text-xs">
        {listWords(lick.line.groups)} · {foundWords(way)}
        {pick && ` · ${pickWords(pick)}`}
      </span>
    </span>
  )
})
