import type { WrittenQuestion } from '~/codecs/question'
import { SIZE_ORDERS, spaceOf } from '~/core/finder'
import { frameTicks, type Lick } from '~/core/line'
import { LETTERS, type Letter } from '~/core/sticking'
import {
  ALL_GRIDS,
  type CountingSystem,
  findGrid,
  findMeter,
  findPlace,
  gridName,
  gridTicks,
  meterName,
  placeName,
} from '~/core/time'
import { Checkbox } from '~/ui/checkbox'
import { type FieldFault, SelectField, TypedField } from '~/ui/field'
import { LabelledNumber } from '~/ui/number-field'
import { slotPlace } from '~/words/finder-words'
import { gridWords } from '~/words/grid-words'
import { placeOn } from '~/words/places'
import { withConditions, withFrame } from './question-edits'

/** A part of the question, and the way to change it. */
export interface PartProps {
  readonly question: WrittenQuestion
  readonly onChange: (question: WrittenQuestion) => void
}

const GRIDS = ALL_GRIDS.map((grid) => ({ value: gridName(grid), label: gridWords(grid) }))

function checkMeter(typed: string): FieldFault | null {
  return findMeter(typed) ? null : { message: 'Type a metre such as 4/4 or 7/8.' }
}

export function SpaceFields({
  question,
  onChange,
  lick,
  counting,
}: PartProps & { lick: Lick; counting: CountingSystem }) {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const slot = gridTicks(frame.grid)
  const starts = Array.from({ length: Math.ceil(bar / slot) }, (_, i) => i * slot)
  return (
    <>
      <TypedField
        label="Metre"
        value={meterName(frame.meter)}
        check={checkMeter}
        onChange={(typed) => {
          const meter = findMeter(typed)
          if (meter) onChange(withFrame(question, { meter }))
        }}
      />
      <SelectField
        label="Grid"
        value={gridName(frame.grid)}
        options={GRIDS}
        onChange={(name) => {
          const grid = findGrid(name)
          if (grid) onChange(withFrame(question, { grid }))
        }}
      />
      <SelectField
        label="Start"
        value={placeName(frame.start, frame.meter)}
        options={starts.map((tick) => ({
          value: placeName(tick, frame.meter),
          label: placeOn(lick, tick, frame.grid, counting),
        }))}
        onChange={(name) => {
          const start = findPlace(name, frame.meter)
          if (start !== undefined) onChange(withFrame(question, { start }))
        }}
      />
      <LabelledNumber
        label="Bars"
        value={frame.bars ?? 1}
        min={1}
        max={8}
        onChange={(bars) => onChange(withFrame(question, { bars }))}
      />
      <LabelledNumber
        label="Tempo"
        value={frame.tempo}
        min={20}
        max={400}
        onChange={(tempo) => onChange(withFrame(question, { tempo }))}
      />
    </>
  )
}

export function FormFields({ question, onChange }: PartProps) {
  return (
    <>
      <Checkbox
        checked={question.inversions}
        onTick={(inversions) => onChange({ ...question, inversions })}
      >
        Begun at any of its strokes
      </Checkbox>
      <Checkbox checked={question.mirrors} onTick={(mirrors) => onChange({ ...question, mirrors })}>
        Led by either hand
      </Checkbox>
      <Checkbox checked={question.cut} onTick={(cut) => onChange({ ...question, cut })}>
        The last one may be cut to fit
      </Checkbox>
    </>
  )
}

export function OrderFields({ question, onChange }: PartProps) {
  const { grouping, sizes, inRow } = question.conditions
  const check = (typed: string): FieldFault | null =>
    typed === '' || /^[1-9]\d?( [1-9]\d?)*$/.test(typed)
      ? null
      : { message: 'Type sizes such as 5 5 6.' }
  return (
    <>
      <TypedField
        label="Sizes of its groups"
        value={grouping?.sizes.join(' ') ?? ''}
        placeholder="5 5 6"
        check={check}
        onChange={(typed) =>
          onChange(
            withConditions(question, {
              grouping:
                typed === ''
                  ? undefined
                  : { sizes: typed.split(' ').map(Number), ordered: grouping?.ordered ?? false },
            }),
          )
        }
      />
      {grouping && (
        <Checkbox
          checked={grouping.ordered}
          onTick={(ordered) =>
            onChange(withConditions(question, { grouping: { ...grouping, ordered } }))
          }
        >
          In this order
        </Checkbox>
      )}
      <SelectField
        label="Sizes"
        value={sizes ?? ''}
        options={[
          { value: '', label: 'any' },
          { value: 'rising', label: 'never getting smaller' },
          { value: 'falling', label: 'never getting larger' },
          { value: 'mirrored', label: 'the same forwards and back' },
        ]}
        onChange={(value) =>
          onChange(
            withConditions(question, {
              sizes: SIZE_ORDERS.find((one) => one === value),
            }),
          )
        }
      />
      <SelectField
        label="One cell in a row"
        value={String(inRow ?? '')}
        options={[
          { value: '', label: 'any number' },
          ...[1, 2, 3, 4].map((n) => ({ value: String(n), label: `at most ${n}` })),
        ]}
        onChange={(value) =>
          onChange(withConditions(question, { inRow: value === '' ? undefined : Number(value) }))
        }
      />
    </>
  )
}

