import { ChevronLeft, ChevronRight, Play } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { formatLickText } from '~/codecs/lick-text'
import { formatPhrase, type Phrase, phraseOf } from '~/core/changes'
import {
  accentFamily,
  type Family,
  inversionFamily,
  PUTS,
  type Put,
  placeFamily,
} from '~/core/families'
import { PhraseStacks, PhraseText } from '~/drawing/stacks/phrase-figure'
import { useSaving } from '~/live/use-saving'
import { MAX_IN_SET } from '~/storage'
import { NumberField } from '~/ui/number-field'
import { Button, Choice, EmptyState, Part } from '~/ui/parts'
import { appendPhrase, replaceRange } from '~/workspace/edits/edits'
import { FindFills } from '../find-fills'
import { usePanel } from '../state/use-panel'
import { changeCells } from './saved-store'
import { onceLick, soloLick } from './solo'

const RULES = [
  ['kick', 'Kicks'],
  ['rest', 'Rests'],
  ['flam', 'Flams'],
  ['accents', 'Accents'],
  ['inversions', 'Inversions'],
] as const
type Rule = (typeof RULES)[number][0]

/** Where members come from: some are of natural sticking, the others of what is selected. */
const MADE_OF: Readonly<Record<Rule, string>> = {
  kick: 'natural sticking, kicks in place of strokes',
  rest: 'natural sticking, rests in place of strokes',
  flam: 'natural sticking, flams on some strokes',
  accents: 'of what is selected',
  inversions: 'of what is selected',
}
const isPut = (rule: Rule): rule is Put => PUTS.some((put) => put === rule)

interface Asked {
  readonly slots: number
  readonly least: number
  readonly most: number
  readonly adjacent: boolean
}

function familyOf(rule: Rule, phrase: Phrase, asked: Asked): Family {
  if (isPut(rule)) return placeFamily({ put: rule, lead: 'R', ...asked })
  if (rule === 'inversions') return inversionFamily(phrase)
  return accentFamily(phrase, asked.least, Math.min(asked.most, phrase.slots.length))
}

/** So many members go on a sheet. */
const MAX_ON_SHEET = 64

