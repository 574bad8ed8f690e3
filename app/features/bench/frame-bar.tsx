import { ChevronDown } from 'lucide-react'
import { memo, useMemo, useState } from 'react'
import { formatLanding, formatSwing, type Key } from '~/codecs/lick-text'
import { GROOVES, type Groove, hasGroove } from '~/core/groove'
import {
  frameTicks,
  LANDING_KINDS,
  type Lick,
  lineTicks,
  MAX_LEAD,
  NO_GROOVE,
  TEMPO_RANGE,
} from '~/core/line'
import {
  ALL_GRIDS,
  findGrid,
  findMeter,
  gridName,
  gridTicks,
  meterName,
  placeName,
} from '~/core/time'
import { type Option, SelectField, TypedField } from '~/ui/field'
import { gridOutcome } from './fit'

interface FrameBarProps {
  readonly lick: Lick
  readonly grooves: readonly Groove[]
  readonly onSet: (key: Key, values: readonly string[]) => void
}

const METERS = [
  '4/4',
  '3/4',
  '2/4',
  '5/4',
  '6/8',
  '7/8',
  '9/8',
  '12/8',
  '7/8 3+2+2',
  '5/8',
  '15/16',
  '3/2',
]
const USUAL_GRIDS = [
  '1/8',
  '1/8t',
  '1/16',
  '1/16q',
  '1/16t',
  '1/16s',
  '1/32',
  '1/32n',
  '1/32t',
  '1/4',
  '1/64',
]
const LANDING_LABELS = {
  crash: 'crash with the kick',
  stop: 'stop, choked',
  groove: 'back to the groove',
  none: 'nothing',
} as const

/** Where the line stands in the music: every field takes effect as it is changed. */
export const FrameBar = memo(function FrameBar({ lick, grooves, onSet }: FrameBarProps) {
  const [open, setOpen] = useState(false)
  const [more, setMore] = useState(false)
  const { frame } = lick
  const set = (key: Key) => (value: string) => onSet(key, value === '' ? [] : [value])
  const starts = useMemo(() => startOptions(lick), [lick])
  const grids = useMemo(() => gridOptions(lick), [lick])
  const stops = useMemo(() => stopOptions(lick), [lick])
  return (
    <section aria-label="Frame" className="paint-alone">
      <button
        type="button"
        className="flex w-full items-center gap-2 py-1 text-left text-sm sm:hidden"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <span className="grow">{frameWords(lick)}</span>
        <ChevronDown size={16} aria-hidden className={open ? 'rotate-180' : ''} />
      </button>
      <div
        className={`${open ? 'grid' : 'hidden'} grid-cols-2 gap-x-3 gap-y-3 pt-2 sm:grid sm:grid-cols-4 sm:pt-0 lg:grid-cols-[repeat(8,minmax(0,1fr))_auto]`}
      >
        <TypedField
          label="Metre"
          value={meterName(frame.meter)}
          accepts={(value) => findMeter(value) !== undefined}
          expected="4/4, 6/8, 7/8 2+2+3 …"
          suggestions={METERS}
          onChange={set('meter')}
        />
        <SelectField
          label="Grid"
          value={gridName(frame.grid)}
          shown={gridName(frame.grid)}
          options={grids}
          onChange={set('grid')}
        />
        <SelectField
          label="Start"
          value={placeName(frame.start, frame.meter)}
          shown={placeName(frame.start, frame.meter)}
          options={starts}
          onChange={set('start')}
        />
        <SelectField
          label="Groove"
          value={frame.groove}
          options={[
            ...[...GROOVES, ...grooves].map(({ id, name }) => ({ value: id, label: name })),
            { value: NO_GROOVE, label: 'none' },
          ]}
          onChange={set('groove')}
        />
        <SelectField
          label="Bars of groove"
          value={String(frame.lead)}
          options={numbers(0, MAX_LEAD)}
          onChange={set('lead')}
        />
        <SelectField
          label="Landing"
          value={frame.landing.kind}
          shown={frame.landing.kind}
          options={LANDING_KINDS.map((kind) => ({ value: kind, label: LANDING_LABELS[kind] }))}
          onChange={(kind) =>
            onSet('landing', [
              formatLanding({ ...frame.landing, kind: kind as typeof frame.landing.kind }),
            ])
          }
        />
        <TypedField
          label="Learning tempo"
          value={String(frame.tempo)}
          accepts={isTempo}
          expected={`${TEMPO_RANGE.least} to ${TEMPO_RANGE.most}`}
          inputMode="decimal"
          onChange={set('tempo')}
        />
        <TypedField
          label="Goal"
          value={frame.goal === null ? '' : String(frame.goal)}
          accepts={(value) => value === '' || isTempo(value)}
          expected={`${TEMPO_RANGE.least} to ${TEMPO_RANGE.most}`}
          inputMode="decimal"
          onChange={set('goal')}
        />
        <button
          type="button"
          className="btn btn-ghost btn-square btn-sm self-end"
          aria-expanded={more}
          aria-label="More of the frame"
          title="Stop, bars to fill, landing place and swing"
          onClick={() => setMore(!more)}
        >
          <ChevronDown size={18} aria-hidden className={more ? 'rotate-180' : ''} />
        </button>
        {more && (
          <>
            <SelectField
              label="Groove stops at"
              value={frame.stop === null ? '' : placeName(frame.stop, frame.meter)}
              options={[{ value: '', label: 'the start' }, ...stops]}
              onChange={set('stop')}
            />
            <SelectField
              label="Bars to fill"
              value={frame.bars === null ? '' : String(frame.bars)}
              options={[{ value: '', label: 'to the nearest' }, ...numbers(1, 64)]}
              onChange={set('bars')}
            />
            <SelectField
              label="Lands on"
              value={frame.landing.at}
              options={[
                { value: 'bar', label: 'a barline' },
                { value: 'beat', label: 'the nearest beat' },
              ]}
              onChange={(at) =>
                onSet('landing', [
                  formatLanding({ ...frame.landing, at: at === 'beat' ? 'beat' : 'bar' }),
                ])
              }
            />
            <TypedField
              label="Swing, percent"
              value={formatSwing(frame.swing)}
              accepts={isSwing}
              expected="50 to 75, then perhaps 1/16"
              onChange={set('swing')}
            />
          </>
        )}
      </div>
      {frame.groove !== NO_GROOVE && !hasGroove(frame.groove, grooves) && (
        <p role="status" className="mt-2 text-warning text-sm">
          There is no groove “{frame.groove}” here: {GROOVES[0]?.name.toLowerCase()} play instead.
        </p>
      )}
    </section>
  )
})

