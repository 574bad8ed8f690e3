import { mapStrokes, phraseOf, type SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import {
  isHand,
  type Stroke,
  type Surface,
  strokeSurface,
  strokesInSlot,
  type Voice,
} from '~/core/sticking'
import type { Pin, Voicing, VoicingRule } from '~/core/voicing'
import { theSurface } from '~/words/surface-words'
import { type Edit, replaceRange } from './edits'

/** The hands' strokes of a range on a surface, as written; null takes written voices away. */
export function putOn(lick: Lick, range: SlotRange, voice: Voice | null): Edit {
  const { slots, groups } = phraseOf(lick.line, range)
  const put = mapStrokes(slots, (stroke) =>
    isHand(stroke.letter) ? (voice ? { ...stroke, voice } : withoutVoice(stroke)) : stroke,
  )
  const label = voice ? `Put on ${theSurface(voice)}` : 'Clear struck voices'
  return replaceRange(lick, range, { slots: put, groups }, label)
}

/** The graces of a range on a surface of their own; null puts them back on their strokes'. */
export function graceOn(lick: Lick, range: SlotRange, voice: Voice | null): Edit {
  const { slots, groups } = phraseOf(lick.line, range)
  const put = mapStrokes(slots, (stroke) => {
    if (stroke.graces === 0) return stroke
    const { graceVoice: _old, ...plain } = stroke
    return voice ? { ...plain, voice: strokeSurface(stroke), graceVoice: voice } : plain
  })
  const label = voice ? `Graces on ${theSurface(voice)}` : 'Graces with their strokes'
  return replaceRange(lick, range, { slots: put, groups }, label)
}

/** Whether any stroke of a range has graces. */
export function hasGraces({ line }: Lick, { from, to }: SlotRange): boolean {
  return line.slots
    .slice(from, to)
    .some((content) => strokesInSlot(content).some(({ stroke }) => stroke.graces > 0))
}

function withoutVoice({ voice: _voice, graceVoice: _graceVoice, ...stroke }: Stroke): Stroke {
  return stroke
}

/** Whether any stroke of a range has a voice of its own. */
export function hasWrittenVoice({ line }: Lick, { from, to }: SlotRange): boolean {
  const written = (stroke: Stroke) => stroke.voice !== undefined && isHand(stroke.letter)
  return line.slots.slice(from, to).some((content) => {
    const parts = content.kind === 'squeeze' ? content.parts : [content]
    return parts.some((part) => part.kind === 'struck' && part.strokes.some(written))
  })
}

/** Slots kept on a surface whoever plays them; null lets them go. */
export function withPins(
  voicing: Voicing,
  { from, to }: SlotRange,
  surface: Surface | null,
): Voicing {
  const others = voicing.pins.filter(({ slot }) => slot < from || slot >= to)
  const own: Pin[] = surface
    ? Array.from({ length: to - from }, (_, i) => ({ slot: from + i, surface }))
    : []
  return { ...voicing, pins: [...others, ...own].sort((a, b) => a.slot - b.slot) }
}

export function withRule(voicing: Voicing, rule: VoicingRule): Voicing {
  return { ...voicing, rules: [...voicing.rules, rule] }
}

export function withoutRule(voicing: Voicing, index: number): Voicing {
  return { ...voicing, rules: voicing.rules.filter((_, i) => i !== index) }
}

/** A rule off, or on again. */
export function switchRule(voicing: Voicing, index: number): Voicing {
  return changeRule(voicing, index, (rule) => ({ ...rule, on: !rule.on }))
}

/** The next draw of a rule that draws by chance; any other rule stays as it is. */
export function drawAgain(voicing: Voicing, index: number): Voicing {
  return changeRule(voicing, index, (rule) =>
    rule.action.kind === 'draw'
      ? { ...rule, on: true, action: { ...rule.action, seed: (rule.action.seed + 1) % DRAWS } }
      : rule,
  )
}

/** As many draws as there are seeds. */
const DRAWS = 2 ** 32

function changeRule(
  voicing: Voicing,
  index: number,
  change: (rule: VoicingRule) => VoicingRule,
): Voicing {
  return { ...voicing, rules: voicing.rules.map((rule, i) => (i === index ? change(rule) : rule)) }
}

/** A rule moved one place earlier or later; the same voicing at the ends. */
export function moveRule(voicing: Voicing, index: number, way: -1 | 1): Voicing {
  const rules = [...voicing.rules]
  const [rule, other] = [rules[index], rules[index + way]]
  if (!rule || !other) return voicing
  rules[index] = other
  rules[index + way] = rule
  return { ...voicing, rules }
}