/** All members of a rule, counted and numbered, to try one after the other. */
export function FamilyPanel() {
  const props = usePanel()
  const { lick, range, selection, onEdit, onHear, setting } = props
  const [rule, setRule] = useState<Rule>('kick')
  const [asked, setAsked] = useState<Asked>({ slots: 8, least: 0, most: 8, adjacent: false })
  const [index, setIndex] = useState(0)
  const selected = useMemo(() => phraseOf(lick.line, range), [lick, range])
  const long = !isPut(rule) && (selected.slots.length === 0 || selected.slots.length > 64)
  const family = useMemo(
    () => (long ? null : familyOf(rule, selected, asked)),
    [rule, selected, asked, long],
  )
  const last = family ? Number(family.count) - 1 : 0
  const at = Math.min(index, Math.max(0, last))
  const member = family && family.count > 0n ? family.at(BigInt(at)) : null
  const step = (by: number) => setIndex(Math.max(0, Math.min(last, at + by)))
  const name = RULES.find(([id]) => id === rule)?.[1] ?? ''
  const { tell, trouble, busy } = useSaving(changeCells)
  const [savedAt, setSavedAt] = useState(-1)
  const navigate = useNavigate()
  const save = (phrase: Phrase) => {
    setSavedAt(at)
    void tell({
      intent: 'save',
      name: `${name} ${at + 1}`,
      line: formatPhrase(phrase),
      tags: ['family'],
    })
  }
  // The members from the one that is shown on, as many as a sheet holds.
  const sheet = () => {
    const count = Math.min(MAX_ON_SHEET, last - at + 1)
    const texts = Array.from({ length: count }, (_, i) => {
      const one = family?.at(BigInt(at + i))
      const title = `${name} ${at + i + 1}`
      return one ? formatLickText({ ...onceLick(lick, one), title }) : ''
    })
    void navigate('/sheet', { state: { texts } })
  }
  const [making, setMaking] = useState(false)
  const [unmade, setUnmade] = useState('')
  // All members, easiest first: what can be played fastest, then with fewest kicks, then as they are numbered.
  const makeSet = async () => {
    if (!family) return
    if (family.count > BigInt(MAX_IN_SET)) {
      setUnmade(`A set has at most ${MAX_IN_SET} exercises: narrow the family first.`)
      return
    }
    setMaking(true)
    const { createSetOf, familyTexts } = await import('../../sets')
    const made = await createSetOf(
      `${name}, ${family.count}`,
      familyTexts(lick, family, name, setting),
    )
    setMaking(false)
    if (made.id) void navigate(`/sets/${made.id}`)
    else setUnmade(made.trouble)
  }
  const saved = unmade || trouble || (savedAt === at && !busy ? `Saved as “${name} ${at + 1}”` : '')
  return (
    <div className="flex flex-col gap-4">
      <p className="text-sm">
        <FindFills words="Find fills for this space" /> made of the groups of this line, or{' '}
        <FindFills like words="more like this one" />. Below are all patterns of one rule.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <Choice legend="Rule" options={RULES} value={rule} onChoose={setRule} />
        {rule !== 'inversions' && (
          <AskedFields
            asked={asked}
            places={isPut(rule)}
            what={name.toLowerCase()}
            onAsked={setAsked}
          />
        )}
      </div>
      {member && family ? (
        <Part
          title={`${family.count.toLocaleString('en')} in all`}
          aside={<span className="text-(--quiet) text-sm">{MADE_OF[rule]}</span>}
        >
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <div
              role="spinbutton"
              tabIndex={0}
              aria-label="Member of the family"
              aria-valuenow={at + 1}
              aria-valuemin={1}
              aria-valuemax={last + 1}
              aria-valuetext={`number ${at + 1}: ${formatPhrase(member)}`}
              className="flex items-center gap-1 rounded-field border border-base-300 px-1 focus-visible:outline-2"
              onKeyDown={(event) => {
                const by = {
                  ArrowRight: 1,
                  ArrowUp: 1,
                  ArrowLeft: -1,
                  ArrowDown: -1,
                  PageUp: 10,
                  PageDown: -10,
                }[event.key]
                if (event.key === 'Enter') onHear(soloLick(lick, member))
                if (event.key === 's') save(member)
                if (by === undefined) return
                event.preventDefault()
                step(by)
              }}
            >
              <StepButton label="Previous" disabled={at === 0} onClick={() => step(-1)}>
                <ChevronLeft size={18} aria-hidden />
              </StepButton>
              <span className="min-w-20 text-center text-sm tabular-nums">
                {(at + 1).toLocaleString('en')}
              </span>
              <StepButton label="Next" disabled={at === last} onClick={() => step(1)}>
                <ChevronRight size={18} aria-hidden />
              </StepButton>
            </div>
            <PhraseStacks phrase={member} />
            <PhraseText phrase={member} />
          </div>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => onHear(soloLick(lick, member))}>
              <Play size={14} aria-hidden /> Hear
            </Button>
            <Button onClick={() => onEdit(appendPhrase(lick, member, name))}>Append</Button>
            <Button
              disabled={range.to === range.from}
              onClick={() => onEdit(replaceRange(lick, range, member, name))}
            >
              {selection ? 'Replace' : 'Replace the line'}
            </Button>
            <Button onClick={sheet}>Make a sheet</Button>
            <Button disabled={making} onClick={() => void makeSet()}>
              {making ? 'Making the set …' : 'Make a set'}
            </Button>
            <Button disabled={busy} onClick={() => save(member)}>
              Save as cell
            </Button>
            {saved && (
              <span role="status" className="self-center text-sm text-success">
                {saved}
              </span>
            )}
          </div>
          <p className="text-(--quiet) text-xs">
            With the number focused: arrows step, Enter plays, S saves.
          </p>
        </Part>
      ) : (
        <EmptyState>
          {long ? 'Select up to 64 slots of the line to count their family.' : 'No patterns match.'}
        </EmptyState>
      )}
    </div>
  )
}

function StepButton({
  label,
  disabled,
  onClick,
  children,
}: {
  label: string
  disabled: boolean
  onClick: () => void
  children: React.ReactNode
}) {
  return (
    <button
      type="button"
      tabIndex={-1}
      className="btn btn-ghost btn-square btn-sm"
      aria-label={label}
      disabled={disabled}
      onClick={onClick}
    >
      {children}
    </button>
  )
}

const MAX_SLOTS = 64

/** How many of them, and for natural sticking in how many slots. */
function AskedFields({
  asked,
  places,
  what,
  onAsked,
}: {
  asked: Asked
  places: boolean
  what: string
  onAsked: (asked: Asked) => void
}) {
  const number = (field: 'slots' | 'least' | 'most', label: string, least: number) => (
    <span className="flex items-center gap-1.5 text-sm">
      <NumberField
        label={label}
        min={least}
        max={MAX_SLOTS}
        value={asked[field]}
        onChange={(value) => onAsked({ ...asked, [field]: value })}
      />
      {label}
    </span>
  )
  return (
    <>
      {places && number('slots', 'slots', 1)}
      {number('least', `${what} at least`, 0)}
      {number('most', `${what} at most`, 0)}
      {places && (
        <label className="flex items-center gap-1.5 text-sm">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={asked.adjacent}
            onChange={(event) => onAsked({ ...asked, adjacent: event.target.checked })}
          />
          Allow {what} side by side
        </label>
      )}
    </>
  )
}
