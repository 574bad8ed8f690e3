import { ChevronDown, ChevronUp, Dices, X } from 'lucide-react'
import { useMemo, useState } from 'react'
import { phraseOf } from '~/core/changes'
import { standIns, tomsOf } from '~/core/kit'
import { type Lick, lineEvents } from '~/core/line'
import { speedLimit } from '~/core/playing'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import {
  countVoicings,
  type Pin,
  roundTheKit,
  type Voicing,
  voiceLick,
  voicingPresets,
} from '~/core/voicing'
import { IconButton } from '~/ui/icon-button'
import { Tick } from '~/ui/tick'
import { plural, tenth } from '../bench/figures'
import { PlanButtons } from '../kit/plan-buttons'
import { PhraseText } from '../stacks/phrase-figure'
import { appendPhrase } from '../workbench/edits'
import type { PanelProps } from '../workbench/panel-props'
import { Act, Choice, Nothing, Part } from '../workbench/parts'
import { RuleForm } from './rule-form'
import { theSurface } from './surface-words'
import {
  drawAgain,
  hasWrittenVoice,
  moveRule,
  putOn,
  switchRule,
  withoutRule,
  withPins,
  withRule,
} from './voice-edits'
import { ruleWords } from './words'

/** How the sticking is laid on the kit: rules as sentences, single strokes on the plan, pins. */
export function VoicesPanel(props: PanelProps) {
  const { lick, voiced, voicing, setting, onVoice } = props
  const [next, setNext] = useState<Voicing | null>(null)
  const missing = useMemo(
    () =>
      standIns(
        setting.kit,
        lineEvents(voiced).flatMap(({ surface, graceSurface }) =>
          graceSurface ? [surface, graceSurface] : [surface],
        ),
      ),
    [setting, voiced],
  )
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-4 md:grid-cols-[minmax(0,1fr)_19rem]">
      <div className="flex min-w-0 flex-col gap-4">
        <Part title="Rules">
          <RuleList voicing={voicing} onVoice={onVoice} />
          <RuleForm
            kit={setting.kit}
            onDraft={(rule) => setNext(rule && withRule(voicing, rule))}
            onAdd={(rule) => onVoice(`Rule: ${ruleWords(rule)}`, withRule(voicing, rule))}
          />
          {/* Room of its own, so that nothing moves under the pointer that asks for it. */}
          <div className="min-h-10">{next && <Preview {...props} next={next} />}</div>
        </Part>
        <Presets {...props} onPreview={setNext} />
      </div>
      <div className="flex min-w-0 flex-col gap-2">
        <Strokes {...props} />
        {missing.map(({ voice, instead }) => (
          <p key={voice} className="text-sm text-warning">
            {setting.kit.name} has no {SURFACE_NAMES[voice]}: {theSurface(instead)} plays it.
          </p>
        ))}
        {lick.line.slots.length === 0 && <Nothing>Type a line, and lay it on the kit.</Nothing>}
      </div>
    </div>
  )
}

interface RuleListProps {
  readonly voicing: Voicing
  readonly onVoice: (label: string, voicing: Voicing) => void
}

