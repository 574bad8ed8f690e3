import { type ReactNode, useState } from 'react'
import { type Kit, tomsOf } from '~/core/kit'
import { SURFACE_NAMES, SURFACES, type Surface } from '~/core/sticking'
import {
  type Action,
  type ActionKind,
  PATH_ENDS,
  type PathEnd,
  PLAYERS_OF_RULE,
  type RuleHands,
  type VoicingRule,
  type Which,
  type WhichKind,
} from '~/core/voicing'
import { Checkbox } from '~/ui/checkbox'
import { Pick, type PickProps } from '~/ui/pick'
import { findSurfaces, SURFACES_EXPECTED } from '~/words/surface-words'
import { ACTION_WORDS, END_WORDS, HANDS_WORDS, WHICH_WORDS } from './words'

/** A rule on its way: everything that any kind of rule asks for. */
interface RuleDraft {
  readonly hands: RuleHands
  readonly which: WhichKind
  readonly numbers: string
  readonly action: ActionKind
  readonly surface: Surface
  readonly grace: Surface
  readonly surfaces: string
  readonly per: string
  readonly end: PathEnd
  readonly turningStroke: boolean
  /** Whether a drawn surface may come twice running. */
  readonly twice: boolean
}

interface RuleFormProps {
  readonly kit: Kit
  /** Tells what stands in the form, as it is filled in; null while it is no rule yet. */
  readonly onDraft: (rule: VoicingRule | null) => void
  readonly onAdd: (rule: VoicingRule) => void
  /** What is said of the rule in the form. */
  readonly about: (rule: VoicingRule) => ReactNode
}

/** A rule put together from a few choices, read as a sentence. */
export function RuleForm({ kit, onDraft, onAdd, about }: RuleFormProps) {
  const [draft, setDraft] = useState<RuleDraft>(() => ({
    hands: 'RH',
    which: 'every',
    numbers: '2',
    action: 'path',
    surface: 't1',
    grace: 'sn',
    surfaces: tomsOf(kit).join(' ') || 'sn',
    per: 'group',
    end: 'turn',
    turningStroke: false,
    twice: false,
  }))
  const change = (changed: Partial<RuleDraft>) => {
    const next = { ...draft, ...changed }
    setDraft(next)
    onDraft(findRule(next))
  }
  const rule = findRule(draft)
  const { action, which } = draft
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (rule) onAdd(rule)
      }}
    >
      <Pick
        label="Whose strokes"
        value={draft.hands}
        options={PLAYERS_OF_RULE.map((hands) => [hands, HANDS_WORDS[hands]])}
        onPick={(hands) => change({ hands })}
      />
      <Pick
        label="Which strokes"
        value={which}
        options={entries(WHICH_WORDS)}
        onPick={(kind) => change({ which: kind })}
      />
      {(which === 'every-nth-group' || which === 'groups' || which === 'beats') && (
        <Field
          label={which === 'beats' ? 'Beats' : which === 'groups' ? 'Groups' : 'n, and from which'}
          value={draft.numbers}
          onType={(numbers) => change({ numbers })}
        />
      )}
      <Pick
        label="What they do"
        value={action}
        options={entries(ACTION_WORDS)}
        onPick={(kind) => change({ action: kind })}
      />
      {(action === 'path' || action === 'draw') && (
        <Field
          label={action === 'path' ? 'Surfaces of the path' : 'Surfaces to draw from'}
          wide
          value={draft.surfaces}
          onType={(surfaces) => change({ surfaces })}
        />
      )}
      {action === 'draw' && (
        <>
          <Pick
            label="How long on each"
            value={draft.per === 'group' ? 'group' : '1'}
            options={[
              ['group', 'a group each'],
              ['1', 'a stroke each'],
            ]}
            onPick={(per) => change({ per })}
          />
          <Checkbox checked={!draft.twice} onTick={(once) => change({ twice: !once })}>
            None twice in a row
          </Checkbox>
        </>
      )}
      {action === 'path' && (
        <>
          <Pick
            label="How long on each"
            value={draft.per}
            options={[
              ['group', 'a group each'],
              ...['1', '2', '3', '4'].map((n) => [n, `${n} each`] as const),
            ]}
            onPick={(per) => change({ per })}
          />
          <Pick
            label="At the end of the path"
            value={draft.end}
            options={PATH_ENDS.map((end) => [end, END_WORDS[end]])}
            onPick={(end) => change({ end })}
          />
          {draft.end !== 'over' && draft.per !== 'group' && (
            <Checkbox
              checked={draft.turningStroke}
              onTick={(turningStroke) => change({ turningStroke })}
            >
              One extra at the turn
            </Checkbox>
          )}
        </>
      )}
      {ON_ONE_SURFACE.has(action) && (
        <SurfacePick
          label={action === 'split' ? 'Main stroke on' : 'Surface'}
          value={draft.surface}
          onPick={(surface) => change({ surface })}
        />
      )}
      {action === 'split' && (
        <SurfacePick label="Grace on" value={draft.grace} onPick={(grace) => change({ grace })} />
      )}
      <button type="submit" className="btn btn-primary btn-sm" disabled={!rule}>
        Add rule
      </button>
      {rule && about(rule)}
      {!rule && (
        <p role="alert" className="w-full text-error text-sm">
          {faultOf(draft)}
        </p>
      )}
    </form>
  )
}

