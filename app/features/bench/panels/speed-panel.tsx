import { useMemo, useState } from 'react'
import { phraseOf, replaceLimb } from '~/core/changes'
import type { Lick } from '~/core/line'
import { formatSlot } from '~/core/notation'
import {
  footRuns,
  landingHands,
  type Move,
  missingPedal,
  type PlayContext,
  type Raise,
  type Reading,
  raisesOf,
  speedLimit,
} from '~/core/playability'
import type { SlotContent } from '~/core/sticking'
import { voiceLick } from '~/core/voicing'
import { Button, Choice, EmptyState, Part } from '~/ui/parts'
import { listWords, plural, tempoFigure, tenth, wholeMs, wholeTempo } from '~/words/figures'
import { LIMB_NAMES } from '~/words/limb-names'
import { moveName, moveWords } from '~/words/move-words'
import { placeIn } from '~/words/places'
import { theSurface } from '~/words/surface-words'
import { replaceRange } from '~/workspace/edits/edits'
import { EvidencePart } from '../../kit'
import { type PanelView, usePanel } from '../state/use-panel'
import { CharacterPart } from './character-part'
import { LoadPart } from './load-part'

const READINGS = [
  ['line', 'Line only'],
  ['landing', 'With the landing'],
  ['loop', 'Looped with groove'],
] as const

/** How fast it can be played, what sets that, what would raise it, and what the lick is like. */
export function SpeedPanel() {
  const props = usePanel()
  const { voiced, setting, counting, tempo, lick, playedClean, onRaise } = props
  const [reading, setReading] = useState<Reading>('line')
  const limit = useMemo(() => speedLimit(voiced, reading, setting), [voiced, reading, setting])
  const plays = useMemo(
    () => (playedClean === null ? [] : [{ lick: voiced, tempo: playedClean }]),
    [voiced, playedClean],
  )
  if (lick.line.slots.length === 0)
    return <EmptyState>Type a line to see how fast it plays.</EmptyState>
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-4">
      <div className="flex min-w-0 flex-col gap-4">
        <Choice
          legend="What is read"
          options={READINGS}
          value={reading}
          onChoose={(next) => setReading(next)}
        />
        <Part
          title={limit.bpm === null ? 'No limit' : `Up to ${wholeTempo(limit.bpm)} bpm`}
          aside={
            <span className="text-(--quiet) text-xs">on {setting.kit.name.toLowerCase()}</span>
          }
        >
          {limit.bottleneck ? (
            <ol className="list-decimal pl-5 text-sm">
              {distinct([limit.bottleneck, ...limit.next]).map((move) => (
                <li key={`${move.limb} ${move.fromTick} ${move.toTick}`}>
                  <span className="font-semibold tabular-nums">{wholeTempo(move.bpm)}</span>:{' '}
                  {moveWords(voiced, move, counting)}
                </li>
              ))}
            </ol>
          ) : (
            <EmptyState>No limb strikes twice, or hands are not decided yet.</EmptyState>
          )}
        </Part>
        {playedClean !== null && limit.bpm !== null && playedClean > limit.bpm && (
          <p className="text-sm">Played clean at {tempoFigure(playedClean)}, above this limit.</p>
        )}
        {playedClean !== null && <EvidencePart plays={plays} setting={setting} onRaise={onRaise} />}
        <Raises {...props} reading={reading} />
        <Crash lick={voiced} setting={setting} tempo={tempo} />
        <SecondPedal {...props} />
        <FootRuns lick={voiced} counting={counting} />
      </div>
      <div className="flex min-w-0 flex-col gap-4">
        <LoadPart lick={voiced} tempo={tempo} />
        <CharacterPart lick={voiced} setting={setting} tempo={tempo} id={props.id} />
      </div>
    </div>
  )
}

