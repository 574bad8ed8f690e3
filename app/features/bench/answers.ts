import {
  aimOf,
  countStrokes,
  frameTicks,
  type Lick,
  lickSlots,
  limbClashes,
  lineEvents,
  type Sum,
  sumOf,
  trueSpeed,
} from '~/core/line'
import { formatSlot } from '~/core/notation'
import { type FootLanding, footLanding } from '~/core/playing'
import { type Limb, SURFACE_NAMES } from '~/core/sticking'
import {
  type CountingSchool,
  countSyllable,
  gridName,
  gridTicks,
  placeName,
  secondsPerTick,
  type Ticks,
} from '~/core/time'

/** The answers beside the ruler, worked out unasked. Sentences are whole; figures are computed. */
export interface Answers {
  readonly verdict: 'fits' | 'short' | 'over' | 'empty'
  readonly used: string
  readonly available: string
  /** `3 left`, `2 over`, or empty where it fits. */
  readonly difference: string
  readonly groups: string
  readonly span: string
  readonly strokes: string
  readonly again: string
  /** Where the first slot too many falls, or where the free slots begin. */
  readonly place: string
  readonly lands: readonly string[]
  readonly foot: (FootLanding & { readonly text: string }) | null
  readonly speed: string
  readonly linear: string
  readonly clashes: readonly string[]
  /** A start from which the line would end on the barline; null where it does already. */
  readonly betterStart: string | null
}

/** Everything that is said of a lick at a playing tempo. */
export function toAnswers(lick: Lick, tempo: number, school: CountingSchool): Answers {
  const { frame, line } = lick
  const sum = sumOf(lick, school)
  const { beat } = frameTicks(frame)
  const { strokes, graces } = countStrokes(line)
  const milliseconds = (ticks: Ticks) => ticks * secondsPerTick(tempo, beat) * 1000
  const speed = trueSpeed(tempo, beat, frame.grid)
  const clashes = limbClashes(lick)
  const shown = clashes
    .slice(0, 3)
    .map(({ tick, limb }) => `${LIMB_NAMES[limb]} wanted twice at ${placeIn(lick, tick)}`)
  return {
    verdict:
      line.slots.length === 0 ? 'empty' : sum.fits ? 'fits' : sum.left.ticks > 0 ? 'short' : 'over',
    used: slots(sum.used.slots),
    available: slots(sum.available.slots),
    difference: difference(sum),
    groups: shortened(sum.groups),
    span: `from ${spoken(placeName(frame.start, frame.meter))} to ${target(lick, sum)}`,
    strokes:
      strokes === 0
        ? ''
        : `${plural(strokes, 'stroke')}${graces > 0 ? `, ${plural(graces, 'grace')}` : ''}.`,
    again: again(sum),
    place: offPlace(lick, sum, school),
    lands: landing(lick, sum, milliseconds),
    foot: footAdvice(lick, milliseconds),
    speed: `${Math.round(speed.strokesPerMinute)} slots a minute, ${tenth(speed.millisecondsPerSlot)} ms each`,
    linear: strokes === 0 ? '' : sum.linear ? 'Linear: no two limbs together' : together(lick),
    clashes: clashes.length > 3 ? [...shown, `and ${clashes.length - 3} more`] : shown,
    betterStart: betterStart(lick, sum),
  }
}

const LIMB_NAMES: Readonly<Record<Limb, string>> = {
  RH: 'right hand',
  LH: 'left hand',
  XH: 'either hand',
  RF: 'kick',
  LF: 'second foot',
}

function slots(count: number): string {
  return String(Math.round(count * 100) / 100)
}

function tenth(value: number): string {
  return value.toFixed(1)
}

function plural(count: number, word: string): string {
  return `${count} ${word}${count === 1 ? '' : 's'}`
}

function spoken(place: string): string {
  return place.replace(/(\d+)&$/, 'the & of $1').replace(/^(\d+)(e|a|trip|let)$/, 'the $2 of $1')
}

function shortened(groups: readonly number[]): string {
  const text = groups.join(' + ')
  return text.length > 60 ? `${groups.length} groups` : text
}

function difference({ left }: Sum): string {
  if (left.ticks === 0) return ''
  return `${slots(Math.abs(left.slots))} ${left.ticks > 0 ? 'left' : 'over'}`
}

function target({ frame }: Lick, sum: Sum): string {
  if (frame.landing.at === 'beat') return 'the beat it lands on'
  return sum.bars === 1 ? 'the barline' : `the barline after ${sum.bars} bars`
}

function again({ again: meets }: Sum): string {
  if (!meets) return ''
  if (meets.cycles === 1) return `Over and over it fills ${plural(meets.bars, 'bar')} each time`
  return `Over and over it meets the barline after ${plural(meets.bars, 'bar')}, ${meets.cycles} times through`
}

/** `3e`, with the bar where it is not the first. */
function placeIn(lick: Lick, tick: Ticks): string {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const index = Math.floor(tick / bar)
  const named = placeName(tick - index * bar, frame.meter)
  const said = named.replace(/(trip|let)$/, ' $1')
  const place = named.includes('+') ? (slotAt(lick, tick) ?? named) : said
  return index === 0 ? place : `${place} of bar ${index + 1}`
}

