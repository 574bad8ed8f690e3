import type { SlotRange } from '../changes'
import { frameTicks, type Lick, type Line, lickSlots } from '../line'
import {
  graceLimb,
  HOME_SURFACE,
  isAccented,
  isHand,
  type Letter,
  MAX_TOGETHER,
  type SlotContent,
  type Stroke,
  type Struck,
  type Surface,
  strokeLimb,
  strokeSurface,
  toStroke,
  type Voice,
} from '../sticking'
import { surfaceDraw } from './draw'
import { pathSurfaces } from './path'
import { type Action, isPlain, type Voicing, type VoicingRule, type Which } from './rule'

/** A hand's stroke of the line on its way to a surface. */
interface Voiced {
  readonly slot: number
  readonly group: number
  /** Its place among the onsets of the line. */
  readonly onset: number
  readonly stroke: Stroke
  readonly firstOfGroup: boolean
  readonly lastOfGroup: boolean
  readonly beat: number | null
  readonly double: boolean
  surface: Surface | null
  grace: Surface | 'hand' | null
  kick: boolean
  otherHand: Surface | null
}

/**
 * A lick as its voicing lays it on the kit. The sticking, its levels and its time stay; only a rule
 * that adds a kick or the other hand adds strokes. A voice that is written at a stroke is kept. The
 * same lick comes back where nothing is changed. Law: voicing what is voiced changes nothing.
 */
export function voiceLick(lick: Lick, voicing: Voicing): Lick {
  if (isPlain(voicing)) return lick
  const strokes = handStrokes(lick)
  for (const rule of voicing.rules) if (rule.on) applyRule(strokes, rule)
  const pinned = new Map(voicing.pins.map(({ slot, surface }) => [slot, surface]))
  for (const one of strokes) one.surface = pinned.get(one.slot) ?? one.surface
  placeGraces(strokes)
  const line = voicedLine(lick.line, strokes)
  return line === lick.line ? lick : { ...lick, line }
}

/** The hands' strokes of a line in the order in which they are written. */
function handStrokes(lick: Lick): Voiced[] {
  const { beat, bar } = frameTicks(lick.frame)
  const starts = new Set<number>()
  let start = 0
  for (const size of lick.line.groups) {
    starts.add(start)
    start += size
  }
  starts.add(start)
  const found: Voiced[] = []
  const onsets: (readonly Stroke[])[] = []
  for (const { index: slot, group, tick, content } of lickSlots(lick)) {
    for (const [part, strokes] of struckParts(content)) {
      onsets.push(strokes)
      for (const stroke of strokes) {
        if (!isHand(stroke.letter)) continue
        found.push({
          slot,
          group,
          onset: onsets.length - 1,
          stroke,
          firstOfGroup: starts.has(slot) && part === 0,
          lastOfGroup: starts.has(slot + 1),
          beat: part === 0 && tick % beat === 0 ? (tick % bar) / beat + 1 : null,
          double: false,
          surface: null,
          grace: null,
          kick: false,
          otherHand: null,
        })
      }
    }
  }
  const has = (onset: number, { letter }: Stroke) =>
    onsets[onset]?.some((stroke) => stroke.letter === letter) ?? false
  return found.map((one) => ({
    ...one,
    double: has(one.onset - 1, one.stroke) || has(one.onset + 1, one.stroke),
  }))
}

/** What sounds in a slot, part by part: `[0, …]` alone where it is no squeeze. */
function struckParts(content: SlotContent): [part: number, strokes: readonly Stroke[]][] {
  if (content.kind === 'rest') return []
  if (content.kind === 'struck') return [[0, content.strokes]]
  return content.parts.flatMap((part, i): [number, readonly Stroke[]][] =>
    part.kind === 'rest' ? [] : [[i, part.strokes]],
  )
}

/**
 * How many strokes of a range a rule moves: those it is about whose voice is not written.
 * Example: "right hand, every stroke" in `RLLRRLLRRR` moves five.
 */
export function strokesMoved(lick: Lick, rule: VoicingRule, { from, to }: SlotRange): number {
  return meantBy(handStrokes(lick), rule).filter(
    ({ slot, stroke }) => slot >= from && slot < to && stroke.voice === undefined,
  ).length
}

function meantBy(strokes: readonly Voiced[], { hands, which }: VoicingRule): Voiced[] {
  return strokes.filter(
    (one) => (hands === 'hands' || strokeLimb(one.stroke) === hands) && isMeant(one, which),
  )
}

function applyRule(strokes: readonly Voiced[], rule: VoicingRule): void {
  const { action } = rule
  const meant = meantBy(strokes, rule)
  if (action.kind === 'path') walk(meant, action)
  else if (action.kind === 'draw') draw(meant, action)
  else for (const one of meant) act(one, action)
}

function isMeant(one: Voiced, which: Which): boolean {
  const { stroke } = one
  switch (which.kind) {
    case 'every':
      return true
    case 'accents':
      return isAccented(stroke)
    case 'taps':
      return stroke.level === 'tap' || stroke.level === 'soft'
    case 'ghosts':
      return stroke.level === 'ghost'
    case 'doubles':
      return one.double
    case 'singles':
      return !one.double
    case 'graced':
      return stroke.graces > 0
    case 'first-of-group':
      return one.firstOfGroup
    case 'last-of-group':
      return one.lastOfGroup
    case 'every-nth-group':
      return one.group + 1 >= which.from && (one.group + 1 - which.from) % which.nth === 0
    case 'groups':
      return which.groups.includes(one.group + 1)
    case 'beats':
      return one.beat !== null && which.beats.includes(one.beat)
  }
}

