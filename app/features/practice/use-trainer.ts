import { nanoid } from 'nanoid'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { frameTicks } from '~/core/line'
import type { HeardSummary } from '~/core/listening'
import type { Rating } from '~/core/log'
import type { Performance } from '~/core/performance'
import { type Climb, chooseRung, nextRung, roundOf, type Standing, standAt } from '~/core/practice'
import { secondsPerTick } from '~/core/time'
import { useSounding } from '~/playback/use-sounding'
import type { PracticeSessionRecord } from '~/storage'
import type { Step } from './step-view'
import { type Training, TrainingLog } from './training-log'

interface Trained {
  readonly lickId: string
  readonly step: Step | undefined
  readonly rungs: readonly number[]
  /** Times on a rung, and whether the ladder is climbed after them without being asked. */
  readonly repeats: number
  readonly climbs: boolean
  /** Whether every round is counted in. */
  readonly countsEach: boolean
  readonly compose: () => Performance
  readonly onSave: (session: PracticeSessionRecord) => void
}

/** How often what is running is looked at, and written down: until the last second it is in the log. */
const LOOK_MS = 200
const SAVE_MS = 1000

/**
 * Plays a step up its ladder. Where the music is tells the rung, the repeats and the session: they
 * are worked out from the bars that have sounded, never counted beside them.
 */
export function useTrainer(trained: Trained) {
  const { lickId, step, rungs, repeats, climbs, countsEach, compose, onSave } = trained
  const climb = useMemo(
    () => climbOf(step, rungs.length, climbs ? repeats : null, countsEach),
    [step, rungs, climbs, repeats, countsEach],
  )
  const [chosen, setChosen] = useState<readonly Standing[]>([{ bar: 0, rung: 0 }])
  const beat = step ? frameTicks(step.played.frame).beat : 1
  const tempoAt = useCallback(
    (rung: number) => rungs[Math.max(0, Math.min(rung, rungs.length - 1))] ?? 80,
    [rungs],
  )
  const plan = useCallback(
    (bar: number) => secondsPerTick(tempoAt(standAt(chosen, bar, climb).rung), beat),
    [chosen, climb, tempoAt, beat],
  )
  const sounding = useSounding(compose, plan)
  const { playing, position, start, stop } = sounding
  const [shown, setShown] = useState({ bar: 0, done: 0 })
  const hasPlayed = useRef(false)
  const save = useRef(onSave)
  save.current = onSave
  const [log] = useState(() => new TrainingLog((session) => save.current(session), nanoid))
  const training = useMemo(
    (): Training | null => (step ? { lickId, step, climb, chosen, tempoAt, beat } : null),
    [lickId, step, climb, chosen, tempoAt, beat],
  )

  const pending = playing && (chosen.at(-1)?.bar ?? 0) > shown.bar ? chosen.at(-1) : undefined
  const standing = standAt(chosen, shown.bar, climb)
  const rung = Math.min(pending?.rung ?? standing.rung, rungs.length - 1)

  const begin = useCallback(() => {
    hasPlayed.current = true
    setChosen([{ bar: 0, rung }])
    setShown({ bar: 0, done: 0 })
    log.begin()
    start()
  }, [rung, start, log])

  useEffect(() => {
    if (!playing || !training) return
    let savedAt = performance.now()
    const write = () => {
      log.write()
      savedAt = performance.now()
    }
    const look = () => {
      const at = position()
      if (at?.phase !== 'round') return
      const done = log.look(training, at.bar, at.played)
      setShown((last) => (last.bar === at.bar && last.done === done ? last : { bar: at.bar, done }))
      if (performance.now() - savedAt >= SAVE_MS) write()
    }
    const timer = setInterval(look, LOOK_MS)
    window.addEventListener('pagehide', write)
    return () => {
      clearInterval(timer)
      window.removeEventListener('pagehide', write)
      write()
    }
  }, [playing, training, position, log])

  const say = useCallback(
    (said: { rating: Rating } | { tense: true }) => {
      // In silence there is nothing to rate but what has just been played.
      if (training && (playing || hasPlayed.current)) log.say(training, said)
    },
    [training, playing, log],
  )

  /** Goes to a rung: at once in silence, else from where what is played comes round. */
  const go = useCallback(
    (to: number) => {
      const at = position()
      const bar = playing && at?.phase === 'round' ? at.bar : null
      setChosen((now) => chooseRung(now, to, bar, climb))
      if (bar === null) setShown({ bar: 0, done: 0 })
    },
    [playing, position, climb],
  )

  /** Goes to the rung that follows from how it went. */
  const climbBy = useCallback(
    (rating: Rating) => go(nextRung(rung, rungs.length, rating)),
    [go, rung, rungs.length],
  )
  /** Says how it went, and goes on from there. */
  const rate = useCallback(
    (rating: Rating) => {
      say({ rating })
      climbBy(rating)
    },
    [say, climbBy],
  )
  /** Takes back how it was rated last, and goes back to a rung. */
  const unrate = useCallback(
    (to: number) => {
      log.unsay()
      go(to)
    },
    [log, go],
  )
  const hear = useCallback((heard: HeardSummary | null) => log.hear(heard), [log])
  const feelsTense = useCallback(() => say({ tense: true }), [say])
  const leaveNoTrace = useCallback((traceless: boolean) => log.leaveNoTrace(traceless), [log])

  return {
    ...sounding,
    plan,
    begin,
    stop,
    rung,
    tempo: tempoAt(standing.rung),
    /** The tempo that comes with the next round; null where it stays. */
    nextTempo: pending && pending.rung !== standing.rung ? tempoAt(pending.rung) : null,
    done: shown.done,
    go,
    rate,
    climbBy,
    unrate,
    hear,
    feelsTense,
    /** What is played is a simulated player's, or the player's again. */
    leaveNoTrace,
  }
}

function climbOf(
  step: Step | undefined,
  rungs: number,
  every: number | null,
  countsEach: boolean,
): Climb {
  if (!step) return { rungs, every: null, barTicks: 1, repeatTicks: 1, roundBars: 1 }
  const { bar } = frameTicks(step.played.frame)
  const { ticks } = roundOf(step.part.lick, step.form)
  if (step.form.kind === 'over') {
    return { rungs, every, barTicks: bar, repeatTicks: ticks, roundBars: 1 }
  }
  const round = ticks + (countsEach ? bar : 0)
  return { rungs, every, barTicks: bar, repeatTicks: round, roundBars: round / bar }
}
