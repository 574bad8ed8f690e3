import { useEffect, useState } from 'react'
import type { SlotRange } from '~/core/changes'
import type { Position } from '~/core/performance'
import type { Phase } from '../lights'
import { pageAt } from './pages'

/** The piece of a line that sounds, looked at frame by frame; the page is drawn only where it turns. */
export function usePage(
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
export function useRound(
  watched: boolean,
  position: (ahead?: number) => Position | undefined,
): number {
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
