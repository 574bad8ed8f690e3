import { ArrowLeft, ArrowRight, Copy, Trash2 } from 'lucide-react'
import { type ReactNode, useMemo, useState } from 'react'
import { formatLickText, lineTextOf, parseLickText } from '~/codecs/lick-text'
import { GROOVES } from '~/core/groove'
import type { Lick } from '~/core/line'
import { formatLine, parseLine } from '~/core/notation'
import { MAX_PART_BARS, type PartEnd, type SoloPart } from '~/core/solo'
import { findGrid, findMeter, gridName, meterName } from '~/core/time'
import { LINE_STACKS, LineFigure } from '~/drawing/line/line-figure'
import { useCounting } from '~/live/use-setting'
import { Checkbox } from '~/ui/checkbox'
import { Labelled, SelectField } from '~/ui/field'
import { IconButton } from '~/ui/icon-button'
import { NumberField } from '~/ui/number-field'
import { ErrorText, TextBox } from '~/ui/parts'
import { gridWords } from '~/words/grid-words'
import { partName } from '~/words/solo-words'
import { METRES } from './metres'

interface PartEditorProps {
  readonly part: SoloPart
  /** Its place among the parts, from 0, and how many there are. */
  readonly at: number
  readonly count: number
  readonly onChange: (change: (part: SoloPart) => SoloPart, about?: string) => void
  readonly onMove: (to: number) => void
  readonly onDuplicate: () => void
  readonly onRemove: () => void
}

const ENDS: readonly { value: PartEnd; label: string }[] = [
  { value: 'auto', label: 'as the next part begins' },
  { value: 'land', label: 'its own landing' },
  { value: 'straight-on', label: 'straight on, no landing' },
]

const GRIDS = ['1/8', '1/8t', '1/16', '1/16q', '1/16t', '1/16s', '1/32']

/** The part that is open, in large, and everything that can be changed of it. */
export function PartEditor(props: PartEditorProps) {
  const { part, at, count, onChange, onMove, onDuplicate, onRemove } = props
  const name = partName(part)
  return (
    <section aria-label={`Part ${at + 1}: ${name}`} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <TextBox
          label="Name of the part"
          className="w-48 grow font-semibold sm:grow-0"
          placeholder={partName({ ...part, name: '' })}
          maxLength={80}
          value={part.name}
          onType={(typed) => onChange((now) => ({ ...now, name: typed }), 'name')}
        />
        <span className="text-(--quiet) text-sm">
          part {at + 1} of {count}
        </span>
        <span className="ml-auto flex">
          <IconButton label="Move earlier" disabled={at === 0} onClick={() => onMove(at - 1)}>
            <ArrowLeft size={16} aria-hidden />
          </IconButton>
          <IconButton label="Move later" disabled={at === count - 1} onClick={() => onMove(at + 1)}>
            <ArrowRight size={16} aria-hidden />
          </IconButton>
          <IconButton label={`Duplicate ${name}`} onClick={onDuplicate}>
            <Copy size={16} aria-hidden />
          </IconButton>
          <IconButton label={`Remove ${name}`} onClick={onRemove}>
            <Trash2 size={16} aria-hidden />
          </IconButton>
        </span>
      </div>
      <PartFields part={part} onChange={onChange} />
    </section>
  )
}

type FieldsProps<P extends SoloPart> = Pick<PartEditorProps, 'onChange'> & { readonly part: P }

function PartFields({ part, onChange }: FieldsProps<SoloPart>): ReactNode {
  switch (part.kind) {
    case 'lick':
    case 'run':
      return <StruckFields part={part} onChange={onChange} />
    case 'groove':
    case 'others':
      return (
        <div className="flex flex-wrap items-end gap-3">
          <Bars value={part.bars} onChange={onChange} />
          <SelectField
            label="Groove"
            className="w-44"
            value={part.groove}
            options={[
              ...GROOVES.map(({ id, name }) => ({ value: id, label: name })),
              { value: 'none', label: 'none: the click alone' },
            ]}
            onChange={(groove) => onChange((now) => ({ ...now, groove }) as SoloPart)}
          />
          <Metre part={part} onChange={onChange} />
          <Checkbox
            checked={part.kind === 'others'}
            onTick={(others) =>
              onChange((now) => ({ ...now, kind: others ? 'others' : 'groove' }) as SoloPart)
            }
          >
            Left to the others
          </Checkbox>
        </div>
      )
    case 'flow':
      return (
        <div className="flex flex-wrap items-end gap-3">
          <Bars value={part.bars} onChange={onChange} />
          <Labelled words="Seed">
            <NumberField
              label="Seed of the flow"
              className="w-24"
              min={0}
              max={999_999}
              value={part.seed}
              onChange={(seed) => onChange((now) => ({ ...now, seed }) as SoloPart)}
            />
          </Labelled>
          <SelectField
            label="Grid"
            className="w-40"
            value={gridName(part.grid)}
            options={gridOptions(gridName(part.grid))}
            onChange={(value) => {
              const grid = findGrid(value)
              if (!grid) return
              const sources = part.sources.map((source) => ({ ...source, grid }))
              onChange((now) => ({ ...now, grid, sources }) as SoloPart)
            }}
          />
          <CellsField part={part} onChange={onChange} />
        </div>
      )
  }
}

function gridOptions(now: string) {
  return [...new Set([now, ...GRIDS])].flatMap((value) => {
    const grid = findGrid(value)
    return grid ? [{ value, label: gridWords(grid) }] : []
  })
}