/** The rules in their order; later ones win. */
function RuleList({ voicing, onVoice }: RuleListProps) {
  const { rules, pins } = voicing
  if (rules.length === 0 && pins.length === 0) {
    return <Nothing>No rule yet: every hand is on the snare but where a voice is written.</Nothing>
  }
  return (
    <ol aria-label="Voicing rules, later ones win" className="flex flex-col">
      {rules.map((rule, i) => {
        const words = ruleWords(rule)
        return (
          <li key={`${i} ${words}`} className="flex items-center gap-2 py-0.5 text-sm">
            <Tick
              className="grow text-sm"
              checked={rule.on}
              onTick={() => onVoice(rule.on ? 'Rule off' : 'Rule on', switchRule(voicing, i))}
            >
              <span className={rule.on ? '' : 'text-(--quiet) line-through'}>{words}</span>
            </Tick>
            {rule.action.kind === 'draw' && (
              <IconButton
                size="tiny"
                label={`Draw again: ${words}`}
                onClick={() => onVoice('Draw again', drawAgain(voicing, i))}
              >
                <Dices size={15} aria-hidden />
              </IconButton>
            )}
            <IconButton
              size="tiny"
              label={`Earlier: ${words}`}
              disabled={i === 0}
              onClick={() => onVoice('Rule earlier', moveRule(voicing, i, -1))}
            >
              <ChevronUp size={15} aria-hidden />
            </IconButton>
            <IconButton
              size="tiny"
              label={`Later: ${words}`}
              disabled={i === rules.length - 1}
              onClick={() => onVoice('Rule later', moveRule(voicing, i, 1))}
            >
              <ChevronDown size={15} aria-hidden />
            </IconButton>
            <IconButton
              size="tiny"
              label={`Delete: ${words}`}
              onClick={() => onVoice('Rule deleted', withoutRule(voicing, i))}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </li>
        )
      })}
      {pins.length > 0 && (
        <li className="flex items-center gap-2 py-0.5 text-sm">
          <span className="grow">Pinned: {pinWords(pins)}</span>
          <IconButton
            size="tiny"
            label="Delete all pins"
            onClick={() => onVoice('Pins deleted', { ...voicing, pins: [] })}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </li>
      )}
    </ol>
  )
}

function pinWords(pins: readonly Pin[]): string {
  const bySurface = new Map<Surface, number[]>()
  for (const { slot, surface } of pins) {
    bySurface.set(surface, [...(bySurface.get(surface) ?? []), slot + 1])
  }
  return [...bySurface]
    .map(([surface, slots]) => `slot ${slots.join(', ')} on ${theSurface(surface)}`)
    .join('; ')
}

const PREVIEWED = 16

/** What a voicing would make of the line, and what that does to its speed. */
function Preview({ lick, voiced, setting, next }: PanelProps & { next: Voicing }) {
  const laid = useMemo(() => voiceLick(lick, next), [lick, next])
  const moved = movedStrokes(voiced, laid)
  return (
    <p className="text-sm" aria-live="polite">
      <PhraseText phrase={phraseOf(laid.line, { from: 0, to: PREVIEWED })} />
      {laid.line.slots.length > PREVIEWED && ' …'}
      <span className="block text-(--quiet) text-xs">
        {moved === 0 ? 'No stroke moves' : `${plural(moved, 'stroke')} would move`}
        {limitWords(voiced, laid, setting)}
      </span>
    </p>
  )
}

function limitWords(before: Lick, after: Lick, setting: PanelProps['setting']): string {
  const [was, is] = [before, after].map((one) => speedLimit(one, 'line', setting).bpm)
  if (is === null || is === undefined) return ''
  if (was === null || was === undefined || Math.abs(was - is) < 0.05) {
    return `; plays up to ${tenth(is)}`
  }
  return `; plays up to ${tenth(is)}, now ${tenth(was)}`
}

function movedStrokes(before: Lick, after: Lick): number {
  const places = new Map(lineEvents(before).map((e) => [`${e.tick} ${e.limb}`, placeKey(e)]))
  return lineEvents(after).filter((e) => places.get(`${e.tick} ${e.limb}`) !== placeKey(e)).length
}

function placeKey({ surface, graceSurface = '' }: { surface: string; graceSurface?: string }) {
  return `${surface} ${graceSurface}`
}

