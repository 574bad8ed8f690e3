import { useCallback, useEffect, useMemo, useState } from 'react'
import type { Kit } from '~/core/kit'
import {
  type HeardSummary,
  LEAST_RATED_ROUNDS,
  SIMULATED_DELAY_MS,
  SIMULATED_PLAYERS,
} from '~/core/listening'
import type { Rating } from '~/core/log'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import { useSlices } from '~/live/use-slices'
import { micDelay, useMicrophone } from '~/playback/use-microphone'
import { type Struck, useStrikes } from '~/playback/use-strikes'
import type { Settings } from '~/storage'
import { type AlongLine, AlongSession } from '~/workspace/along-session'
import { SimulatedDrummer } from '~/workspace/simulated-drummer'
import { meantOf } from './along-line'
import type { Step } from './step-view'

interface Along {
  /** What is played, the same each time round; undefined where there is no such thing. */
  readonly step: Step | undefined
  /** The tempo of every bar that is played. */
  readonly plan: TempoPlan
  /** What sounds. */
  readonly compose: () => Performance
  readonly softenClick: (soft: boolean) => void
  readonly countsEach: boolean
  readonly playing: boolean
  readonly position: (ahead?: number) => Position | undefined
  readonly settings: Settings
  /** Its notes tell what a pad is. */
  readonly kit: Kit
  /** What was heard so far at this tempo, to be written down; null where nothing was. */
  readonly onHeard: (heard: HeardSummary | null) => void
  /** How often the line is played on a rung, and what says how it went. */
  readonly repeats: number
  /** Whether the ladder is climbed by what is heard. */
  readonly climbs: boolean
  readonly onRate: (rating: Rating) => void
  /** Goes where a rating leads, without writing it down. */
  readonly onClimb: (rating: Rating) => void
}

/** Who plays: the player by keys, fingers and pads, or at a microphone, or a simulated player by name. */
export type Who = 'you' | 'mic' | (string & {})

const LOOK_MS = 100
/** Of the simulated players. */
const SEED = 2026
const SILENT: AlongLine = { rounds: [], every: 1 }

