import { modulo } from '~/core/foundation'
import type { Rating } from '~/core/log'
import type { Limb } from '~/core/sticking'
import type { Ticks } from '~/core/time'
import {
  atTempo,
  bleedOf,
  CLEAN_LIMITS,
  type Claims,
  type CleanLimits,
  type Cleanness,
  claimsOf,
  cleannessOf,
  clicksAmong,
  type HeardStroke,
  type HeardSummary,
  type LevelledSound,
  type LineStroke,
  proposedRating,
  summaryOf,
  type TimingReport,
  toldOfRound,
} from '~/core/timing'
import { Slices } from './slices'

/** A line that comes round, as it is meant: ticks from its first slot. */
export interface AlongLine {
  /**
   * Its strokes where they sound, in the rounds that come by turns: a line over and over that swings lies
   * elsewhere in the bar each time, until it meets the barline again.
   */
  readonly rounds: readonly (readonly LineStroke[])[]
  /** After how long it comes again. */
  readonly every: Ticks
  /** When the app clicks, for a microphone that hears it: before the first round, and within each. */
  readonly clicks?: { readonly countIn: readonly Ticks[]; readonly round: readonly Ticks[] }
}

/** A stroke that was heard: where the music was, in ticks from the line's first slot in the first round. */
export interface AlongStroke {
  readonly since: number
  readonly secondsPerTick: number
  readonly limb?: Limb | undefined
  readonly velocity?: number | undefined
  /** How sharply it began at a microphone, in decibels. */
  readonly attackDb?: number | undefined
}

/** A round that was played along with, and what is told of it. */
export interface AlongRound {
  readonly number: number
  readonly secondsPerTick: number
  readonly told: TimingReport
  /** When its line's first slot was, in milliseconds of the page's clock; null where nobody followed. */
  readonly startedAt: number | null
}

export interface AlongState {
  /** The last rounds that were told of, and how many there were in all. */
  readonly rounds: readonly AlongRound[]
  readonly told: number
  /** What may be said of the last rounds at one tempo; null before one was heard. */
  readonly claims: Claims | null
  /** How many rounds that is. */
  readonly counted: number
  /** The same rounds added up; null before one was heard. */
  readonly summary: HeardSummary | null
  /** Whether the same rounds were clean, and by which part not; null before one was heard. */
  readonly cleanness: Cleanness | null
  /** How it went since that was settled last; null where too little was heard. */
  readonly proposal: Rating | null
  /** How many rounds the proposal is of. */
  readonly unsettled: number
  /** Rounds of which nothing is told, since sound was lost in them. */
  readonly lost: number
}

const NOTHING: AlongState = {
  rounds: [],
  told: 0,
  claims: null,
  counted: 0,
  summary: null,
  cleanness: null,
  proposal: null,
  unsettled: 0,
  lost: 0,
}
/** A stroke of a round, in ticks from the line's first slot. */
interface TickedStroke {
  readonly tick: number
  readonly stroke: Omit<HeardStroke, 'ms'>
  readonly attackDb: number | undefined
}

/** The strokes of a round, by its number from 0. */
export function strokesOfRound({ rounds }: AlongLine, number: number): readonly LineStroke[] {
  return rounds[modulo(number, Math.max(1, rounds.length))] ?? []
}

/** So far before its first and after its last stroke a round reaches, or half of what is between rounds. */
const REACH_SECONDS = 1 / 6
/** A round of which less than this share was hit was not played along with: nothing is claimed of it. */
const PLAYED = 0.5
/** A sound that falls back by more than this stood still: its clock goes on in steps of less. */
const STOOD_STILL_MS = 50
/** Older rounds are forgotten. */
const MAX_ROUNDS = 64

/**
 * Playing along with a line that comes round, without its page: strokes are gathered round by round, and told
 * of once a round is over. Strokes between two rounds, in the bars of groove, belong to neither.
 *
 * @example session.hear({ since: 20, secondsPerTick, limb: 'RH' }); session.reach(line.every) tells of round 0
 */
export class AlongSession extends Slices<AlongState> {
  /** Its strokes in ticks, and the tempo of the last: what comes before a new tempo's barline has the old one. */
  private open: {
    readonly number: number
    secondsPerTick: number
    /** Whether sound was lost while it was played: then it tells nothing. */
    lost: boolean
    readonly heard: TickedStroke[]
  } | null = null
  /** Where the music was when it was last looked at. */
  private followed: { readonly since: number; readonly now: number } | null = null
  /** What is heard before the first round, while the app clicks alone. */
  private before: (LevelledSound & { readonly secondsPerTick: number })[] = []
  /** The last round of which it was said how it went. */
  private settled = -1
  private limits: CleanLimits = CLEAN_LIMITS

  /** `delayMs` is taken off every stroke; with `find` each round's own delay is found and taken out. */
  constructor(
    private line: AlongLine,
    private delayMs: number | 'find',
  ) {
    super(NOTHING)
  }

  /** Begins anew with a line: what was heard before is gone. */
  begin(line: AlongLine, delayMs: number | 'find'): void {
    this.line = line
    this.delayMs = delayMs
    this.open = null
    this.before = []
    this.followed = null
    this.settled = -1
    this.patch(NOTHING)
  }

