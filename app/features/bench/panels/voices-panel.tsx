import { ChevronDown, ChevronUp, Dices, X } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { phraseOf } from '~/core/changes'
import { pieceAt, standIns } from '~/core/kit'
import { type Lick, lineEvents } from '~/core/line'
import { speedLimit } from '~/core/playability'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import { type Pin, type Voicing, type VoicingRule, voiceLick } from '~/core/voicing'
import { PlanButtons } from '~/drawing/kit/plan-buttons'
import { PhraseText } from '~/drawing/stacks/phrase-figure'
import { Checkbox } from '~/ui/checkbox'
import { IconButton } from '~/ui/icon-button'
import { bareKey, isTypedIn } from '~/ui/keys'
import { Button, EmptyState, Part } from '~/ui/parts'
import { listWords, plural, wholeTempo } from '~/words/figures'
import { theSurface } from '~/words/surface-words'
import {
  drawAgain,
  hasWrittenVoice,
  moveRule,
  switchRule,
  withoutRule,
  withPins,
  withRule,
} from '~/workspace/edits/voice-edits'
import { strike as strikeMarked, unstrike } from '~/workspace/rows/voices-row'
import { type PanelView, usePanel } from '../state/use-panel'
import { useWorkspace } from '../state/use-workspace'
import { FindVoices } from '../voicing/find-voices'
import { Presets } from '../voicing/presets'
import { RuleForm } from '../voicing/rule-form'
import { howManyWords, ruleWords } from '../voicing/words'
import { SaveVersion } from './save-version'

