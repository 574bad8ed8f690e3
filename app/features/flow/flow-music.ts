import { parseLickText } from '~/codecs/lick-text'
import { findPhrase, formatPhrase } from '~/core/changes'
import {
  DEFAULT_FRAME,
  EMPTY_LINE,
  frameTicks,
  type Lick,
  lineTicks,
  type Ostinato,
} from '~/core/line'
import type { Position } from '~/core/performance'
import { DEFAULT_SETTING, type PlayContext } from '~/core/playability'
import {
  barExcerpt,
  fillsBar,
  type MixPhrase,
  type MixSource,
  type Pulse,
  pulseOf,
  toImprovised,
  toMix,
  toStretch,
  withWishes,
} from '~/core/practice'
import { findGrid, findMeter, type Meter, type Ticks, toMeter } from '~/core/time'
import { voiceLick, voicingPresets } from '~/core/voicing'
import { type Phase, STILL } from '../practice'
import { type FlowSetup, type HatFoot, isHatFoot, type SourceName } from './flow-setup'

/** A lick that can be mixed. */
export interface MixableLick {
  readonly id: string
  readonly lick: Lick
}

/** What is mixed as it is listed: its name, and why it is never drawn; empty where it can be. */
export interface ListedSource {
  readonly name: SourceName
  readonly source: MixSource
  readonly title: string
  readonly trouble: string
}

/** A flow that can be played, or why it cannot. */
export interface FlowMusic {
  readonly listed: readonly ListedSource[]
  readonly phraseAt: ((round: number) => MixPhrase) | null
  readonly trouble: string
}

/** Builds what a setup asks for. In a stretch the first source is the phrase that grows. */
export function toFlowMusic(
  setup: FlowSetup,
  licks: readonly MixableLick[],
  setting: PlayContext = DEFAULT_SETTING,
): FlowMusic {
  const grid = findGrid(setup.grid) ?? DEFAULT_FRAME.grid
  const meter = findMeter(setup.meter) ?? toMeter(4, 4)
  const frame = { ...DEFAULT_FRAME, meter, grid, tempo: setup.tempo }
  const { bar } = frameTicks(frame)
  const known = setup.sources.flatMap((name) => {
    const found = findSource(name, licks, grid)
    return found ? [found] : []
  })
  const room = setup.mode === 'mix' ? setup.bars * bar : Number.POSITIVE_INFINITY
  const listed = known.map((one) => ({
    ...one,
    trouble: lineTicks(one.source.line, one.source.grid) > room ? 'longer than a phrase' : '',
  }))
  const fault = (trouble: string) => ({ listed, phraseAt: null, trouble })
  if (!fillsBar({ frame }))
    return fault(`${setup.grid} does not fit a whole number of times into a bar of ${setup.meter}.`)
  const { mostInRow, longestRun, mirrors, tail, seed } = setup
  const joins = { longestRun: longestRun === 0 ? null : longestRun, mirrors }
  const ostinatos = feetOf(setup.feet, meter)
  if (!ostinatos) return fault('The feet can’t be read: type them as under a lick, such as @1/4 H.')
  const shared = { frame, ostinatos, mostInRow, joins, tail, seed }
  const sources = withWishes(
    listed.map(({ source }) => source),
    setup,
  )
  const laid = (phraseAt: (round: number) => MixPhrase) =>
    answered(setup, voicedBy(setup, setting, phraseAt))
  if (setup.mode === 'mix') {
    if (!listed.some(({ source, trouble }) => source.weight > 0 && trouble === '')) {
      return fault('Nothing to draw from: add a cell or a lick that fits into a phrase.')
    }
    return { listed, phraseAt: laid(toMix({ ...shared, sources, bars: setup.bars })), trouble: '' }
  }
  const [base, ...cells] = sources
  if (!base || cells.length === 0) {
    return fault('Add a phrase first, then a small cell or two to lengthen it with.')
  }
  const { beats: mostBeats, times: repeats, order } = setup
  const stretch = { ...shared, base, sources: cells, mostBeats, repeats, order }
  return { listed, phraseAt: laid(toStretch(stretch)), trouble: '' }
}

/** What goes round under a flow, as it is chosen or typed; null where it cannot be read. */
function feetOf(feet: string, meter: Meter): readonly Ostinato[] | null {
  if (feet.trim() === '') return []
  if (isHatFoot(feet)) return [pulseOf(meter, PULSE_OF[feet])]
  const read = parseLickText(`line: R\nunder: ${feet.replace(/[\r\n#]/g, ' ')}`)
  return read.ok ? read.value.lick.ostinatos : null
}

/** What the ways of a flow's hi-hat foot are. */
const PULSE_OF: Readonly<Record<HatFoot, Pulse>> = {
  'hat beats': 'beats',
  'hat second': 'second',
  'hat between': 'between',
}

