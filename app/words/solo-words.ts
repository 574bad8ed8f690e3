import { frameTicks, TEMPO_RANGE } from '~/core/line'
import type { Join, JoinRemedy, Section, Solo, SoloJudgement, SoloPart } from '~/core/solo'
import { sectionAt } from '~/core/solo'
import type { Ticks } from '~/core/time'
import { plural } from './figures'
import { LIMB_NAMES } from './limb-names'
import { moveName } from './move-words'
import { placeInBar } from './places'

/** What a part is, in a word or two; what the player calls it, where it has a name. */
export function partName(part: SoloPart): string {
  if (part.name !== '') return part.name
  switch (part.kind) {
    case 'lick':
      return part.lick.title || 'Untitled'
    case 'run':
      return part.lick.title ? `${part.lick.title}, running` : 'Running cell'
    case 'groove':
      return 'Groove'
    case 'others':
      return part.groove === 'none' ? 'Others, click alone' : 'Others'
    case 'flow':
      return 'Flow'
  }
}

/** `32 bars, 1 min 17 s`; under a minute `38.4 s`. */
export function lengthWords(bars: number, seconds: number): string {
  const minutes = Math.floor(Math.round(seconds) / 60)
  const time =
    Math.round(seconds * 10) < 600
      ? `${Math.round(seconds * 10) / 10} s`
      : `${minutes} min ${Math.round(seconds) - minutes * 60} s`
  return `${plural(bars, 'bar')}, ${time}`
}

/** Where a tick of a solo lies: `bar 9, 4&`. */
export function soloPlace(sections: readonly Section[], tick: Ticks): string {
  const section = sections[sectionAt(sections, tick)]
  if (!section) return ''
  const { lick } = section
  const { bar } = frameTicks(lick.frame)
  const within = tick - section.from
  const place = placeInBar(lick, within - lick.frame.lead * bar)
  return `bar ${section.barsBefore + Math.floor(within / bar) + 1}, ${place}`
}

/** From one place of a solo to another, the bar said once: `bar 9, 4& to 4a`, `bar 8, 4a to bar 9, 1`. */
export function soloPlaces(sections: readonly Section[], from: Ticks, to: Ticks): string {
  const [first, last] = [soloPlace(sections, from), soloPlace(sections, to)]
  const [, bar = ''] = /^(bar \d+, )/.exec(first) ?? []
  return `${first} to ${bar !== '' && last.startsWith(bar) ? last.slice(bar.length) : last}`
}

/** Between what a join lies: `bar 8 to 9: Ladder Walk to Groove`. */
export function joinName(
  { section, between }: Join,
  sections: readonly Section[],
  solo: Solo,
): string {
  const [before, after] = [sections[section - 1], sections[section]]
  if (!before || !after) return ''
  const [from, to] = [before, after].map(({ part }) => {
    const found = solo.parts[part]
    return found ? partName(found) : ''
  })
  const bars = `bar ${after.barsBefore} to ${after.barsBefore + 1}`
  return between === 'times' ? `${bars}: ${from} again` : `${bars}: ${from} to ${to}`
}

/** A whole number of beats a minute that can be played, never more than there is. */
export function playable(bpm: number): string {
  return String(Math.floor(bpm + 1e-6))
}

/** Up to which tempo a join goes: `up to 112`; above all tempos that can be set it is free. */
export function joinLimit({ slowest }: Join): string {
  return slowest && slowest.bpm <= TEMPO_RANGE.most ? `up to ${playable(slowest.bpm)}` : 'free'
}

/** What is wrong at a join, each a sentence. */
export function joinFaults(join: Join, sections: readonly Section[]): string[] {
  return join.faults.map((fault): string => {
    if (fault.kind === 'over')
      return 'The line is longer than its bars: it goes on over the next part.'
    if (fault.kind === 'clash')
      return `The ${LIMB_NAMES[fault.limb]} has two notes at once on ${soloPlace(sections, fault.tick)}.`
    const { move } = fault
    const where = soloPlaces(sections, move.fromTick, move.toTick)
    return `${moveName(move)}, ${where}: needs ${Math.round(move.needMs)} ms, so up to ${playable(move.bpm)}.`
  })
}

/** Arms that cross at a join, as a remark; empty where none do. */
export function crossingWords({ crossings }: Join, sections: readonly Section[]): string {
  const [first] = crossings
  return first ? `Arms cross on ${soloPlace(sections, first.toTick)}.` : ''
}

/** What a remedy does, and what comes of it: `Lead the next part with the other hand: up to 128`. */
export function remedyWords({ kind, name, bpm }: JoinRemedy): string {
  const what = {
    'other-hand': 'Lead with the other hand',
    'straight-on': 'Go straight on, without the crash',
    land: 'Land on the barline first',
    'groove-between': 'Put a bar of groove between',
    'other-version': `Use the version ${name}`,
  }[kind]
  return bpm === null || bpm > TEMPO_RANGE.most ? what : `${what}: up to ${playable(bpm)}`
}

/** What sets the limit of the whole: `up to 92, set by the kick double, bar 8, 4a to bar 9, 1`. */
export function limitWords({ bottleneck, sections, setBy }: SoloJudgement): string {
  if (!bottleneck) return 'no limit: no limb strikes twice'
  const { fromTick, toTick, bpm } = bottleneck
  const where = setBy?.kind === 'join' ? ', at a join' : ''
  return `up to ${playable(bpm)}, set by: ${moveName(bottleneck)}, ${soloPlaces(sections, fromTick, toTick)}${where}`
}
