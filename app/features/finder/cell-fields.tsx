import { X } from 'lucide-react'
import { useState } from 'react'
import { MAX_QUESTION_CELLS, type WrittenQuestion } from '~/codecs/question'
import { CATALOGUE, CELL_FAMILIES } from '~/core/catalogue'
import { findPhrase, formatPhrase, type Phrase } from '~/core/changes'
import { PUTS } from '~/core/finder'
import { useOwnCells } from '~/live/use-own'
import { AddSelect } from '~/ui/add-select'
import { Checkbox } from '~/ui/checkbox'
import { Labelled, SelectField } from '~/ui/field'
import { IconButton } from '~/ui/icon-button'
import { LabelledNumber } from '~/ui/number-field'
import { withPattern } from './question-edits'
import type { PartProps } from './question-fields'

/** Cells of the catalogue that are short enough to be put together. */
const OFFERED = CATALOGUE.filter(({ phrase }) => phrase.slots.length <= 16)

/** A cell as one group, whatever groups it is written in. */
const lineOf = ({ slots }: Phrase) => formatPhrase({ slots, groups: [slots.length] })

function asOneGroup(line: string): string {
  const phrase = findPhrase(line)
  return phrase ? lineOf(phrase) : line
}

/** All cells of a kind, and all of a length, with what they are called: `all 12 flam cells`, `all 9 cells of 5 slots`. */
const MANY: readonly (readonly [words: string, lines: readonly string[]])[] = [
  ...CELL_FAMILIES.map(
    (kind) => [`${kind} cells`, OFFERED.filter(({ family }) => family === kind)] as const,
  ),
  ...[2, 3, 4, 5, 6, 7, 8].map(
    (size) =>
      [
        `cells of ${size} slots`,
        OFFERED.filter(({ phrase }) => phrase.slots.length === size),
      ] as const,
  ),
]
  .filter(([, cells]) => cells.length > 1)
  .map(([words, cells]) => [
    `all ${cells.length} ${words}`,
    [...new Set(cells.map(({ phrase }) => lineOf(phrase)))],
  ])

const MADE_OF = [
  ['', 'cells'],
  ['kick', 'kicks in natural sticking'],
  ['rest', 'rests in natural sticking'],
  ['flam', 'flams on natural sticking'],
  ['accent', 'accents on the line'],
] as const

/** What a fill is made of: cells in a row, or one line with something put at some of its slots. */
export function MadeOfFields(props: PartProps & { slots: number }) {
  const { question, slots, onChange } = props
  const { pattern } = question
  return (
    <>
      <SelectField
        label="Made of"
        value={pattern?.put ?? ''}
        options={MADE_OF.map(([value, label]) => ({ value, label }))}
        onChange={(value) => {
          const put = PUTS.find((one) => one === value)
          const most = Math.min(64, slots)
          const first = { lead: 'R', least: 0, most, apart: put !== 'accent' } as const
          onChange(withPattern(question, put && { ...(pattern ?? first), put }))
        }}
      />
      {pattern ? <PatternFields {...props} pattern={pattern} /> : <CellFields {...props} />}
    </>
  )
}

function PatternFields({
  question,
  pattern,
  onChange,
}: PartProps & { pattern: NonNullable<WrittenQuestion['pattern']> }) {
  const change = (part: Partial<typeof pattern>) =>
    onChange(withPattern(question, { ...pattern, ...part }))
  const { least, most, lead } = pattern
  return (
    <>
      <LabelledNumber
        label="At least"
        value={least}
        min={0}
        max={64}
        onChange={(n) => change({ least: n, most: Math.max(n, most) })}
      />
      <LabelledNumber
        label="At most"
        value={most}
        min={0}
        max={64}
        onChange={(n) => change({ most: n, least: Math.min(n, least) })}
      />
      <SelectField
        label="Hands begin with"
        value={lead}
        options={[
          { value: 'R', label: 'the right' },
          { value: 'L', label: 'the left' },
        ]}
        onChange={(value) => change({ lead: value === 'L' ? 'L' : 'R' })}
      />
      <Checkbox checked={pattern.apart} onTick={(apart) => change({ apart })}>
        Never side by side
      </Checkbox>
    </>
  )
}

function CellFields({ question, onChange }: PartProps) {
  const { cells } = question
  const [typed, setTyped] = useState('')
  const own = useOwnCells()
  const add = (lines: readonly string[]) => {
    const known = new Set(cells.map(({ line }) => line))
    const added = [...new Set(lines)].filter((line) => !known.has(line)).map((line) => ({ line }))
    onChange({ ...question, cells: [...cells, ...added].slice(0, MAX_QUESTION_CELLS) })
  }
  const phrase = findPhrase(typed)
  const wrong = typed.trim() !== '' && !phrase
  const take = () => {
    if (!phrase || phrase.slots.length === 0) return
    let at = 0
    add(
      phrase.groups.map((size) => {
        at += size
        return formatPhrase({ slots: phrase.slots.slice(at - size, at), groups: [size] })
      }),
    )
    setTyped('')
  }
  return (
    <>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          take()
        }}
      >
        <Labelled words="Type stickings, with spaces between">
          <input
            aria-label="Cells to add"
            autoComplete="off"
            spellCheck={false}
            className="w-full rounded-field border border-base-300 bg-base-100 px-2 py-1.5 font-mono text-sm aria-invalid:border-error"
            placeholder="RLLRL RLK"
            value={typed}
            aria-invalid={wrong}
            onChange={(event) => setTyped(event.target.value)}
            onBlur={take}
          />
        </Labelled>
      </form>
      <AddSelect
        label="Add from the catalogue"
        words="Add from the catalogue …"
        onAdd={(value) => add(value.split(' '))}
      >
        {own.length > 0 && (
          <optgroup label="Your cells">
            {own.map(({ id, name, line }) => (
              <option key={id} value={asOneGroup(line)}>
                {name}: {line}
              </option>
            ))}
            {[...new Set(own.flatMap(({ tags }) => tags))].map((tag) => {
              const tagged = own.filter(({ tags }) => tags.includes(tag))
              return (
                <option key={tag} value={tagged.map(({ line }) => asOneGroup(line)).join(' ')}>
                  all {tagged.length} tagged {tag}
                </option>
              )
            })}
          </optgroup>
        )}
        <optgroup label="Many at once">
          {MANY.map(([words, lines]) => (
            <option key={words} value={lines.join(' ')}>
              {words}
            </option>
          ))}
        </optgroup>
        <optgroup label="Cells">
          {OFFERED.map(({ id, name, phrase: one }) => (
            <option key={id} value={lineOf(one)}>
              {name}: {formatPhrase(one)}
            </option>
          ))}
        </optgroup>
      </AddSelect>
      <ul aria-label="Cells" className="flex max-h-60 flex-col overflow-y-auto">
        {cells.map(({ line }) => (
          <li key={line} className="flex items-center gap-2">
            <span className="min-w-0 grow truncate font-mono text-sm">{line}</span>
            <IconButton
              size="tiny"
              label={`Remove ${line}`}
              onClick={() =>
                onChange({ ...question, cells: cells.filter((one) => one.line !== line) })
              }
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
    </>
  )
}