/** How the sticking is laid on the kit: rules as sentences, single strokes on the plan, pins. */
export function VoicesPanel() {
  const props = usePanel()
  const { lick, range, voiced, voicing, setting, onVoice, onShowVoicing } = props
  const [next, setNext] = useState<Voicing | null>(null)
  const preview = (shown: Voicing | null) => {
    setNext(shown)
    onShowVoicing(shown)
  }
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
    <div className="flex flex-col gap-4">
      {lick.line.slots.length === 0 && <EmptyState>Type a line, and lay it on the kit.</EmptyState>}
      <Strokes {...props} voiced={next ? voiceLick(lick, next) : voiced} />
      {/* Above all that a press makes grow, and with room of its own: nothing moves under the pointer. */}
      <Presets {...props} onPreview={preview} />
      <div className="h-10 overflow-hidden">{next && <Preview {...props} next={next} />}</div>
      <FindVoices {...props} onPreview={preview} />
      {missing.map(({ voice, instead }) => (
        <p key={voice} className="text-sm text-warning">
          {setting.kit.name} has no {SURFACE_NAMES[voice]}: {theSurface(instead)} plays it.
        </p>
      ))}
      <Part title="Rules">
        <RuleList voicing={voicing} onVoice={onVoice} />
        {/* biome-ignore lint/a11y/noStaticElementInteractions: the showing ends when the form is left */}
        <div
          onBlur={({ currentTarget, relatedTarget }) => {
            if (!currentTarget.contains(relatedTarget)) preview(null)
          }}
        >
          <RuleForm
            kit={setting.kit}
            onDraft={(rule) => preview(rule && withRule(voicing, rule))}
            onAdd={(rule) => onVoice(`Rule: ${ruleWords(rule)}`, withRule(voicing, rule))}
            about={(rule) => <HowMany lick={lick} range={range} rule={rule} />}
          />
        </div>
      </Part>
      <Part title="Save as a version">
        <SaveVersion />
      </Part>
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
    return <EmptyState>No rules yet: hands play the snare wherever no voice is written.</EmptyState>
  }
  return (
    <ol aria-label="Voicing rules, later ones win" className="flex flex-col">
      {rules.map((rule, i) => {
        const words = ruleWords(rule)
        return (
          <li key={`${i} ${words}`} className="flex items-center gap-2 py-0.5 text-sm">
            <Checkbox
              className="grow text-sm"
              checked={rule.on}
              onTick={() => onVoice(rule.on ? 'Rule off' : 'Rule on', switchRule(voicing, i))}
            >
              <span className={rule.on ? '' : 'text-(--quiet) line-through'}>{words}</span>
            </Checkbox>
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
          <span className="grow">Struck by hand: {pinWords(pins)}</span>
          <IconButton
            size="tiny"
            label="Clear all struck voices"
            onClick={() => onVoice('Clear struck voices', { ...voicing, pins: [] })}
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
    .map(
      ([surface, slots]) =>
        `${slots.length === 1 ? 'slot' : 'slots'} ${listWords(slots)} on ${theSurface(surface)}`,
    )
    .join('; ')
}

const PREVIEWED = 16

/** What a voicing would make of the line, and what that does to its speed. */
function Preview({ lick, voiced, setting, next }: PanelView & { next: Voicing }) {
  const laid = useMemo(() => voiceLick(lick, next), [lick, next])
  const moved = movedStrokes(voiced, laid)
  return (
    <p className="truncate text-sm" aria-live="polite">
      <PhraseText phrase={phraseOf(laid.line, { from: 0, to: PREVIEWED })} />
      {laid.line.slots.length > PREVIEWED && ' …'}
      <span className="block truncate text-(--quiet) text-xs">
        {moved === 0 ? 'No stroke moves' : `${plural(moved, 'stroke')} would move`}
        {limitWords(voiced, laid, setting)}
      </span>
    </p>
  )
}

function limitWords(before: Lick, after: Lick, setting: PanelView['setting']): string {
  const [was, is] = [before, after].map((one) => speedLimit(one, 'line', setting).bpm)
  if (is === null || is === undefined) return ''
  if (was === null || was === undefined || Math.abs(was - is) < 0.05) {
    return `; up to ${wholeTempo(is)} bpm`
  }
  return `; up to ${wholeTempo(is)} bpm, now ${wholeTempo(was)}`
}

function movedStrokes(before: Lick, after: Lick): number {
  const places = new Map(lineEvents(before).map((e) => [`${e.tick} ${e.limb}`, placeKey(e)]))
  return lineEvents(after).filter((e) => places.get(`${e.tick} ${e.limb}`) !== placeKey(e)).length
}

function placeKey({ surface, graceSurface = '' }: { surface: string; graceSurface?: string }) {
  return `${surface} ${graceSurface}`
}

/** The size of a family: every way to lay the strokes that a rule moves on its surfaces. */
function HowMany({ lick, range, rule }: Pick<PanelView, 'lick' | 'range'> & { rule: VoicingRule }) {
  const words = useMemo(() => howManyWords(lick, range, rule), [lick, range, rule])
  return words === '' ? null : <p className="w-full text-(--quiet) text-sm">{words}</p>
}

/** Digits that are typed anywhere on the page but in a field, or where something else takes them. */
function useDigits(onDigit: (key: string) => void): void {
  const newest = useRef(onDigit)
  newest.current = onDigit
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const key = bareKey(event)
      const inDialog = event.target instanceof Element && event.target.closest('dialog') !== null
      if (!key || !/^\d$/.test(key) || isTypedIn(event) || inDialog) return
      newest.current(key)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}

const OTHER_VOICES = ['rs', 'xs', 'ho', 'rb', 'cb'] as const

/**
 * Strokes struck by hand on the plan: kept beside the rules, over them. One marked stroke is struck and
 * the next one marked, so that eight strokes take eight clicks, or eight digits.
 */
function Strokes({ lick, voiced, voicing, selection, range, setting, onVoice }: PanelView) {
  const workspace = useWorkspace()
  const marked = useMemo(() => {
    const inside = lineEvents(voiced).filter(({ slot }) => slot >= range.from && slot < range.to)
    return new Set(inside.map(({ surface }) => surface as Surface))
  }, [voiced, range])
  const strike = (surface: Surface) => {
    if (selection) strikeMarked(workspace, surface)
    else onVoice(`Strike ${theSurface(surface)}`, withPins(voicing, range, surface))
  }
  useDigits((key) => {
    const piece = selection ? pieceAt(setting.kit, key) : undefined
    if (piece) strike(piece.surface)
  })
  const struck =
    hasWrittenVoice(lick, range) ||
    voicing.pins.some(({ slot }) => slot >= range.from && slot < range.to)
  return (
    <Part
      title={selection ? 'Strike the selection' : 'Strike the whole line'}
      aside={<span className="text-(--quiet) text-xs">a number strikes and steps on</span>}
    >
      <PlanButtons
        kit={setting.kit}
        label="The kit from above"
        verb="Strike"
        disabled={lick.line.slots.length === 0}
        marked={marked}
        onStrike={strike}
      />
      <div className="flex flex-wrap items-center gap-1">
        {OTHER_VOICES.map((surface) => (
          <button
            key={surface}
            type="button"
            className="min-h-6 rounded-field px-1.5 text-sm hover:bg-base-200"
            onClick={() => strike(surface)}
          >
            {SURFACE_NAMES[surface]}
          </button>
        ))}
        <Button disabled={!struck} onClick={() => unstrike(workspace)}>
          Clear struck voices
        </Button>
      </div>
    </Part>
  )
}