/** Hears the player along with a step while it sounds, and tells of each round once it is over. */
export function useAlong(along: Along) {
  const {
    step,
    plan,
    compose,
    softenClick,
    countsEach,
    playing,
    position,
    settings,
    kit,
    onHeard,
    repeats,
    climbs,
    onRate,
    onClimb,
  } = along
  const [wanted, setWanted] = useState(false)
  const [session] = useState(() => new AlongSession(SILENT, 'find'))
  const { pads } = settings
  const [who, setWho] = useState<Who>('you')
  const habits = SIMULATED_PLAYERS.find(({ name }) => name === who)?.habits
  const [asSound, setAsSound] = useState(false)
  const [source, setSource] = useState<Struck['from']>('keys')
  // What a microphone hears, of a kit or of a simulated one.
  const sounding = who === 'mic' ? 'mic' : habits && asSound ? 'simulated' : null
  const bare = sounding !== null
  const microphone = useMicrophone(wanted ? sounding : null, {
    onStroke: (stamp, velocity, attackDb) =>
      strike({ stamp, limb: undefined, from: 'mic', velocity, attackDb }),
    onLost: () => session.lose(),
  })
  // A delay that was never measured is found round by round; that of a simulated player is known.
  const from = who === 'mic' ? 'mic' : source
  const known = sounding === 'simulated' ? SIMULATED_DELAY_MS : 0
  const measured = from === 'mic' ? micDelay(settings, microphone.device) : settings.tapDelays[from]
  const delayMs = habits ? known : measured || ('find' as const)
  const clicks = settings.clickMarks !== 'off'
  const meant = useMemo(
    () => step && meantOf(step, countsEach, bare ? compose : null, clicks),
    [step, countsEach, bare, compose, clicks],
  )
  // A click that begins softly spoils less of what is near it.
  useEffect(() => softenClick(wanted && bare), [softenClick, wanted, bare])
  const active = wanted && playing && meant !== undefined
  const [begunAt, setBegunAt] = useState(0)
  useEffect(() => {
    if (!active) return
    session.begin(meant.line, delayMs)
    setBegunAt(Date.now())
  }, [active, session, meant, delayMs])

  const sinceAt = useCallback(
    (at: Position) => {
      if (!meant || at.phase === 'over') return null
      return (at.phase === 'round' ? at.played : at.tick - meant.bar) - meant.lineFrom
    },
    [meant],
  )
  const strike = useStrikes(
    active && (!habits || bare),
    position,
    ({ at, limb, velocity, from: by, note, attackDb }) => {
      // A pad that runs the page plays nothing.
      if (note !== undefined && Object.values(pads).includes(note)) return
      const since = sinceAt(at)
      // Where the microphone is heard, nothing else is.
      if (since === null || (by === 'mic') !== bare) return
      if (by !== 'mic') setSource(by)
      // A pad whose limb was not learnt is told by its piece, where one limb alone plays that.
      const striking = limb ?? (note === undefined ? undefined : meant?.limbOf(note, kit))
      const secondsPerTick = perTickAt(at, plan)
      session.hear({ since, secondsPerTick, limb: striking, velocity, attackDb })
    },
  )
  const { strike: strikeKit } = microphone
  // The same drummer while the music goes on, also where its tempo changes: no round is played twice.
  const drummer = useMemo(
    () => (active && habits ? new SimulatedDrummer(meant.played, habits, SEED) : null),
    [active, habits, meant],
  )
  useEffect(() => {
    if (!active) return
    const timer = setInterval(() => {
      const at = position()
      const since = at && sinceAt(at)
      if (!at || typeof since !== 'number') return
      for (const stroke of drummer?.reach(since, perTickAt(at, plan)) ?? []) {
        if (!bare) session.hear(stroke)
        else
          strikeKit({
            at: performance.now() + (stroke.since - since) * stroke.secondsPerTick * 1000,
            surface: meant.surfaceOf(stroke.slot, stroke.limb),
            velocity: stroke.velocity,
          })
      }
      session.follow(since, perTickAt(at, plan), performance.now())
      session.reach(since)
    }, LOOK_MS)
    return () => clearInterval(timer)
  }, [active, position, sinceAt, session, drummer, plan, meant, bare, strikeKit])
  useEffect(() => session.judgeBy(settings.clean), [session, settings.clean])
  const told = useSlices(session)
  const { summary, proposal, unsettled } = told
  useEffect(() => {
    // What a simulated player plays is nobody's practice.
    if (active && !habits) onHeard(summary)
  }, [active, habits, summary, onHeard])
  const rate = useCallback(
    (rating: Rating) => {
      session.settle()
      if (habits) onClimb(rating)
      else onRate(rating)
    },
    [session, habits, onRate, onClimb],
  )
  // The ladder is climbed by what was heard of as many rounds as a rung has repeats.
  const enough = Math.max(LEAST_RATED_ROUNDS, repeats)
  useEffect(() => {
    if (active && climbs && proposal && unsettled >= enough) rate(proposal)
  }, [active, climbs, proposal, unsettled, enough, rate])
  return {
    wanted,
    setWanted,
    who,
    setWho,
    simulated: habits !== undefined,
    /** Whether it is a simulated player who plays. */
    simulates: wanted && habits !== undefined,
    asSound,
    setAsSound,
    microphone,
    active,
    begunAt,
    strike,
    measured: delayMs !== 'find',
    enough,
    rate,
    ...told,
  }
}

/** Seconds a tick where the music is; a count-in goes at the tempo of the first bar. */
function perTickAt(at: Position, plan: TempoPlan): number {
  return plan(at.phase === 'round' ? at.bar : 0)
}