const ON_ONE_SURFACE: ReadonlySet<ActionKind> = new Set(['put', 'with-kick', 'with-hand', 'split'])

/** What a filled-in form says; null where a part of it cannot be read. */
function findRule(draft: RuleDraft): VoicingRule | null {
  const [which, action] = [findWhich(draft), findAction(draft)]
  return which && action ? { hands: draft.hands, which, action, on: true } : null
}

function findWhich({ which, numbers }: RuleDraft): Which | null {
  const found = numbersOf(numbers)
  switch (which) {
    case 'every-nth-group': {
      const [nth, from = nth] = found ?? []
      return nth && from ? { kind: which, nth, from } : null
    }
    case 'groups':
      return found ? { kind: which, groups: found } : null
    case 'beats':
      return found ? { kind: which, beats: found } : null
    default:
      return { kind: which }
  }
}

function findAction(draft: RuleDraft): Action | null {
  const { action, surface, grace, end, turningStroke } = draft
  switch (action) {
    case 'path': {
      const surfaces = findSurfaces(draft.surfaces)
      const per = draft.per === 'group' ? 'group' : Number(draft.per)
      return surfaces ? { kind: action, surfaces, per, end, turningStroke } : null
    }
    case 'draw': {
      const surfaces = findSurfaces(draft.surfaces)
      const per = draft.per === 'group' ? 'group' : 'stroke'
      return surfaces ? { kind: action, surfaces, per, twice: draft.twice, seed: 0 } : null
    }
    case 'split':
      return { kind: action, main: surface, grace }
    case 'graces-with-hand':
      return { kind: action }
    default:
      return { kind: action, surface }
  }
}

function numbersOf(typed: string): number[] | null {
  const words = typed.split(/[\s,]+/).filter(Boolean)
  const numbers = words.map(Number)
  const fine = numbers.every((n) => Number.isInteger(n) && n >= 1 && n <= 512)
  return fine && numbers.length > 0 && numbers.length <= 64 ? numbers : null
}

function faultOf(draft: RuleDraft): string {
  return findWhich(draft) ? SURFACES_EXPECTED : 'Numbers from 1 on, with spaces between.'
}

function entries<T extends string>(words: Readonly<Record<T, string>>): (readonly [T, string])[] {
  return Object.entries(words) as [T, string][]
}

function SurfacePick(props: Omit<PickProps<Surface>, 'options'>) {
  return <Pick {...props} options={SURFACES.map((surface) => [surface, SURFACE_NAMES[surface]])} />
}

interface FieldProps {
  readonly label: string
  readonly value: string
  readonly wide?: boolean
  readonly onType: (value: string) => void
}

function Field({ label, value, wide = false, onType }: FieldProps) {
  return (
    <input
      aria-label={label}
      title={label}
      autoComplete="off"
      spellCheck={false}
      className={`rounded-field border border-base-300 bg-base-100 px-2 py-1 font-mono text-sm ${wide ? 'w-44' : 'w-20'}`}
      value={value}
      onChange={(event) => onType(event.target.value)}
    />
  )
}