function checkLetters(typed: string): FieldFault | null {
  return [...typed].every((letter) => LETTERS.some((one) => one === letter)) && typed.length <= 16
    ? null
    : { message: 'Type strokes such as L or RL.' }
}

function lettersOf(typed: string): Letter[] | undefined {
  return typed === '' ? undefined : ([...typed] as Letter[])
}

export function EndFields({ question, onChange }: PartProps) {
  const { starts, ends, free } = question.conditions
  return (
    <>
      <TypedField
        label="Starts with"
        value={starts?.join('') ?? ''}
        placeholder="any stroke"
        check={checkLetters}
        onChange={(typed) => onChange(withConditions(question, { starts: lettersOf(typed) }))}
      />
      <TypedField
        label="Ends with"
        value={ends?.join('') ?? ''}
        placeholder="any stroke"
        check={checkLetters}
        onChange={(typed) => onChange(withConditions(question, { ends: lettersOf(typed) }))}
      />
      <SelectField
        label="Free for the landing"
        value={free ?? ''}
        options={[
          { value: '', label: 'any limb' },
          { value: 'R', label: 'the right hand' },
          { value: 'L', label: 'the left hand' },
          { value: 'K', label: 'the kick' },
        ]}
        onChange={(value) =>
          onChange(
            withConditions(question, {
              free: value === 'R' || value === 'L' || value === 'K' ? value : undefined,
            }),
          )
        }
      />
    </>
  )
}

export function AccentFields({
  question,
  onChange,
  lick,
  counting,
}: PartProps & { lick: Lick; counting: CountingSystem }) {
  const slots = spaceOf(lick)?.slots.length ?? 0
  const { must = [], not = [], put = true } = question.conditions.accents ?? {}
  const turn = (slot: number) => {
    const off = (all: readonly number[]) => all.filter((one) => one !== slot)
    // From anything to an accent, from that to none, and back.
    const next = must.includes(slot)
      ? { must: off(must), not: [...not, slot] }
      : not.includes(slot)
        ? { must, not: off(not) }
        : { must: [...must, slot], not }
    const empty = next.must.length + next.not.length === 0
    onChange(withConditions(question, { accents: empty ? undefined : { ...next, put } }))
  }
  return (
    <>
      <p className="text-(--quiet) text-xs">Press a place for an accent, again for none.</p>
      <fieldset className="flex max-h-64 flex-wrap gap-1 overflow-y-auto">
        <legend className="sr-only">Accents</legend>
        {Array.from({ length: Math.min(slots, 64) }, (_, slot) => {
          const place = slotPlace(lick, slot, counting)
          const sign = must.includes(slot) ? '>' : not.includes(slot) ? '×' : ''
          const state = { '>': 'accent', '×': 'no accent', '': 'either' }[sign]
          return (
            <button
              key={slot}
              type="button"
              aria-label={`${place}: ${state}`}
              className={`flex h-11 w-12 flex-col items-center justify-center rounded-field border border-base-300 text-xs ${sign === '>' ? 'bg-primary text-primary-content' : sign === '×' ? 'bg-base-300' : 'bg-base-100'}`}
              onClick={() => turn(slot)}
            >
              <span aria-hidden className="h-4 font-semibold">
                {sign}
              </span>
              <span className="max-w-full truncate px-0.5">{place.split(' ')[0]}</span>
            </button>
          )
        })}
      </fieldset>
      {must.length + not.length > 0 && (
        <Checkbox
          checked={!put}
          onTick={(own) =>
            onChange(withConditions(question, { accents: { must, not, put: !own } }))
          }
        >
          Only accents that the cells have
        </Checkbox>
      )}
      <SelectField
        label="Every second beat by"
        value={question.conditions.backbeat ?? ''}
        options={[
          { value: '', label: 'any limb' },
          { value: 'R', label: 'the right hand' },
          { value: 'L', label: 'the left hand' },
        ]}
        onChange={(value) =>
          onChange(
            withConditions(question, {
              backbeat: value === 'R' || value === 'L' ? value : undefined,
            }),
          )
        }
      />
    </>
  )
}