function Bars({ value, onChange }: { value: number; onChange: PartEditorProps['onChange'] }) {
  return (
    <Labelled words="Bars">
      <NumberField
        label="Bars of the part"
        className="w-16"
        min={1}
        max={MAX_PART_BARS}
        value={value}
        onChange={(bars) => onChange((now) => ({ ...now, bars }) as SoloPart)}
      />
    </Labelled>
  )
}

function Metre({ part, onChange }: FieldsProps<SoloPart & { kind: 'groove' | 'others' | 'flow' }>) {
  const value = meterName(part.meter)
  return (
    <SelectField
      label="Metre"
      className="w-24"
      value={value}
      options={[...new Set([value, ...METRES])].map((one) => ({ value: one, label: one }))}
      onChange={(chosen) => {
        const meter = findMeter(chosen)
        if (meter) onChange((now) => ({ ...now, meter }) as SoloPart)
      }}
    />
  )
}

/** Cells of a flow, typed with spaces between. */
function CellsField({ part, onChange }: FieldsProps<SoloPart & { kind: 'flow' }>) {
  const [typed, setTyped] = useState<string | null>(null)
  const [trouble, setTrouble] = useState('')
  const shown = typed ?? part.sources.map(({ line }) => formatLine(line)).join(' ')
  const take = (text: string) => {
    setTyped(text)
    const cells = text.trim().split(/\s+/).filter(Boolean).slice(0, 12)
    const read = cells.map((cell) => parseLine(cell, { grid: part.grid, start: 0, bar: null }))
    const bad = read.findIndex((one) => !one.ok)
    if (cells.length === 0 || bad >= 0) {
      setTrouble(
        cells.length === 0
          ? 'Type at least one cell, such as RLLRK.'
          : `${cells[bad]}: type R, L, K, H, J, X or -`,
      )
      return
    }
    setTrouble('')
    const sources = read.flatMap((one, i) =>
      one.ok
        ? [{ name: cells[i] as string, line: one.value.line, grid: part.grid, weight: 1 }]
        : [],
    )
    onChange((now) => ({ ...now, sources }) as SoloPart, 'cells')
  }
  return (
    <div className="min-w-48 grow">
      <TextBox
        label="Cells that are mixed"
        className="w-full font-mono"
        aria-invalid={trouble !== ''}
        value={shown}
        onType={take}
        onBlur={() => trouble === '' && setTyped(null)}
      />
      <ErrorText words={trouble} />
    </div>
  )
}

function StruckFields({ part, onChange }: FieldsProps<SoloPart & { kind: 'lick' | 'run' }>) {
  const counting = useCounting()
  const { lick } = part
  const grid = gridName(lick.frame.grid)
  const put = (change: (lick: Lick) => Lick, about = '') =>
    onChange(
      (now) =>
        now.kind === 'lick' || now.kind === 'run' ? { ...now, lick: change(now.lick) } : now,
      about,
    )
  return (
    <>
      <div className="rounded-box bg-base-100 px-3 py-2">
        <LineFigure lick={lick} counting={counting} lit={false} stacks={LINE_STACKS} />
      </div>
      <StickingField key={part.id} lick={lick} onLick={(next) => put(() => next, 'line')} />
      <div className="flex flex-wrap items-end gap-3">
        {part.kind === 'run' ? (
          <Bars value={part.bars} onChange={onChange} />
        ) : (
          <Labelled words="Times">
            <NumberField
              label="Times"
              className="w-16"
              min={1}
              max={MAX_PART_BARS}
              value={part.times}
              onChange={(times) => onChange((now) => ({ ...now, times }) as SoloPart)}
            />
          </Labelled>
        )}
        <SelectField
          label="Grid"
          className="w-40"
          value={grid}
          options={gridOptions(grid)}
          onChange={(value) => {
            const found = findGrid(value)
            if (found)
              put((now) => ({
                ...now,
                frame: { ...now.frame, grid: found },
                line: { ...now.line, gridChanges: [] },
              }))
          }}
        />
        <SelectField
          label="Into the next part"
          className="w-64"
          value={part.end}
          options={ENDS}
          onChange={(end) => onChange((now) => ({ ...now, end: end as PartEnd }) as SoloPart)}
        />
        <Checkbox
          checked={part.otherHand}
          onTick={(otherHand) => onChange((now) => ({ ...now, otherHand }) as SoloPart)}
        >
          Led by the other hand
        </Checkbox>
      </div>
    </>
  )
}

/** The sticking of a part as it is typed; what cannot be read says so, and changes nothing. */
function StickingField({ lick, onLick }: { lick: Lick; onLick: (lick: Lick) => void }) {
  const [typed, setTyped] = useState<string | null>(null)
  const written = useMemo(() => lineTextOf(formatLickText(lick)), [lick])
  const [trouble, setTrouble] = useState('')
  const take = (text: string) => {
    setTyped(text)
    const whole = formatLickText({ ...lick, line: { slots: [], groups: [], gridChanges: [] } })
    const row = `line: ${text.replace(/\s+/g, ' ')}`
    const read = parseLickText(whole.replace(/^line:.*$/m, () => row))
    if (!read.ok) {
      setTrouble(`Expected ${read.error[0]?.expected ?? 'R, L, K, H, J, X or -'}.`)
      return
    }
    if (read.value.lick.line.slots.length === 0) {
      setTrouble('Type at least one stroke.')
      return
    }
    setTrouble('')
    onLick(read.value.lick)
  }
  return (
    <div>
      <TextBox
        label="Sticking of the part"
        className="w-full font-mono text-base"
        spellCheck={false}
        aria-invalid={trouble !== ''}
        value={typed ?? written}
        onType={take}
        onBlur={() => trouble === '' && setTyped(null)}
      />
      <ErrorText words={trouble} />
    </div>
  )
}
