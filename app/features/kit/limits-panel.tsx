import { useEffect, useMemo, useState } from 'react'
import { useFetcher } from 'react-router'
import { findVoicedLick } from '~/codecs/voicing'
import { phraseOf, replaceLimb } from '~/core/changes'
import type { Lick } from '~/core/line'
import { formatSlot } from '~/core/notation'
import {
  type Character,
  characterOf,
  footRuns,
  landingHands,
  missingPedal,
  type Raise,
  type Reading,
  raisesOf,
  type Setting,
  speedLimit,
} from '~/core/playing'
import type { SlotContent } from '~/core/sticking'
import { voiceLick } from '~/core/voicing'
import type { LickRecord } from '~/storage'
import { moveWords } from '../bench/answers'
import { plural, tenth } from '../bench/figures'
import { LIMB_NAMES } from '../bench/limb-names'
import { placeIn } from '../bench/places'
import { theSurface } from '../voicing/surface-words'
import { replaceRange } from '../workbench/edits'
import type { PanelProps } from '../workbench/panel-props'
import { Act, Choice, Nothing, Part } from '../workbench/parts'

const READINGS = [
  ['line', 'the line alone'],
  ['landing', 'into its landing'],
  ['loop', 'in its form'],
] as const

/** How fast it can be played, what sets that, what would raise it, and what the lick is like. */
export function LimitsPanel(props: PanelProps) {
  const { voiced, setting, tempo, lick } = props
  const [reading, setReading] = useState<Reading>('line')
  const limit = useMemo(() => speedLimit(voiced, reading, setting), [voiced, reading, setting])
  if (lick.line.slots.length === 0) return <Nothing>Type a line to see how fast it plays.</Nothing>
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-4 md:grid-cols-2">
      <div className="flex min-w-0 flex-col gap-4">
        <Choice
          legend="What is read"
          options={READINGS}
          value={reading}
          onChoose={(next) => setReading(next)}
        />
        <Part
          title={limit.bpm === null ? 'No limit' : `Plays up to ${tenth(limit.bpm)}`}
          aside={
            <span className="text-(--quiet) text-xs">on {setting.kit.name.toLowerCase()}</span>
          }
        >
          {limit.bottleneck ? (
            <ol className="list-decimal pl-5 text-sm">
              {[limit.bottleneck, ...limit.next].map((move) => (
                <li key={`${move.limb} ${move.fromTick} ${move.toTick}`}>
                  <span className="font-semibold tabular-nums">{tenth(move.bpm)}</span>:{' '}
                  {moveWords(voiced, move)}
                </li>
              ))}
            </ol>
          ) : (
            <Nothing>No limb strikes twice, or hands are not decided yet.</Nothing>
          )}
        </Part>
        <Raises {...props} reading={reading} />
        <Crash lick={voiced} setting={setting} tempo={tempo} />
        <SecondPedal {...props} />
        <FootRuns lick={voiced} />
      </div>
      <CharacterPart lick={voiced} setting={setting} tempo={tempo} id={props.id} />
    </div>
  )
}

const RAISE_WORDS: Readonly<Record<Exclude<Raise['kind'], 'other-voice'>, string>> = {
  'other-hand': 'by the other hand',
  'leave-out': 'left out',
  'no-grace': 'without its grace',
}

