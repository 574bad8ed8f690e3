import { ChevronDown } from 'lucide-react'
import { memo, useCallback, useEffect, useMemo, useState } from 'react'
import { formatSwing, type Key, type TextIssue } from '~/codecs/lick-text'
import { GROOVES, type Groove, hasGroove } from '~/core/groove'
import { type Lick, MAX_LEAD, NO_GROOVE } from '~/core/line'
import { formatLine } from '~/core/notation'
import { gridName, meterName, placeName } from '~/core/time'
import { type FieldFault, SelectField, TypedField } from '~/ui/field'
import type { SetRow } from '~/workspace/document'
import { type FrameNotice, frameFault, startRows, swingMovesNothing } from './frame-change'
import { gridOptions, METRES, numberOptions, startOptions, stopOptions } from './frame-options'
import { LandingFields, landingLabel } from './landing-fields'

interface FrameBarProps {
  readonly lick: Lick
  readonly text: string
  /** The newest text, which what is drawn may lag behind: a change is held against it before it is made. */
  readonly textNow: () => string
  readonly issues: readonly TextIssue[]
  readonly grooves: readonly Groove[]
  readonly onSet: (rows: readonly SetRow[]) => void
}

/** Where the line stands in the music: every field takes effect as it is changed. */
export const FrameBar = memo(function FrameBar(props: FrameBarProps) {
  const { lick, text, textNow, issues, grooves, onSet } = props
  const [open, setOpen] = useState(false)
  const [more, setMore] = useState(false)
  const [refused, setRefused] = useState<{ key: Key; notice: FrameNotice } | null>(null)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new text makes an old refusal void
  useEffect(() => setRefused(null), [text])
  const { frame } = lick
  const toFault = useCallback(
    ({ message, offer }: FrameNotice): FieldFault => ({
      message,
      ...(offer && { remedy: { label: offer.label, act: () => onSet(offer.rows) } }),
    }),
    [onSet],
  )
  const check =
    (key: Key) =>
    (value: string): FieldFault | null => {
      const notice = frameFault(textNow(), [[key, value === '' ? [] : [value]]])
      return notice && toFault(notice)
    }
  const choose = (key: Key, rows: readonly SetRow[]) => {
    const notice = frameFault(textNow(), rows)
    if (notice) setRefused({ key, notice })
    else onSet(rows)
  }
  const set = (key: Key) => (value: string) => choose(key, [[key, value === '' ? [] : [value]]])
  /** What is wrong with a key: a choice that was refused, or what was typed in the text. */
  const fault = (key: Key): FieldFault | null => {
    if (refused?.key === key) return toFault(refused.notice)
    const issue = issues.find(({ code, inLine }) => code === key && !inLine)
    return issue ? { message: `“${issue.found}” in the text: expected ${issue.expected}` } : null
  }
  const starts = useMemo(() => startOptions(lick), [lick])
  const grids = useMemo(() => gridOptions(lick), [lick])
  const stops = useMemo(() => stopOptions(lick), [lick])
  const place = placeName(frame.start, frame.meter)
  return (
    <section aria-label="Bar settings" className="paint-alone">
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
        className={`${open ? 'grid' : 'hidden'} grid-cols-2 items-start gap-x-3 gap-y-3 pt-2 sm:grid sm:grid-cols-4 sm:pt-0 lg:grid-cols-[repeat(8,minmax(0,1fr))_auto]`}
      >
        <TypedField
          label="Metre"
          value={meterName(frame.meter)}
          check={check('meter')}
          suggestions={METRES}
          onChange={set('meter')}
        />
        <SelectField
          label="Grid"
          value={gridName(frame.grid)}
          shown={gridName(frame.grid)}
          options={grids}
          fault={fault('grid')}
          onChange={set('grid')}
        />
        <SelectField
          label="Start"
          value={place}
          shown={place}
          options={starts}
          fault={fault('start')}
          onChange={(to) => choose('start', startRows(lick, to))}
        />
        <SelectField
          label="Groove"
          value={frame.groove}
          options={[
            ...[...GROOVES, ...grooves].map(({ id, name }) => ({ value: id, label: name })),
            { value: NO_GROOVE, label: 'none' },
          ]}
          fault={fault('groove')}
          onChange={set('groove')}
        />
        <SelectField
          label="Bars of groove"
          value={String(frame.lead)}
          options={numberOptions(0, MAX_LEAD)}
          fault={fault('lead')}
          onChange={set('lead')}
        />
        <LandingFields
          landing={frame.landing}
          more={false}
          fault={fault('landing')}
          check={check('landing')}
          onLanding={set('landing')}
        />
        <TypedField
          label="Learning tempo"
          value={String(frame.tempo)}
          check={check('tempo')}
          inputMode="decimal"
          onChange={set('tempo')}
        />
        <TypedField
          label="Goal"
          value={frame.goal === null ? '' : String(frame.goal)}
          check={check('goal')}
          inputMode="decimal"
          onChange={set('goal')}
        />
        <button
          type="button"
          className="btn btn-ghost btn-square btn-sm mt-5"
          aria-expanded={more}
          aria-label="More bar settings"
          title="Pickup, stop, bars to fill, landing and swing"
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
              fault={fault('stop')}
              onChange={set('stop')}
            />
            <SelectField
              label="Bars to fill"
              value={frame.bars === null ? '' : String(frame.bars)}
              options={[{ value: '', label: 'nearest' }, ...numberOptions(1, 64)]}
              fault={fault('bars')}
              onChange={set('bars')}
            />
            <LandingFields
              landing={frame.landing}
              more
              fault={null}
              check={check('landing')}
              onLanding={set('landing')}
            />
            <TypedField
              label="Pickup"
              value={lick.pickup.slots.length > 0 ? formatLine(lick.pickup) : ''}
              placeholder="RLK"
              check={check('pickup')}
              onChange={set('pickup')}
            />
            <TypedField
              label="Swing, percent"
              value={formatSwing(frame.swing)}
              check={check('swing')}
              onChange={set('swing')}
            />
          </>
        )}
      </div>
      {frame.groove !== NO_GROOVE && !hasGroove(frame.groove, grooves) && (
        <p role="status" className="mt-2 text-warning text-sm">
          There is no groove “{frame.groove}” here: {GROOVES[0]?.name.toLowerCase()} plays instead.
        </p>
      )}
      {swingMovesNothing(lick) && (
        <p role="status" className="mt-2 text-(--quiet) text-sm">
          The swing moves nothing in this line: no stroke falls where it leans, and triplets stay
          even.
        </p>
      )}
    </section>
  )
})

/** The frame in one row, where there is no room for its fields. */
function frameWords({ frame }: Lick): string {
  const goal = frame.goal === null ? '' : ` to ${frame.goal}`
  const place = placeName(frame.start, frame.meter)
  return `${meterName(frame.meter)} · ${gridName(frame.grid)} from ${place} · ${landingLabel(frame.landing)} · ${frame.tempo}${goal}`
}
