import { X } from 'lucide-react'
import { type RefObject, useEffect, useMemo, useRef, useState } from 'react'
import type { Lick } from '~/core/line'
import type { Rating } from '~/core/log'
import type { Position } from '~/core/performance'
import type { CountingSystem } from '~/core/time'
import { tempoFigure } from '~/words/figures'
import { BigCount } from '../big-count'
import type { Phase } from '../lights'
import { Ratings } from '../ratings'
import { stillWords } from '../still-words'
import { stagePages } from './pages'
import { STAGE_LETTERS, STAGE_SLOT, StageFigure } from './stage-figure'
import { usePage } from './use-page'

interface StageProps {
  readonly lick: Lick
  readonly title: string
  readonly counting: CountingSystem
  readonly beats: number
  readonly tempo: number
  readonly nextTempo: number | null
  /** `3 of 8`. */
  readonly repeat: string
  readonly playing: boolean
  readonly position: (ahead?: number) => Position | undefined
  readonly phaseOf: (position: Position | undefined) => Phase
  readonly onPlay: () => void
  readonly onRate: (rating: Rating) => void
  readonly onLeave: () => void
}

/** The smallest letter is at least so much of the screen's height. */
const LETTER_SHARE = 0.05
const SMALLEST_LETTER = 19

/** Screens lower than this show one piece alone. */
const SHORT = 560
/** Between the pieces, in pixels. */
const GAP = 24

/**
 * Practice seen from two metres: one bar or group at a time, following the music, the next one under
 * it; count, phase, tempo and repeat as large as each other.
 */
export default function Stage(props: StageProps) {
  const { lick, counting, playing, position, phaseOf, tempo, nextTempo, repeat } = props
  const host = useRef<HTMLDialogElement>(null)
  useEffect(() => host.current?.showModal(), [])
  const { width, height } = useSize(host)
  const figures = useRef<HTMLDivElement>(null)
  const shown = useSize(figures)
  const least = (height * LETTER_SHARE * STAGE_SLOT) / SMALLEST_LETTER
  const inner = Math.max(1, width - 32)
  const room = Math.max(1, Math.floor(inner / Math.max(1, least)))
  const pages = useMemo(() => stagePages(lick, room), [lick, room])
  const at = usePage(pages, playing, position, phaseOf)
  const longest = Math.max(1, ...pages.map(({ from, to }) => to - from))
  const slot = Math.max(least, Math.min(inner / longest, height * 0.11))
  const unit = slot / STAGE_SLOT
  const nextSlot = Math.max(least, slot * 0.7)
  const showsNext = pages.length > 1 && height >= SHORT
  // What the letters, here and of the next piece, leave for the stacks.
  const letters = (STAGE_LETTERS * (slot + (showsNext ? nextSlot : 0))) / STAGE_SLOT
  const stacks = Math.max(0, (shown.height - letters - GAP) / unit)
  const [now, next] = [pages[at], pages[(at + 1) % Math.max(1, pages.length)]]
  return (
    <dialog
      ref={host}
      aria-label="Stage"
      className="stage"
      onCancel={(event) => {
        event.preventDefault()
        props.onLeave()
      }}
    >
      <div className="flex items-center gap-4">
        <h2 className="min-w-0 truncate font-semibold text-lg">{props.title}</h2>
        <button
          type="button"
          className="btn btn-ghost ml-auto"
          aria-keyshortcuts="s"
          onClick={props.onLeave}
        >
          <X size={20} aria-hidden /> Leave the stage
        </button>
      </div>
      <div className="stage-count">
        <BigCount beats={props.beats} playing={playing} onTap={props.onPlay} />
      </div>
      <div className="stage-words">
        <p data-phase-words className="text-primary">
          {stillWords()}
        </p>
        <p className="tabular-nums">
          {tempoFigure(tempo)}
          {nextTempo !== null && ` → ${tempoFigure(nextTempo)}`}
        </p>
        <p className="tabular-nums">{repeat}</p>
      </div>
      <div ref={figures} className="stage-page">
        {now && height > 0 && (
          <StageFigure lick={lick} page={now} counting={counting} slot={slot} stacks={stacks} lit />
        )}
        {next && showsNext && (
          <div className="stage-next">
            <span>next</span>
            <StageFigure
              lick={lick}
              page={next}
              counting={counting}
              slot={nextSlot}
              stacks={0}
              lit={false}
            />
          </div>
        )}
      </div>
      <Ratings playing={playing} onPlay={props.onPlay} onRate={props.onRate} />
    </dialog>
  )
}

function useSize(host: RefObject<HTMLElement | null>) {
  const [size, setSize] = useState({ width: 0, height: 0 })
  useEffect(() => {
    const element = host.current
    if (!element) return
    const observer = new ResizeObserver(() =>
      setSize({ width: element.clientWidth, height: element.clientHeight }),
    )
    observer.observe(element)
    return () => observer.disconnect()
  }, [host])
  return size
}