/** What would raise the limit, each with the new one, a click away. */
function Raises({ lick, voicing, setting, reading, onEdit }: PanelProps & { reading: Reading }) {
  const raises = useMemo(
    () => raisesOf(lick, (one) => voiceLick(one, voicing), reading, setting),
    [lick, voicing, setting, reading],
  )
  return (
    <Part title="What would raise it">
      {raises.length === 0 && <Nothing>No change of a single stroke would.</Nothing>}
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
                  {raise.bpm === null ? 'no limit' : tenth(raise.bpm)}
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

/** `slot 4 (K) left out`, `slots 4, 8 (K) left out`. */
function raiseWords(lick: Lick, { kind, slots, voice }: Raise): string {
  const strokes = new Set(slots.map((slot) => formatSlot(lick.line.slots[slot] as SlotContent)))
  const shown = slots.slice(0, NAMED_SLOTS).map((slot) => slot + 1)
  const more = slots.length > NAMED_SLOTS ? ` and ${slots.length - NAMED_SLOTS} more` : ''
  const what = [...strokes].slice(0, NAMED_SLOTS).join(' ')
  const where = `${slots.length === 1 ? 'slot' : 'slots'} ${shown.join(', ')}${more} (${what})`
  return `${where} ${kind === 'other-voice' ? `on ${theSurface(voice ?? '??')}` : RAISE_WORDS[kind]}`
}

/** Which hand takes the crash, and which crash, at the playing tempo. */
function Crash({ lick, setting, tempo }: { lick: Lick; setting: Setting; tempo: number }) {
  const { kind } = lick.frame.landing
  const hands = useMemo(() => landingHands(lick, setting, tempo), [lick, setting, tempo])
  if (kind !== 'crash' && kind !== 'stop') return null
  return (
    <Part title={`The crash, at ${tenth(tempo)}`}>
      {hands.length === 0 && <Nothing>Not known: hands are not decided.</Nothing>}
      <ul className="text-sm">
        {hands.map(({ hand, crash, hasMs, needMs, bpm }) => (
          <li key={`${hand} ${crash}`} className={hasMs >= needMs ? '' : 'text-(--quiet)'}>
            {LIMB_NAMES[hand]} on {theSurface(crash)}:{' '}
            {Number.isFinite(hasMs)
              ? `has ${Math.round(hasMs)} ms, needs ${Math.round(needMs)}; ${hasMs >= needMs ? `in time up to ${tenth(bpm)}` : `in time only up to ${tenth(bpm)}`}`
              : 'free all along'}
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

interface CharacterProps {
  readonly id: string
  readonly lick: Lick
  readonly setting: Setting
  readonly tempo: number
}

const SHOWN_RUNS = 8

/** Doubles and longer runs of a foot, with their places. */
function FootRuns({ lick }: { lick: Lick }) {
  const runs = useMemo(() => footRuns(lick), [lick])
  if (runs.length === 0) return null
  return (
    <Part title="Foot doubles">
      <ul className="text-sm">
        {runs.slice(0, SHOWN_RUNS).map(({ limb, fromTick, toTick, strokes }) => (
          <li key={`${limb} ${fromTick}`}>
            {LIMB_NAMES[limb]}, {strokes} in a row: {placeIn(lick, fromTick)} to{' '}
            {placeIn(lick, toTick)}
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
function SecondPedal({ lick, voiced, setting, tempo, onEdit }: PanelProps) {
  const missing = missingPedal(voiced, setting.kit, tempo)
  if (!missing) return null
  const all = { from: 0, to: lick.line.slots.length }
  const label = 'J by the lead foot'
  const byLead = () =>
    onEdit(replaceRange(lick, all, replaceLimb(phraseOf(lick.line, all), 'J', 'K'), label))
  return (
    <Part title="One pedal">
      <p className="text-sm">
        {plural(missing.strokes, 'stroke')} for a second bass drum pedal.
        {missing.nearestMs !== null &&
          ` The lead foot would have ${tenth(missing.nearestMs)} ms between its nearest strokes.`}
      </p>
      <Act onClick={byLead}>Play J with the lead foot</Act>
    </Part>
  )
}

/** What the lick is like, and where it stands among the others of the library. */
function CharacterPart({ id, lick, setting, tempo }: CharacterProps) {
  const { data: records, load } = useFetcher<LickRecord[]>({ key: 'all licks' })
  useEffect(() => void load('/licks'), [load])
  const others = useMemo(
    () =>
      (records ?? []).flatMap((record) => {
        if (record.id === id) return []
        const other = findVoicedLick(record)
        if (!other || other.line.slots.length === 0) return []
        return [characterOf(other, setting.kit, other.frame.tempo)]
      }),
    [records, id, setting],
  )
  const own = useMemo(() => characterOf(lick, setting.kit, tempo), [lick, setting, tempo])
  const rows = characterRows(own)
  return (
    <Part title="Character">
      <table className="w-full text-sm">
        <thead className="text-(--quiet) text-xs">
          <tr>
            <th className="text-left font-normal">figure</th>
            <th className="text-right font-normal">here</th>
            <th className="pl-4 text-left font-normal">
              {others.length > 0 ? `beside ${plural(others.length, 'other')}` : ''}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, figure, value }) => (
            <tr key={name}>
              <th scope="row" className="py-0.5 text-left font-normal">
                {name}
              </th>
              <td className="text-right tabular-nums">{figure}</td>
              <td className="pl-4 text-(--quiet) text-xs">
                {value && others.length > 0 ? standing(value(own), others.map(value)) : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Part>
  )
}

interface CharacterRow {
  readonly name: string
  readonly figure: string
  /** What is compared with other licks; nothing where that says little. */
  readonly value?: (character: Character) => number
}

function characterRows(own: Character): CharacterRow[] {
  const { longestRun, backbeats, travel } = own
  return [
    { name: 'linear', figure: own.linear ? 'yes' : 'no' },
    {
      name: 'slots that sound',
      figure: `${own.soundingSlots} of ${own.slots}`,
      value: ({ soundingSlots, slots }) => soundingSlots / Math.max(1, slots),
    },
    {
      name: 'kicks',
      figure: `${own.kicks} of ${own.strokes}`,
      value: ({ kicks, strokes }) => kicks / Math.max(1, strokes),
    },
    {
      name: 'doubles',
      figure: String(own.doubles),
      value: ({ doubles, strokes }) => doubles / Math.max(1, strokes),
    },
    {
      name: 'longest run of a limb',
      figure: longestRun ? `${longestRun.length}, ${LIMB_NAMES[longestRun.limb]}` : 'none',
      value: (one) => one.longestRun?.length ?? 0,
    },
    {
      name: 'strokes a second, at this tempo',
      figure: tenth(own.strokesPerSecond),
      value: ({ strokesPerSecond }) => strokesPerSecond,
    },
    {
      name: 'accents on the beat, off it',
      figure: `${own.accentsOnBeat}, ${own.accentsOffBeat}`,
      value: ({ accentsOffBeat, accentsOnBeat }) =>
        accentsOffBeat / Math.max(1, accentsOffBeat + accentsOnBeat),
    },
    { name: 'backbeats kept', figure: `${backbeats.kept} of ${backbeats.all}` },
    {
      name: 'right hand travels',
      figure: `${Math.round(travel.RH)} cm`,
      value: (one) => one.travel.RH / Math.max(1, one.strokes),
    },
    {
      name: 'left hand travels',
      figure: `${Math.round(travel.LH)} cm`,
      value: (one) => one.travel.LH / Math.max(1, one.strokes),
    },
  ]
}

/** `more than 6 of 9`, in share, not in number. */
function standing(own: number, others: readonly number[]): string {
  const less = others.filter((other) => other < own - 1e-9).length
  const more = others.filter((other) => other > own + 1e-9).length
  if (less === 0 && more === 0) return 'like all others'
  if (less === 0) return more === others.length ? 'the least of all' : 'among the least'
  if (more === 0) return less === others.length ? 'the most of all' : 'among the most'
  return `more than ${less} of ${others.length}`
}
