import { type RefObject, useEffect, useMemo, useRef, useState } from 'react'
import type { SlotRange } from '~/core/changes'
import type { Position } from '~/core/performance'
import type { PlayedStroke } from '~/core/timing'
import { HEARD_BAND, LINE_LETTERS, LINE_SLOT, LineFigure } from '~/drawing/line/line-figure'
import { useCounting } from '~/live/use-setting'
import { useSlices } from '~/live/use-slices'
import type { Phase } from '../lights'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { pageAt, stagePages } from './pages'

const NONE: readonly PlayedStroke[] = []
/** The smallest letter is at least so much of the screen's height. */
const LETTER_SHARE = 0.05
const SMALLEST_LETTER = 19
/** A slot is no wider than this share of the screen's height: a short part stays a line. */
const WIDEST_SHARE = 0.11
/** A room lower than this shows one stretch alone. */
const SHORT = 250
/** Between the stretches, in pixels. */
const GAP = 12

/**
 * What is played, to be read from two metres: one bar or group at a time, following the music, with what was heard
 * of it, and the next one under it.
 */
export function RoomLine({ room }: { room: PracticeRoom }) {
  const { choice } = useSlices(room)
  const { soundingAt, step, heard: sounds } = usePractised(room)
  const { playing } = useSlices(room.player)
  const { wanted, heard: told } = useSlices(room.ear)
  const counting = useCounting()
  const round = useRound(playing && soundingAt !== null, room.player.position)
  const lick = soundingAt?.(round) ?? step?.part.lick ?? sounds
  // Strokes of the last round, shown under their slots where somebody listens.
  const heard =
    wanted && !choice.improvise.drawn ? (told.rounds.at(-1)?.told.strokes ?? NONE) : undefined
  const host = useRef<HTMLDivElement>(null)
  const { width, height } = useSize(host)
  const screen = globalThis.innerHeight || 800
  const least = (screen * LETTER_SHARE * LINE_SLOT) / SMALLEST_LETTER
  const inner = Math.max(1, width - 24)
  const most = Math.max(1, Math.floor(inner / least))
  const pages = useMemo(() => stagePages(lick, most), [lick, most])
  const at = usePage(pages, playing, room.player.position, room.phaseAt)
  const longest = Math.max(1, ...pages.map(({ from, to }) => to - from))
  const slot = Math.max(least, Math.min(inner / longest, screen * WIDEST_SHARE))
  const unit = slot / LINE_SLOT
  const nextSlot = Math.max(least, slot * 0.6)
  const showsNext = pages.length > 1 && height >= SHORT
  const band = heard ? HEARD_BAND * unit : 0
  // What the letters, here and of the next stretch, leave for the stacks.
  const letters = (LINE_LETTERS * (slot + (showsNext ? nextSlot : 0))) / LINE_SLOT
  const stacks = Math.max(0, (height - letters - band - 2 * GAP) / unit)
  const [now, next] = [pages[at], pages[(at + 1) % Math.max(1, pages.length)]]
  return (
    <div ref={host} className="room-line">
      {now && height > 0 && (
        <LineFigure
          lick={lick}
          page={now}
          counting={counting}
          slot={slot}
          stacks={stacks}
          lit
          heard={heard}
          onSelect={room.loopWithin}
        />
      )}
      {next && showsNext && (
        <div className="room-next">
          <span>next</span>
          <LineFigure
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

/** The piece of a line that sounds, looked at frame by frame; the page is drawn only where it turns. */
function usePage(
  pages: readonly SlotRange[],
  playing: boolean,
  position: (ahead?: number) => Position | undefined,
  phaseOf: (position: Position | undefined) => Phase,
): number {
  const [page, setPage] = useState(0)
  useEffect(() => {
    if (!playing) {
      setPage(0)
      return
    }
    let frame = requestAnimationFrame(function look() {
      // A moment ahead: what is read is there before it sounds.
      const { slot } = phaseOf(position(AHEAD))
      setPage((now) => (slot < 0 ? now : pageAt(pages, slot)))
      frame = requestAnimationFrame(look)
    })
    return () => cancelAnimationFrame(frame)
  }, [pages, playing, position, phaseOf])
  return Math.min(page, Math.max(0, pages.length - 1))
}

/** The round that sounds, from 0, where the page is drawn anew for each. */
function useRound(watched: boolean, position: (ahead?: number) => Position | undefined): number {
  const [round, setRound] = useState(0)
  useEffect(() => {
    if (!watched) {
      setRound(0)
      return
    }
    let frame = requestAnimationFrame(function look() {
      const at = position(AHEAD)
      if (at?.phase === 'round') setRound(at.round)
      frame = requestAnimationFrame(look)
    })
    return () => cancelAnimationFrame(frame)
  }, [watched, position])
  return round
}

/** Seconds by which a page is turned before its first slot sounds. */
const AHEAD = 0.12