/** Usual voicings, one click each, and passes round the kit with their own strokes. */
function Presets({
  lick,
  range,
  voicing,
  setting,
  onVoice,
  onEdit,
  onPreview,
}: PanelProps & {
  /** Shows what a voicing would do, as long as it is pointed at. */
  readonly onPreview: (next: Voicing | null) => void
}) {
  const toms = tomsOf(setting.kit)
  const presets = useMemo(() => voicingPresets(toms), [toms])
  const [per, setPer] = useState(2)
  const [again, setAgain] = useState(true)
  const drums: readonly Surface[] = toms.length > 0 ? toms : ['sn']
  const pass = roundTheKit(drums, per, again)
  return (
    <Part
      title="Usual voicings"
      aside={<span className="text-(--quiet) text-xs">in place of the rules above</span>}
    >
      <ul className="grid grid-cols-1 gap-x-4 lg:grid-cols-2">
        {presets.map(({ id, name, rules }) => (
          <li key={id}>
            <button
              type="button"
              className="w-full rounded-field px-2 py-0.5 text-left text-sm hover:bg-base-200"
              onMouseEnter={() => onPreview({ ...voicing, rules })}
              onMouseLeave={() => onPreview(null)}
              onFocus={() => onPreview({ ...voicing, rules })}
              onBlur={() => onPreview(null)}
              onClick={() => onVoice(name, { ...voicing, rules })}
            >
              {name}
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <label className="flex items-center gap-1.5">
          Round the toms,
          <input
            type="number"
            min={1}
            max={8}
            className="w-14 rounded-field border border-base-300 bg-base-100 px-2 py-1"
            value={per}
            onChange={(event) => setPer(Math.max(1, Math.min(8, event.target.valueAsNumber || 1)))}
          />
          a drum,
        </label>
        <Tick checked={again} onTick={setAgain}>
          the ends twice
        </Tick>
        <Act onClick={() => onEdit(appendPhrase(lick, pass, 'Round the kit'))}>
          Append {plural(pass.slots.length, 'stroke')}
        </Act>
      </div>
      <HowMany lick={lick} range={range} drums={drums.length + (drums.includes('sn') ? 0 : 1)} />
    </Part>
  )
}

/** The size of the family: every way to lay these strokes on the kit's drums. */
function HowMany({ lick, range, drums }: Pick<PanelProps, 'lick' | 'range'> & { drums: number }) {
  const strokes = lineEvents(lick).filter(
    ({ slot, limb }) => slot >= range.from && slot < range.to && limb !== 'RF' && limb !== 'LF',
  ).length
  if (strokes === 0 || strokes > MOST_COUNTED) return null
  const count = (noneTwice: boolean) =>
    countVoicings(strokes, drums, noneTwice).toLocaleString('en')
  return (
    <p className="text-(--quiet) text-sm">
      {plural(strokes, 'hand stroke')} on {plural(drums, 'drum')}: {count(false)} voicings,{' '}
      {count(true)} with no drum twice running.
    </p>
  )
}

const MOST_COUNTED = 24
const OTHER_VOICES = ['rs', 'xs', 'ho', 'rb', 'cb'] as const

/** Single strokes: what is selected is struck on the plan, or its slots are pinned there. */
function Strokes({
  lick,
  voiced,
  voicing,
  selection,
  range,
  setting,
  onEdit,
  onVoice,
}: PanelProps) {
  const [mode, setMode] = useState<'stroke' | 'pin'>('stroke')
  const marked = useMemo(() => {
    const inside = lineEvents(voiced).filter(({ slot }) => slot >= range.from && slot < range.to)
    return new Set(inside.map(({ surface }) => surface as Surface))
  }, [voiced, range])
  const strike = (surface: Surface) => {
    if (mode === 'pin') {
      onVoice(`Pin to ${theSurface(surface)}`, withPins(voicing, range, surface))
    } else onEdit(putOn(lick, range, surface))
  }
  const pinned = voicing.pins.some(({ slot }) => slot >= range.from && slot < range.to)
  return (
    <Part title={selection ? 'The selection' : 'The whole line'}>
      <Choice
        legend="What striking the plan does"
        options={[
          ['stroke', 'put the strokes on'],
          ['pin', 'pin the slots to'],
        ]}
        value={mode}
        onChoose={setMode}
      />
      <PlanButtons
        kit={setting.kit}
        label="The kit from above"
        verb={mode === 'pin' ? 'Pin to' : 'Put on'}
        disabled={lick.line.slots.length === 0}
        marked={marked}
        onStrike={strike}
      />
      <div className="flex flex-wrap gap-1">
        {OTHER_VOICES.map((surface) => (
          <button
            key={surface}
            type="button"
            className="rounded-field px-2 py-0.5 text-sm hover:bg-base-200"
            onClick={() => strike(surface)}
          >
            {SURFACE_NAMES[surface]}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap gap-2">
        <Act
          disabled={!hasWrittenVoice(lick, range)}
          onClick={() => onEdit(putOn(lick, range, null))}
        >
          As the rules say
        </Act>
        {pinned && (
          <Act onClick={() => onVoice('Unpin', withPins(voicing, range, null))}>Unpin</Act>
        )}
      </div>
    </Part>
  )
}