/** `slot 6 of beat 4`, where a place has no syllable of its own that everybody knows. */
function slotAt(lick: Lick, tick: Ticks): string | undefined {
  const { bar, beat } = frameTicks(lick.frame)
  const slot = lickSlots(lick).find((at) => tick >= at.tick && tick < at.tick + at.ticks)
  const inBeat = tick % beat
  if (!slot || inBeat % slot.ticks !== 0) return undefined
  const number = (Math.floor(tick / beat) % (bar / beat)) + 1
  return `slot ${inBeat / slot.ticks + 1} of beat ${number}`
}

function offPlace(lick: Lick, sum: Sum, school: CountingSchool): string {
  const { end, target: aimed } = aimOf(lick)
  if (sum.left.ticks > 0 && lick.line.slots.length > 0) return `Free from ${placeIn(lick, end)}`
  const over = lickSlots(lick).find(({ tick, ticks }) => tick + ticks > aimed)
  if (sum.left.ticks < 0 && over) {
    const count = countSyllable(aimed, lick.frame.grid, lick.frame.meter, school)
    const typed = formatSlot(over.content)
    if (over.tick < aimed) return `Slot ${over.index + 1}, ${typed}, reaches over the ${count}`
    return `The first too many, slot ${over.index + 1}, ${typed}, would fall on the next ${count}`
  }
  return ''
}

function landing(lick: Lick, sum: Sum, milliseconds: (ticks: Ticks) => number): string[] {
  const approach = sum.landing
  if (!approach) return ['Nothing is played yet']
  const last = lineEvents(lick).at(-1)
  const limbs = approach.lastLimbs.map((limb) => LIMB_NAMES[limb]).join(' and ')
  const surfaces = [
    ...new Set(approach.lastSurfaces.map((surface) => SURFACE_NAMES[surface])),
  ].join(' and ')
  const gap = milliseconds(approach.gapTicks)
  const when =
    gap > 0 ? `${tenth(gap)} ms before` : gap === 0 ? 'right on' : `${tenth(-gap)} ms after`
  const lines = [
    `Last: ${limbs} on ${surfaces}, at ${placeIn(lick, last?.tick ?? 0)}, ${when} the landing`,
  ]
  const { kind } = lick.frame.landing
  if (kind === 'crash' || kind === 'stop') lines.push(FREE_HAND_WORDS[approach.freeHand])
  return lines
}

const FREE_HAND_WORDS = {
  RH: 'Free for the crash: right hand',
  LH: 'Free for the crash: left hand',
  both: 'Free for the crash: both hands',
  none: 'No hand is free: both strike last',
  unknown: 'Free for the crash: not known, the last hand is not decided',
} as const

function footAdvice(lick: Lick, milliseconds: (ticks: Ticks) => number): Answers['foot'] {
  const foot = footLanding(lick)
  if (!foot) return null
  const has = milliseconds(foot.gapTicks)
  const nth = foot.rebound
    ? 'as the second of a double'
    : foot.run > 1
      ? `as number ${foot.run} in a row`
      : 'as a single'
  const enough = has >= foot.needMs ? 'enough' : 'too little'
  return {
    ...foot,
    text: `The same foot lands ${tenth(has)} ms later: ${enough}, it needs ${foot.needMs} ${nth}`,
  }
}

/** Where limbs meet, where both hands share a surface, and how many strokes have graces. */
function together(lick: Lick): string {
  const events = lineEvents(lick)
  const meeting = new Set<Ticks>()
  const sharing = new Set<Ticks>()
  for (const [i, event] of events.entries()) {
    const next = events[i + 1]
    if (event.tick !== next?.tick) continue
    meeting.add(event.tick)
    if (isHandLimb(event.limb) && isHandLimb(next.limb) && event.surface === next.surface)
      sharing.add(event.tick)
  }
  const graces = events.filter(({ grace }) => grace > 0).length
  const parts = [
    meeting.size > 0 ? `limbs together at ${placesIn(lick, meeting)}` : '',
    sharing.size > 0 ? `both hands on one surface at ${placesIn(lick, sharing)}` : '',
    graces > 0 ? `${plural(graces, 'stroke')} with graces` : '',
  ].filter(Boolean)
  return `Not linear: ${parts.join('; ')}`
}

function isHandLimb(limb: Limb): boolean {
  return limb === 'RH' || limb === 'LH' || limb === 'XH'
}

const SHOWN_PLACES = 6

function placesIn(lick: Lick, ticks: ReadonlySet<Ticks>): string {
  const places = [...ticks].slice(0, SHOWN_PLACES).map((tick) => placeIn(lick, tick))
  const more = ticks.size - places.length
  return places.join(', ') + (more > 0 ? ` and ${more} more` : '')
}

/** Where the line would have to begin to end on a barline, told if it is a place of this grid. */
function betterStart(lick: Lick, sum: Sum): string | null {
  const { frame } = lick
  if (sum.left.ticks === 0 || sum.used.ticks === 0 || frame.landing.at === 'beat') return null
  const { bar } = frameTicks(frame)
  const start = (bar - (sum.used.ticks % bar)) % bar
  return start === frame.start ? null : placeName(start, frame.meter)
}

/** Where a line would end on another grid: shown before it is taken. */
export function gridOutcome(lick: Lick, grid: Lick['frame']['grid']): string {
  if (lick.line.slots.length === 0) return gridName(grid)
  const moved = { ...lick, frame: { ...lick.frame, grid } }
  const { end, target } = aimOf(moved)
  const left = Math.abs(target - end) / gridTicks(grid)
  if (left === 0) return `${gridName(grid)} · fits`
  return `${gridName(grid)} · ${slots(left)} ${target > end ? 'left' : 'over'}`
}