/** Phrases laid on the kit by a way of doing so, and with what is drawn anew in each. */
function voicedBy(
  { voicing, varies, seed, tempo }: FlowSetup,
  setting: PlayContext,
  phraseAt: (round: number) => MixPhrase,
): (round: number) => MixPhrase {
  const preset = voicingPresets(setting.kit).find(({ id }) => id === voicing)
  if (!preset && varies === '') return phraseAt
  const drums = setting.kit.pieces.filter(({ kind }) => kind === 'drum')
  const surfaces = drums.map(({ surface }) => surface)
  return (round) => {
    const phrase = phraseAt(round)
    const rules = preset ? { rules: preset.rules, pins: [] } : null
    const lick = rules ? voiceLick(phrase.lick, rules) : phrase.lick
    if (varies === '') return { ...phrase, lick }
    const bounds = { drawn: varies, surfaces, share: 0.5, mostInRow: 4, tempo, seed }
    return { ...phrase, lick: toImprovised(lick, bounds, setting)(round) }
  }
}

/** Each phrase with as many bars behind it that are left free: call and answer. */
function answered(
  { answers }: FlowSetup,
  phraseAt: (round: number) => MixPhrase,
): (round: number) => MixPhrase {
  if (!answers) return phraseAt
  return (round) => {
    const phrase = phraseAt(Math.floor(round / 2))
    if (round % 2 === 0) return phrase
    const { frame } = phrase.lick
    const free = { ...frame, groove: 'none', start: 0, stop: null }
    const landing = { kind: 'none', at: 'bar' } as const
    const lick = { ...phrase.lick, line: EMPTY_LINE, ostinatos: [], frame: { ...free, landing } }
    return { ...phrase, lick, pieces: [], made: 0 }
  }
}

function findSource(name: SourceName, licks: readonly MixableLick[], grid: MixSource['grid']) {
  if (name.kind !== 'line') {
    const found = licks.find(({ id }) => id === name.of)
    if (!found || found.lick.line.slots.length === 0) return undefined
    const { title, line, frame, ostinatos } = found.lick
    const source = { name: title, line, grid: frame.grid, weight: name.weight, ostinatos }
    return { name, source, title: title || 'Untitled' }
  }
  const phrase = findPhrase(name.of)
  if (!phrase || phrase.slots.length === 0) return undefined
  const written = formatPhrase(phrase)
  const line = { ...phrase, gridChanges: [] }
  return { name, source: { name: written, line, grid, weight: name.weight }, title: written }
}

/** One bar of a flow as it is shown. */
export interface FlowBar {
  /** Counted from the first after the count-in. */
  readonly index: number
  readonly phrase: number
  /** Null where the groove plays, or nothing begins in it. */
  readonly lick: Lick | null
  readonly groove: boolean
  /** The first tick of each of its slots from its barline, and the end of the last. */
  readonly slots: readonly Ticks[]
}

/** A bar of a flow, counted from 0 after the count-in. */
export function flowBar(phraseAt: (round: number) => MixPhrase, index: number): FlowBar {
  const { frame } = phraseAt(0).lick
  const perRound = frame.lead + (frame.bars ?? 1)
  const phrase = Math.floor(index / perRound)
  const { lick } = phraseAt(phrase)
  const { bar } = frameTicks(lick.frame)
  const from = ((index % perRound) - lick.frame.lead) * bar
  const groove = from < 0 || (lick.frame.lead > 0 && from === 0 && lick.frame.start > 0)
  return { index, phrase, groove, lick: null, slots: [], ...barExcerpt(lick, from, bar) }
}

/** What is heard at a position, in a bar of a flow. */
export function flowPhaseAt(
  position: Position | undefined,
  { bar, beat }: { readonly bar: Ticks; readonly beat: Ticks },
  slots: readonly Ticks[],
): Phase {
  if (!position || position.phase === 'over' || position.phase === 'ending') return STILL
  if (position.phase === 'count-in') {
    return { name: 'count-in', bar: 1, beat: Math.floor(position.tick / beat), slot: -1 }
  }
  const inBar = position.played % bar
  const slot = inBar < (slots.at(-1) ?? 0) ? slots.findLastIndex((tick) => tick <= inBar) : -1
  const name = slot < 0 ? 'groove' : 'fill'
  return { name, bar: position.bar + 1, beat: Math.floor(inBar / beat), slot }
}

/** A phrase of a flow as a lick to save. */
export function toSavedLick({ lick }: MixPhrase, title: string): Lick {
  const groove = lick.frame.groove === 'none' ? DEFAULT_FRAME.groove : lick.frame.groove
  const { landing } = DEFAULT_FRAME
  return { ...lick, title, tags: ['flow'], frame: { ...lick.frame, lead: 1, groove, landing } }
}
