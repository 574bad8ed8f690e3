import { type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { soundsOn } from '~/core/kit'
import { NO_GROOVE } from '~/core/line'
import type { Rating } from '~/core/log'
import { onKit, type Position, type Turn, toSequence } from '~/core/performance'
import type { Setting } from '~/core/playing'
import { grooveBars, type Section, type Solo, sectionAt, soloSecondsPerTick } from '~/core/solo'
import { barTicks } from '~/core/time'
import type { PlaySwitches } from '~/playback/use-playback'
import { useSounding } from '~/playback/use-sounding'
import { useSessionLog } from '../practice'

/** What of a solo is played: sections from one up to another, which is not played any more. */
export interface Stretch {
  readonly from: number
  readonly to: number
  /** What it is filed under in the log: `join 8`, or nothing for the whole. */
  readonly part: string
  readonly words: string
}

/** Where a solo is while it plays. */
export interface SoloPlace {
  readonly section: number
  /** The bar of the whole, from 0; -1 while it is counted in. */
  readonly bar: number
  readonly round: number
}

interface Sounded {
  readonly id: string
  readonly solo: Solo
  readonly sections: readonly Section[]
  readonly stretch: Stretch
  readonly setting: Setting
  readonly tempo: number
  readonly switches: PlaySwitches
  readonly host: RefObject<HTMLElement | null>
}

const LOOK_MS = 60

/** Plays a stretch of a solo, also while it is changed; lights the bar that sounds, and writes it down. */
export function useSoloSound(sounded: Sounded) {
  const { id, solo, sections, stretch, setting, tempo, switches, host } = sounded
  const { loop, countIn, click, clickMarks, inEighths = false } = switches
  const { from, to } = stretch
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const played = useMemo(() => {
    const some = sections.slice(from, to)
    if (some.length > 0) return some
    return sections.length > 0 ? sections : [silentBar(solo)]
  }, [sections, from, to, solo])
  const compose = useCallback(
    () =>
      onKit(
        toSequence(played, {
          loop,
          countIn,
          click: { marks: clickMarks, dropOut: null, inEighths },
          grooves: setting.grooves ?? [],
          swapsGroove: setting.player.swapsGroove ?? false,
        }),
        sounds,
      ),
    [played, loop, countIn, clickMarks, inEighths, setting, sounds],
  )
  const tickSeconds = soloSecondsPerTick(solo, tempo)
  const plan = useCallback(() => tickSeconds, [tickSeconds])
  const sounding = useSounding(compose, plan)
  const { playing, position, start, stop, setMuted } = sounding
  useEffect(() => setMuted('click', !click), [click, setMuted])
  const empty = sections.length === 0
  useEffect(() => {
    if (playing && empty) stop()
  }, [playing, empty, stop])

  const [place, setPlace] = useState<SoloPlace | null>(null)
  const rounds = useRef(0)
  const newest = useRef(sections)
  newest.current = sections
  useEffect(() => {
    if (!playing) return
    const look = () => {
      const next = placeAt(position(), newest.current, newest.current[from]?.from ?? 0)
      if (next) rounds.current = next.round
      setPlace((now) =>
        next && now?.bar === next.bar && now.section === next.section && now.round === next.round
          ? now
          : next,
      )
      light(host.current, next?.bar ?? -1)
    }
    const timer = setInterval(look, LOOK_MS)
    return () => {
      clearInterval(timer)
      setPlace(null)
      light(host.current, -1)
      rounds.current = 0
    }
  }, [playing, position, from, host])

  const [rating, setRating] = useState<Rating | null>(null)
  useSessionLog({
    playing,
    lickId: id,
    part: stretch.part,
    step: stretch.words.slice(0, 120),
    tempo,
    grid: '',
    form: 'solo',
    rating,
    rounds: () => rounds.current,
  })
  const toggle = useCallback(() => {
    if (playing) stop()
    else if (!empty) {
      setRating(null)
      start()
    }
  }, [playing, empty, stop, start])
  return { ...sounding, place, toggle, rating, setRating }
}

/** What a solo sounds like that has just lost its last part, until it has stopped. */
function silentBar({ meter }: Solo): Turn {
  return { lick: grooveBars(NO_GROOVE, meter, 1), pickup: false }
}

/** Where a solo is that began at one of its ticks. */
function placeAt(
  position: Position | undefined,
  sections: readonly Section[],
  began: number,
): SoloPlace | null {
  if (!position || position.phase === 'over' || sections.length === 0) return null
  const tick = began + Math.max(0, position.tick)
  const section = sectionAt(sections, tick)
  const one = sections[section] as Section
  const bar = Math.floor((tick - one.from) / barTicks(one.lick.frame.meter))
  return {
    section,
    bar: position.phase === 'count-in' ? -1 : one.barsBefore + Math.min(bar, one.bars - 1),
    round: position.phase === 'round' ? position.round : 0,
  }
}

/** Lights the bar that sounds, past React: of those marked `data-bar`. */
function light(host: HTMLElement | null, bar: number): void {
  if (!host) return
  for (const lit of host.querySelectorAll('[data-bar][data-now]'))
    if (lit.getAttribute('data-bar') !== String(bar)) lit.removeAttribute('data-now')
  if (bar >= 0) host.querySelector(`[data-bar="${bar}"]`)?.setAttribute('data-now', '')
}