/** Moves that are not the same once more in another bar. */
function distinct(moves: readonly Move[]): Move[] {
  const seen = new Set<string>()
  return moves.filter((move) => {
    const key = `${moveName(move)} ${tenth(move.bpm)}`
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}

const RAISE_WORDS: Readonly<Record<Exclude<Raise['kind'], 'other-voice'>, string>> = {
  'other-hand': 'with the other hand',
  'leave-out': 'turned into a rest',
  'no-grace': 'without its grace',
}

/** What would raise the limit, each with the new one, a click away. */
function Raises({ lick, voicing, setting, reading, onEdit }: PanelView & { reading: Reading }) {
  const raises = useMemo(
    () => raisesOf(lick, (one) => voiceLick(one, voicing), reading, setting),
    [lick, voicing, setting, reading],
  )
  return (
    <Part title="What would raise it">
      {raises.length === 0 && <EmptyState>No change of a single stroke would.</EmptyState>}
      <ul className="flex flex-col">
        {raises.map((raise) => {
          const words = raiseWords(lick, raise)
          return (
            <li key={words}>
              <button
                type="button"
                className="flex w-full items-baseline gap-3 rounded-field px-2 py-0.5 text-left text-sm hover:bg-base-200"
                onClick={() => onEdit({ label: words, lick: raise.lick })}
              >
                <span className="w-16 font-semibold tabular-nums">
                  {raise.bpm === null ? 'no limit' : wholeTempo(raise.bpm)}
                </span>
                <span>{words}</span>
              </button>
            </li>
          )
        })}
      </ul>
    </Part>
  )
}

const NAMED_SLOTS = 6

/** `slot 4 (K) turned into a rest`. */
function raiseWords(lick: Lick, { kind, slots, voice }: Raise): string {
  const strokes = new Set(slots.map((slot) => formatSlot(lick.line.slots[slot] as SlotContent)))
  const shown = slots.slice(0, NAMED_SLOTS).map((slot) => slot + 1)
  const more = slots.length > NAMED_SLOTS ? ` and ${slots.length - NAMED_SLOTS} more` : ''
  const what = [...strokes].slice(0, NAMED_SLOTS).join(' ')
  const where = `${slots.length === 1 ? 'slot' : 'slots'} ${more ? shown.join(', ') : listWords(shown)}${more} (${what})`
  return `${where} ${kind === 'other-voice' ? `on ${theSurface(voice ?? '??')}` : RAISE_WORDS[kind]}`
}

/** Which hand takes the crash, and which crash, at the playing tempo. */
function Crash({ lick, setting, tempo }: { lick: Lick; setting: PlayContext; tempo: number }) {
  const { kind } = lick.frame.landing
  const hands = useMemo(() => landingHands(lick, setting, tempo), [lick, setting, tempo])
  if (kind !== 'crash' && kind !== 'stop') return null
  return (
    <Part title={`The crash, at ${tempoFigure(tempo)} bpm`}>
      {hands.length === 0 && <EmptyState>Not known: hands are not decided.</EmptyState>}
      <ul className="text-sm">
        {hands.map(({ hand, crash, hasMs, needMs, bpm }) => (
          <li key={`${hand} ${crash}`} className={hasMs >= needMs ? '' : 'text-(--quiet)'}>
            {LIMB_NAMES[hand]} on {theSurface(crash)}:{' '}
            {Number.isFinite(hasMs)
              ? `has ${Math.round(hasMs)} ms, needs ${Math.round(needMs)}; ${hasMs >= needMs ? `in time up to ${wholeTempo(bpm)}` : `in time only up to ${wholeTempo(bpm)}`}`
              : 'free throughout'}
          </li>
        ))}
      </ul>
      {hands.length > 0 && hands.every(({ hasMs, needMs }) => hasMs < needMs) && (
        <p className="text-sm text-warning">
          No hand gets there in time: slow down, or end on another hand or nearer to the crash.
        </p>
      )}
    </Part>
  )
}

const SHOWN_RUNS = 8

/** Doubles and longer runs of a foot, with their places. */
function FootRuns({ lick, counting }: Pick<PanelView, 'lick' | 'counting'>) {
  const runs = useMemo(() => footRuns(lick), [lick])
  if (runs.length === 0) return null
  return (
    <Part title="Foot doubles">
      <ul className="text-sm">
        {runs.slice(0, SHOWN_RUNS).map(({ limb, fromTick, toTick, strokes }) => (
          <li key={`${limb} ${fromTick}`}>
            {LIMB_NAMES[limb]}, {strokes} in a row: {placeIn(lick, fromTick, counting)} to{' '}
            {placeIn(lick, toTick, counting)}
          </li>
        ))}
        {runs.length > SHOWN_RUNS && (
          <li className="text-(--quiet)">and {runs.length - SHOWN_RUNS} more</li>
        )}
      </ul>
    </Part>
  )
}

/** Strokes for a second pedal that the kit lacks, given to the lead foot by a click. */
function SecondPedal({ lick, voiced, setting, tempo, onEdit }: PanelView) {
  const missing = missingPedal(voiced, setting.kit, tempo)
  if (!missing) return null
  const all = { from: 0, to: lick.line.slots.length }
  const label = 'Play J with the lead foot'
  const byLead = () =>
    onEdit(replaceRange(lick, all, replaceLimb(phraseOf(lick.line, all), 'J', 'K'), label))
  return (
    <Part title="One pedal">
      <p className="text-sm">
        {plural(missing.strokes, 'stroke')} for a second bass drum pedal.
        {missing.nearestMs !== null &&
          ` The lead foot would have ${wholeMs(missing.nearestMs)} ms between its nearest strokes.`}
      </p>
      <Button onClick={byLead}>Play J with the lead foot</Button>
    </Part>
  )
}