function walk(meant: readonly Voiced[], path: Extract<Action, { kind: 'path' }>): void {
  if (path.surfaces.length === 0) return
  const surfaceOf = pathSurfaces(path)
  const groups = new Map<number, number>()
  for (const [i, one] of meant.entries()) {
    if (!groups.has(one.group)) groups.set(one.group, groups.size)
    one.surface = surfaceOf(path.per === 'group' ? (groups.get(one.group) as number) : i)
  }
}

function draw(meant: readonly Voiced[], action: Extract<Action, { kind: 'draw' }>): void {
  const next = surfaceDraw(action)
  let drawn: Surface | null = null
  let group = -1
  for (const one of meant) {
    if (action.per === 'stroke' || one.group !== group) drawn = next()
    group = one.group
    one.surface = drawn ?? one.surface
  }
}

function act(one: Voiced, action: Exclude<Action, { kind: 'path' | 'draw' }>): void {
  switch (action.kind) {
    case 'put':
      one.surface = action.surface
      return
    case 'with-kick':
      one.surface = action.surface
      one.kick = true
      return
    case 'with-hand':
      one.otherHand = action.surface
      return
    case 'split':
      one.surface = action.main
      if (one.stroke.graces > 0) one.grace = action.grace
      return
    case 'graces-with-hand':
      if (one.stroke.graces > 0) one.grace = 'hand'
  }
}

/** Graces that go with their own hand: where that hand struck last, at first on the snare. */
function placeGraces(strokes: readonly Voiced[]): void {
  const last = new Map<string, Voice>()
  for (const one of strokes) {
    if (one.grace === 'hand') {
      const where = last.get(graceLimb(one.stroke))
      one.grace = where && where !== '??' ? where : 'sn'
    }
    last.set(strokeLimb(one.stroke), one.stroke.voice ?? one.surface ?? strokeSurface(one.stroke))
  }
}

function voicedLine(line: Line, strokes: readonly Voiced[]): Line {
  const bySlot = new Map<number, Voiced[]>()
  for (const one of strokes) bySlot.set(one.slot, [...(bySlot.get(one.slot) ?? []), one])
  let changed = false
  const slots = line.slots.map((content, slot) => {
    const here = bySlot.get(slot)
    if (!here || content.kind === 'rest') return content
    const next = voicedSlot(content, [...here])
    if (next !== content) changed = true
    return next
  })
  return changed ? { ...line, slots } : line
}

/** A slot with its strokes voiced; `here` are its hands' strokes as they are written. */
function voicedSlot(content: Exclude<SlotContent, { kind: 'rest' }>, here: Voiced[]): SlotContent {
  if (content.kind === 'struck') return voicedStruck(content, here)
  const parts = content.parts.map((part) =>
    part.kind === 'rest' ? part : voicedStruck(part, here),
  )
  return parts.some((part, i) => part !== content.parts[i]) ? { ...content, parts } : content
}

/** Takes as many from the front of `here` as hands strike in it. */
function voicedStruck(struck: Struck, here: Voiced[]): Struck {
  const added: Stroke[] = []
  const strokes = struck.strokes.map((stroke) => {
    const one = isHand(stroke.letter) ? here.shift() : undefined
    if (!one) return stroke
    if (one.kick) added.push(toStroke('K', { level: stroke.level }))
    if (one.otherHand) {
      const letter = OTHER_HAND[stroke.letter]
      if (letter && stroke.graces === 0)
        added.push(toStroke(letter, { level: stroke.level, voice: one.otherHand }))
    }
    return voicedStroke(stroke, one)
  })
  const all = [...strokes]
  for (const stroke of added) {
    const taken = all.some((other) => strokeLimb(other) === strokeLimb(stroke))
    const hands = all.filter(({ letter }) => isHand(letter)).length
    const fits = all.length < MAX_TOGETHER && !(isHand(stroke.letter) && hands > 1)
    if (!taken && fits) all.push(stroke)
  }
  const same = all.length === struck.strokes.length && all.every((s, i) => s === struck.strokes[i])
  return same ? struck : { ...struck, strokes: all }
}

const OTHER_HAND: Readonly<Partial<Record<Letter, Letter>>> = { R: 'L', L: 'R' }

/** What is written at a stroke stays; what a rule leaves at home needs no writing. */
function voicedStroke(stroke: Stroke, { surface, grace }: Voiced): Stroke {
  const voice = stroke.voice ?? surface ?? HOME_SURFACE[stroke.letter]
  const ruled = grace === 'hand' || grace === null ? undefined : grace
  const graceVoice = stroke.graceVoice ?? (ruled === voice ? undefined : ruled)
  if (voice === strokeSurface(stroke) && graceVoice === stroke.graceVoice) return stroke
  return { ...stroke, voice, ...(graceVoice && { graceVoice }) }
}