/** The frame in one row, where there is no room for its fields. */
function frameWords({ frame }: Lick): string {
  const goal = frame.goal === null ? '' : ` to ${frame.goal}`
  const place = placeName(frame.start, frame.meter)
  return `${meterName(frame.meter)} · ${gridName(frame.grid)} from ${place} · ${frame.landing.kind} · ${frame.tempo}${goal}`
}

function isTempo(value: string): boolean {
  const number = Number(value)
  return /^\d+(\.\d+)?$/.test(value) && number >= TEMPO_RANGE.least && number <= TEMPO_RANGE.most
}

function isSwing(value: string): boolean {
  const match = /^(\d{2}(?:\.\d{1,6})?)(?:\s+1\/(?:8|16))?$/.exec(value)
  return match !== null && Number(match[1]) >= 50 && Number(match[1]) <= 75
}

function numbers(least: number, most: number): Option[] {
  return Array.from({ length: most - least + 1 }, (_, i) => ({
    value: String(least + i),
    label: String(least + i),
  }))
}

/** Every grid with what the same strokes would come to on it. */
function gridOptions(lick: Lick): Option[] {
  const named = [
    ...USUAL_GRIDS,
    ...ALL_GRIDS.map(gridName).filter((name) => !USUAL_GRIDS.includes(name)),
  ]
  return named.flatMap((name) => {
    const grid = findGrid(name)
    return grid ? [{ value: name, label: gridOutcome(lick, grid) }] : []
  })
}

/** Every slot of the bar on the text's grid; the one from which the line ends on a barline says so. */
function startOptions(lick: Lick): Option[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const used = lineTicks(lick.line, frame.grid)
  const fitting = (bar - (used % bar)) % bar
  const ticks = new Set<number>([frame.start])
  for (let tick = 0; tick < bar; tick += gridTicks(frame.grid)) ticks.add(tick)
  if (used > 0) ticks.add(fitting)
  return [...ticks]
    .sort((a, b) => a - b)
    .map((tick) => {
      const name = placeName(tick, frame.meter)
      return {
        value: name,
        label: used > 0 && tick === fitting ? `${name} · ends on the barline` : name,
      }
    })
}

/** Every slot of the bar up to the start. */
function stopOptions({ frame }: Lick): Option[] {
  const options: Option[] = []
  for (let tick = 0; tick <= frame.start; tick += gridTicks(frame.grid)) {
    const name = placeName(tick, frame.meter)
    options.push({ value: name, label: name })
  }
  return options
}