  /** Takes a stroke. */
  hear({ since, secondsPerTick, limb, velocity, attackDb }: AlongStroke): void {
    const { from, to } = this.span(secondsPerTick)
    const { every } = this.line
    const number = Math.floor((since - from) / every)
    if (number < 0 && attackDb !== undefined)
      this.before.push({ ms: since * secondsPerTick * 1000, attackDb, secondsPerTick })
    const within = since - number * every
    if (number < 0 || within > to) return
    if (this.open && number > this.open.number) this.close()
    if (this.open && number < this.open.number) return
    this.open ??= { number, secondsPerTick, lost: false, heard: [] }
    this.open.secondsPerTick = secondsPerTick
    const stroke = {
      ...(limb !== undefined && limb !== 'XH' && { limb }),
      ...(velocity !== undefined && { velocity }),
    }
    this.open.heard.push({ tick: within, stroke, attackDb })
  }

  /** Sound was lost: the round that is played is told of no more. */
  lose(): void {
    if (this.open) this.open.lost = true
  }

  /**
   * The music has come so far at a time of the page's clock, in milliseconds: where the two did not go along with
   * each other, the sound stood still in between, and a round that is played then is told of no more.
   */
  follow(since: number, secondsPerTick: number, now: number): void {
    const { followed } = this
    this.followed = { since, now }
    if (!followed) return
    const music = (since - followed.since) * secondsPerTick * 1000
    if (Math.abs(music - (now - followed.now)) > STOOD_STILL_MS) this.lose()
  }

  /** What counts as clean from the next round on. */
  judgeBy(limits: CleanLimits): void {
    this.limits = limits
  }

  /** It was said how it went: what is proposed next is of the rounds that follow. */
  settle(): void {
    this.settled = this.current.rounds.at(-1)?.number ?? this.settled
    this.patch({ proposal: null, unsettled: 0 })
  }

  /** The music has come so far: a round that is over, with time for late strokes, is told of. */
  reach(since: number): void {
    if (!this.open) return
    const { number, secondsPerTick } = this.open
    if (since > number * this.line.every + this.span(secondsPerTick).to) this.close()
  }

  /** From where to where strokes belong to a round, in ticks from its line's first slot. */
  private span(secondsPerTick: number): { from: number; to: number } {
    const { rounds, every } = this.line
    const ends = rounds.flatMap((strokes) => [strokes[0]?.tick ?? 0, strokes.at(-1)?.tick ?? 0])
    const [first, last] = ends.length === 0 ? [0, 0] : [Math.min(...ends), Math.max(...ends)]
    const reach = Math.min(REACH_SECONDS / secondsPerTick, (every - last + first) / 2)
    // A late source is behind the music: so are its rounds. What the last one told is good for the next.
    const known = this.delayMs === 'find' ? this.current.rounds.at(-1)?.told.delayMs : this.delayMs
    const delay = (known ?? 0) / 1000 / secondsPerTick
    return { from: first - reach + delay, to: last + reach + delay }
  }

  /** When a round's first slot was, by where the music was when it was looked at last. */
  private startOf(number: number, secondsPerTick: number): number | null {
    const { followed } = this
    if (!followed) return null
    return followed.now - (followed.since - number * this.line.every) * secondsPerTick * 1000
  }

  /** What was heard without the app's own clicks, and when those were, in milliseconds. */
  private withoutClicks(
    heard: readonly TickedStroke[],
    secondsPerTick: number,
  ): { strokes: HeardStroke[]; covered: readonly number[] } {
    const perTick = secondsPerTick * 1000
    const ordered = heard
      .map(({ tick, stroke, attackDb = 0 }) => ({ ...stroke, ms: tick * perTick, attackDb }))
      .sort((a, b) => a.ms - b.ms)
    const { clicks } = this.line
    const counted = (this.before[0]?.secondsPerTick ?? 0) * 1000
    const bleed =
      clicks &&
      bleedOf(
        clicks.countIn.map((tick) => tick * counted),
        this.before,
      )
    if (!clicks || !bleed) return { strokes: ordered, covered: [] }
    const times = clicks.round.map((tick) => tick * perTick)
    const own = clicksAmong(times, ordered, bleed)
    return {
      strokes: ordered.filter((_, i) => !own.sounds.has(i)),
      covered: times.filter((_, i) => own.clicks.has(i)),
    }
  }

  private close(): void {
    if (!this.open) return
    const { number, secondsPerTick, heard, lost } = this.open
    this.open = null
    if (lost) {
      this.patch({ lost: this.current.lost + 1 })
      return
    }
    const meant = atTempo(strokesOfRound(this.line, number), secondsPerTick)
    const { strokes, covered } = this.withoutClicks(heard, secondsPerTick)
    const all = toldOfRound(meant, strokes, this.delayMs)
    // A stroke that a click may have covered is not called missed.
    const missed = all.missed.filter(({ ms }) => !covered.some((at) => Math.abs(at - ms) < 1))
    const told = { ...all, missed }
    const round = { number, secondsPerTick, told, startedAt: this.startOf(number, secondsPerTick) }
    const rounds = [...this.current.rounds, round].slice(-MAX_ROUNDS)
    // At another tempo it was another thing, also where that tempo comes again.
    const since = rounds.findLastIndex((round) => round.secondsPerTick !== secondsPerTick) + 1
    const counting = rounds
      .slice(since)
      .filter((round) => round.told.strokes.length >= PLAYED * meant.length)
    const open = counting.filter((round) => round.number > this.settled)
    const tolds = counting.map((round) => round.told)
    this.patch({
      rounds,
      told: this.current.told + 1,
      counted: counting.length,
      claims: claimsOf(tolds),
      summary: counting.length > 0 ? summaryOf(tolds, this.limits) : null,
      cleanness: counting.length > 0 ? cleannessOf(tolds, this.limits) : null,
      proposal: proposedRating(
        open.map((round) => round.told),
        this.limits,
      ),
      unsettled: open.length,
    })
  }
}
