import { useMemo, useState } from 'react'
import {
  groupsInSpace,
  type Meeting,
  type MeetingMark,
  meetingOf,
  naturalMetre,
} from '~/core/fitting'
import { frameTicks, type Lick } from '~/core/line'
import { type CountingSchool, countSyllable, gridTicks } from '~/core/time'
import { often, plural } from '../bench/figures'
import type { PanelProps } from './panel-props'
import { Act, Nothing, Part } from './parts'

const SHOWN_BARS = 12

/** When the selection, over and over, meets the barline again, and every first note until then. */
export function MeetingPanel({ lick, range, school }: PanelProps) {
  const [all, setAll] = useState(false)
  const meeting = useMemo(() => meetingOf(lick, range), [lick, range])
  if (!meeting)
    return <Nothing>Type a line, and select a group to see when it meets the bar.</Nothing>
  const bars = Math.min(meeting.bars, all ? meeting.bars : SHOWN_BARS)
  const drawn = Math.max(1, ...meeting.marks.filter(({ bar }) => bar <= bars).map(({ bar }) => bar))
  return (
    <Part title="Meeting the barline again">
      <p className="text-sm">{meetingWords(lick, range.to - range.from, meeting)}</p>
      <div className="flex flex-col" role="img" aria-label={mapWords(lick, meeting, school)}>
        <BeatNumbers lick={lick} />
        {Array.from({ length: drawn }, (_, i) => (
          <BarOfMarks
            key={i}
            number={i + 1}
            lick={lick}
            school={school}
            marks={meeting.marks.filter(({ bar }) => bar === i + 1)}
          />
        ))}
      </div>
      {meeting.bars > SHOWN_BARS && (
        <p className="flex items-center gap-3 text-sm">
          <Act onClick={() => setAll(!all)}>{all ? 'Fewer bars' : `All bars, up to 64`}</Act>
          {meeting.shortened && <span className="text-(--quiet)">{meeting.bars} bars in all</span>}
        </p>
      )}
    </Part>
  )
}

/** `7 slots: once, 5 left in a bar; round after 12 times, 7 bars.` */
function meetingWords({ frame }: Lick, count: number, { cycles, bars, ticks }: Meeting): string {
  const slot = gridTicks(frame.grid)
  const { bar, beat } = frameTicks(frame)
  const length = ticks / cycles / slot
  const plain = Number.isInteger(length) && length === count
  const whole = plain && bar % slot === 0 ? groupsInSpace(bar / slot, length) : null
  const inBar = whole ? `goes into a bar ${often(whole.times)} and leaves ${whole.left}; ` : ''
  const natural = plain && beat % slot === 0 ? naturalMetre(length, beat / slot) : null
  const onBeat = natural ? `it begins on a beat again after ${plural(natural.beats, 'beat')}, ` : ''
  return `${plural(count, 'slot')}: ${inBar}${onBeat}and on the same place of the bar after going through ${often(cycles)}, ${plural(bars, 'bar')}.`
}

/** The beats of the bar, over the map. */
function BeatNumbers({ lick }: { lick: Lick }) {
  const { bar, beat } = frameTicks(lick.frame)
  const beats = Math.ceil(bar / beat)
  return (
    <div className="ml-8 flex text-(--quiet) text-xs" aria-hidden="true">
      {Array.from({ length: beats }, (_, i) => (
        <span key={i} className="font-semibold" style={{ width: `${(beat / bar) * 100}%` }}>
          {i + 1}
        </span>
      ))}
    </div>
  )
}

/** A bar of the map: its beats as lines, first notes as squares with their count, accents as wedges. */
function BarOfMarks({
  number,
  lick,
  school,
  marks,
}: {
  number: number
  lick: Lick
  school: CountingSchool
  marks: readonly MeetingMark[]
}) {
  const { meter } = lick.frame
  const { bar, beat } = frameTicks(lick.frame)
  const at = (tick: number) => `${((tick / bar) * 100).toFixed(3)}%`
  return (
    <div className="flex items-center gap-2">
      <span className="w-6 text-right text-(--quiet) text-xs tabular-nums">{number}</span>
      <svg height="27" className="min-w-0 grow" aria-hidden="true" fill="currentColor">
        {Array.from({ length: Math.ceil(bar / beat) }, (_, i) => (
          <line
            key={i}
            x1={at(i * beat)}
            x2={at(i * beat)}
            y1="2"
            y2="27"
            stroke="var(--color-base-300)"
            strokeWidth={i === 0 ? 2 : 1}
          />
        ))}
        {marks.map(({ tick, grid, first, accent, round }) => (
          <svg key={`${round} ${tick}`} x={at(tick)} overflow="visible" aria-hidden="true">
            {first && <rect x="3" y="3" width="4" height="11" fill="var(--color-primary)" />}
            {accent && (
              <path d="M10 5l6 3l-6 3" fill="none" stroke="currentColor" strokeWidth="1.4" />
            )}
            <text x="3" y="25" fontSize="10" fill={first ? 'currentColor' : 'var(--quiet)'}>
              {countSyllable(tick, grid, meter, school)}
            </text>
          </svg>
        ))}
      </svg>
    </div>
  )
}

/** The map in words, for those who do not see it. */
function mapWords(lick: Lick, { marks }: Meeting, school: CountingSchool): string {
  const { meter } = lick.frame
  const firsts = marks.filter(({ first }) => first).slice(0, 24)
  return `First notes: ${firsts.map(({ bar, tick, grid }) => `bar ${bar}, ${countSyllable(tick, grid, meter, school)}`).join('; ')}`
}