export function KickFields({ question, onChange }: PartProps) {
  const { kicks, kicksApart } = question.conditions
  const { least, most } = kicks ?? { least: 0, most: 64 }
  const change = (next: { least: number; most: number }) =>
    onChange(
      withConditions(question, {
        kicks: next.least === 0 && next.most >= 64 ? undefined : next,
      }),
    )
  return (
    <>
      <LabelledNumber
        label="Kicks, at least"
        value={least}
        min={0}
        max={64}
        onChange={(n) => change({ least: n, most: Math.max(n, most) })}
      />
      <LabelledNumber
        label="Kicks, at most"
        value={most}
        min={0}
        max={64}
        onChange={(n) => change({ least: Math.min(n, least), most: n })}
      />
      <Checkbox
        checked={kicksApart ?? false}
        onTick={(on) => onChange(withConditions(question, { kicksApart: on || undefined }))}
      >
        Never two kicks in a row
      </Checkbox>
    </>
  )
}

export function BearFields({ question, onChange }: PartProps) {
  const { speed, runs, linear, clear, fresh } = question.conditions
  const check = (typed: string): FieldFault | null => {
    const tempo = Number(typed)
    return typed === '' || (tempo >= 20 && tempo <= 400)
      ? null
      : { message: 'Type a tempo from 20 to 400.' }
  }
  return (
    <>
      <TypedField
        label="Plays at, on the snare"
        value={speed === undefined ? '' : String(speed)}
        placeholder="any tempo"
        inputMode="decimal"
        check={check}
        onChange={(typed) =>
          onChange(withConditions(question, { speed: typed === '' ? undefined : Number(typed) }))
        }
      />
      <SelectField
        label="One limb in a row"
        value={String(runs ?? '')}
        options={[
          { value: '', label: 'any number' },
          ...[1, 2, 3, 4].map((n) => ({ value: String(n), label: `at most ${n}` })),
        ]}
        onChange={(value) =>
          onChange(withConditions(question, { runs: value === '' ? undefined : Number(value) }))
        }
      />
      <Checkbox
        checked={linear !== undefined}
        onTick={(on) => onChange(withConditions(question, { linear: on ? 'alone' : undefined }))}
      >
        One limb at a time
      </Checkbox>
      <Checkbox
        checked={clear ?? false}
        onTick={(on) => onChange(withConditions(question, { clear: on || undefined }))}
      >
        Clear of what sounds under it
      </Checkbox>
      <SelectField
        label="Unlike each lick that you have"
        value={String(fresh ?? '')}
        options={[
          { value: '', label: 'or not' },
          { value: '1', label: 'in any slot' },
          ...[2, 3, 4, 6, 8].map((n) => ({ value: String(n), label: `in ${n} slots or more` })),
        ]}
        onChange={(value) =>
          onChange(withConditions(question, { fresh: value === '' ? undefined : Number(value) }))
        }
      />
    </>
  )
}

const TASTES = [
  ['kicks', 'Kicks', 'more', 'fewer'],
  ['offbeats', 'Accents', 'off the beat', 'on the beat'],
  ['repeats', 'Groups', 'that repeat', 'that differ'],
  ['doubles', 'Strokes', 'doubles', 'singles'],
  ['like', 'The line that it was asked from', 'close to it', 'far from it'],
] as const

export function TasteFields({ question, onChange }: PartProps) {
  const { taste } = question
  return (
    <>
      {TASTES.map(([name, label, more, fewer]) => (
        <SelectField
          key={name}
          label={label}
          value={String(Math.sign(taste[name] ?? 0))}
          options={[
            { value: '0', label: 'either' },
            { value: '1', label: more },
            { value: '-1', label: fewer },
          ]}
          onChange={(value) => {
            const { [name]: _, ...others } = taste
            const weight = Number(value)
            onChange({
              ...question,
              taste: weight === 0 ? others : { ...others, [name]: weight },
            })
          }}
        />
      ))}
    </>
  )
}
