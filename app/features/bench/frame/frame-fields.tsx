import { useCallback, useEffect, useMemo, useState } from 'react'
import type { Key } from '~/codecs/lick-text'
import { GROOVES } from '~/core/groove'
import { type Lick, MAX_LEAD, NO_GROOVE, pickupGrid } from '~/core/line'
import { formatLine } from '~/core/notation'
import { findGrid, type Grid, gridName, meterName, placeName, sameGrid } from '~/core/time'
import { useCounting } from '~/live/use-setting'
import { type FieldFault, SelectField, TypedField } from '~/ui/field'
import { pickupPlace } from '~/words/places'
import type { SetRow } from '~/workspace/document'
import { type FrameNotice, frameFault, startRows } from '~/workspace/frame-change'
import { useBenchGrooves, useBenchLick, useDocument, useWorkspace } from '../state/use-workspace'
import {
  gridOptions,
  METRES,
  numberOptions,
  pickupGridOptions,
  startOptions,
  stopOptions,
} from './frame-options'
import type { FramePartId } from './frame-words'
import { LandingFields } from './landing-fields'
import { GrooveSwing, SwingFields } from './swing-fields'

/** A pick-up as the text has it: a grid that is not the text's own stands before it. */
function onGrid({ frame }: Lick, typed: string, grid: Grid | undefined): string {
  const named = typed === '' || typed.startsWith('@') || !grid || sameGrid(grid, frame.grid)
  return named ? typed : `@${gridName(grid)} ${typed}`
}

/** The fields of a part of the frame; every one takes effect as it is changed. */
export default function FrameFields({ part }: { part: FramePartId }) {
  const workspace = useWorkspace()
  const lick = useBenchLick()
  const { history, issues } = useDocument()
  const { text } = history
  const grooves = useBenchGrooves()
  const textNow = () => workspace.document.history.text
  const onSet = useCallback((rows: readonly SetRow[]) => workspace.set(rows), [workspace])
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
  const counting = useCounting()
  const starts = useMemo(() => startOptions(lick, counting), [lick, counting])
  const grids = useMemo(() => gridOptions(lick), [lick])
  const stops = useMemo(() => stopOptions(lick, counting), [lick, counting])
  const place = placeName(frame.start, frame.meter)
  switch (part) {
    case 'metre':
      return (
        <TypedField
          label="Metre"
          value={meterName(frame.meter)}
          check={check('meter')}
          suggestions={METRES}
          onChange={set('meter')}
        />
      )
    case 'grid':
      return (
        <>
          <SelectField
            label="Grid"
            value={gridName(frame.grid)}
            options={grids}
            fault={fault('grid')}
            onChange={set('grid')}
          />
          <SwingFields swing={frame.swing} check={check('swing')} onSwing={set('swing')} />
        </>
      )
    case 'start':
      return (
        <>
          <SelectField
            label="Start"
            value={place}
            shown={place}
            options={starts}
            fault={fault('start')}
            onChange={(to) => choose('start', startRows(lick, to))}
          />
          <TypedField
            label="Pick-up"
            value={formatLine({ ...lick.pickup, gridChanges: [] })}
            placeholder="RLK"
            check={(typed) => check('pickup')(onGrid(lick, typed, pickupGrid(lick)))}
            onChange={(typed) => set('pickup')(onGrid(lick, typed, pickupGrid(lick)))}
          />
          {lick.pickup.slots.length > 0 && (
            <>
              <SelectField
                label="Pick-up grid"
                value={gridName(pickupGrid(lick))}
                options={pickupGridOptions()}
                onChange={(name) =>
                  set('pickup')(
                    onGrid(lick, formatLine({ ...lick.pickup, gridChanges: [] }), findGrid(name)),
                  )
                }
              />
              <p className="w-full text-(--quiet) text-xs">
                Begins {pickupPlace(lick, counting)}; played the first time only.
              </p>
            </>
          )}
        </>
      )
    case 'groove':
      return (
        <>
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
          <SelectField
            label="Groove stops at"
            value={frame.stop === null ? '' : placeName(frame.stop, frame.meter)}
            options={[{ value: '', label: 'the start' }, ...stops]}
            fault={fault('stop')}
            onChange={set('stop')}
          />
          <GrooveSwing
            swing={frame.grooveSwing}
            line={frame.swing}
            check={check('groove swing')}
            onSwing={set('groove swing')}
          />
        </>
      )
    case 'landing':
      return (
        <>
          <LandingFields
            landing={frame.landing}
            more={false}
            fault={fault('landing')}
            check={check('landing')}
            onLanding={set('landing')}
          />
          <LandingFields
            landing={frame.landing}
            more
            fault={null}
            check={check('landing')}
            onLanding={set('landing')}
          />
          <SelectField
            label="Bars to fill"
            value={frame.bars === null ? '' : String(frame.bars)}
            options={[{ value: '', label: 'nearest' }, ...numberOptions(1, 64)]}
            fault={fault('bars')}
            onChange={set('bars')}
          />
        </>
      )
    case 'tempo':
      return (
        <>
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
        </>
      )
  }
}
