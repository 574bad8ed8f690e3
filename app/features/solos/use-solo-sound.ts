import {
  type RefObject,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react'
import type { Channel } from '~/audio'
import { soundsOn } from '~/core/kit'
import { NO_GROOVE } from '~/core/line'
import type { Rating } from '~/core/log'
import { onKit, type Position, type Turn, toSequence } from '~/core/performance'
import type { PlayContext } from '~/core/playability'
import { grooveBars, type Section, type Solo, sectionAt } from '~/core/solo'
import { barTicks, beatTicks } from '~/core/time'
import type { Program } from '~/session/program'
import type { PlaySwitches } from '~/session/use-playback'
import { useProgram } from '~/session/use-program'

/** What of a solo is played: sections from one up to another, which is not played any more. */
export interface Stretch {
  readonly from: number
  readonly to: number
  /** What it is filed under in the log: `join 8`, or nothing for the whole. */
  readonly part: string
  readonly words: string
}

/** All of a solo. */
export const WHOLE: Stretch = {
  from: 0,
  to: Number.POSITIVE_INFINITY,
  part: '',
  words: 'the whole solo',
}

/** The bar after the last of a stretch that ends before a section, from 0. */
export function endOf(sections: readonly Section[], to: number): number {
  const last = sections[Math.min(sections.length, to) - 1]
  return last ? last.barsBefore + last.bars : 0
}

/** How it went, and the tempo that sounded then, in beats per minute. */
export interface Rated {
  readonly rating: Rating
  readonly tempo: number
}

interface Sounded {
  readonly id: string
  readonly solo: Solo
  readonly sections: readonly Section[]
  readonly stretch: Stretch
  readonly setting: PlayContext
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
  const heard = sections.slice(from, to)
  const ticks = (heard.length > 0 ? heard : sections).reduce((sum, one) => sum + one.ticks, 0)
  const beat = beatTicks(solo.meter)
  const program = useMemo(
    (): Program => ({
      lickId: id,
      part: stretch.part,
      words: stretch.words,
      grid: '',
      form: 'solo',
      compose,
      music: id,
      tempos: [tempo],
      climb: {
        rungs: 1,
        every: null,
        barTicks: Math.max(1, ticks),
        repeatTicks: Math.max(1, ticks),
        roundBars: 1,
      },
      beat,
    }),
    [id, stretch.part, stretch.words, compose, tempo, ticks, beat],
  )
  const { player, playing, trouble } = useProgram(program)
  const { position } = player
  useLayoutEffect(() => player.sound.setMuted('click', !click), [click, player])
  const empty = sections.length === 0
  useEffect(() => {
    if (playing && empty) player.stop()
  }, [playing, empty, player])

  // The bar of the whole that sounds, from 0; -1 while it is counted in, null in silence.
  const [bar, setBar] = useState<number | null>(null)
  // Whether there is something to be rated: what sounds, or what sounded last.
  const [rateable, setRateable] = useState(false)
  const newest = useRef(sections)
  newest.current = sections
  useEffect(() => {
    if (!playing) return
    const look = () => {
      const next = barAt(position(), newest.current, newest.current[from]?.from ?? 0)
      setBar(next)
      if (next !== null && next >= 0) setRateable(true)
      light(host.current, next ?? -1)
    }
    const timer = setInterval(look, LOOK_MS)
    return () => {
      clearInterval(timer)
      setBar(null)
      light(host.current, -1)
    }
  }, [playing, position, from, host])

  const [rated, setRated] = useState<Rated | null>(null)
  const rate = useCallback(
    (next: Rating) => {
      setRated({ rating: next, tempo: player.tempo })
      player.rate(next)
    },
    [player],
  )
  const anew = useCallback(() => {
    setRated(null)
    setRateable(false)
  }, [])
  const toggle = useCallback(() => {
    if (!playing && empty) return
    if (!playing) anew()
    player.toggle()
  }, [playing, empty, player, anew])
  const level = useCallback(() => player.sound.level(), [player])
  const setVolume = useCallback(
    (channel: Channel, volume: number) => player.sound.setVolume(channel, volume),
    [player],
  )
  const start = useCallback(() => {
    anew()
    player.begin()
  }, [player, anew])
  const stop = useCallback(() => player.stop(), [player])
  return {
    playing,
    trouble,
    position,
    setVolume,
    level,
    bar,
    toggle,
    start,
    stop,
    rated,
    rate,
    rateable,
  }
}

/** What a solo sounds like that has just lost its last part, until it has stopped. */
function silentBar({ meter }: Solo): Turn {
  return { lick: grooveBars(NO_GROOVE, meter, 1), pickup: false }
}

/** The bar that sounds of a solo that began at one of its ticks. */
function barAt(
  position: Position | undefined,
  sections: readonly Section[],
  began: number,
): number | null {
  if (!position || position.phase === 'over' || sections.length === 0) return null
  if (position.phase === 'count-in') return -1
  const tick = began + Math.max(0, position.tick)
  const one = sections[sectionAt(sections, tick)] as Section
  const within = Math.floor((tick - one.from) / barTicks(one.lick.frame.meter))
  return one.barsBefore + Math.min(within, one.bars - 1)
}

/** Lights the bar that sounds, past React: of those marked `data-bar`. */
function light(host: HTMLElement | null, bar: number): void {
  if (!host) return
  for (const lit of host.querySelectorAll('[data-bar][data-now]'))
    if (lit.getAttribute('data-bar') !== String(bar)) lit.removeAttribute('data-now')
  if (bar >= 0) host.querySelector(`[data-bar="${bar}"]`)?.setAttribute('data-now', '')
}
