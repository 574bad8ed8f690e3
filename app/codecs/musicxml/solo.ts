import {
  type Atom,
  emptyBar,
  type ScoreBar,
  type ScoreVoice,
  type Sounds,
  type StaffView,
  soundsAmong,
  toScore,
  visitingVoice,
} from '~/core/engraving'
import { isEqual } from '~/core/foundation'
import { STAFF_KEY, staffKeyOf } from '~/core/kit'
import { EMPTY_LICK, frameTicks, type Lick, withoutSwing } from '~/core/line'
import { toSequence } from '~/core/performance'
import type { PlayContext } from '~/core/playability'
import type { Section, Solo } from '~/core/solo'
import type { Ticks } from '~/core/time'
import { formatSolo } from '../solo'
import type { Xml } from '../xml'
import { measure, scoreText } from './write'

/** In which the solo itself travels. */
const SOLO_FIELD = 'dime-solo'

/**
 * A whole solo as MusicXML 4.0, bar after bar: metres where they change, parts by their names, groove
 * written out, landings and pick-ups in a voice of their own in the bar in which they sound. The solo itself
 * travels along. `names` has the name of each section's part.
 * Source: MusicXML 4.0, W3C Music Notation Community Group.
 */
export function formatSoloMusicXml(
  solo: Solo,
  sections: readonly Section[],
  names: readonly string[],
  { kit, grooves = [] }: Pick<PlayContext, 'kit' | 'grooves'>,
): string {
  const key = kit ? staffKeyOf(kit) : STAFF_KEY
  const all = barsOf(sections, { beaming: 'beat', groove: 'notes', grooves, key })
  const measures: Xml[] = all.map(({ bar, section, begins, more }, i) => {
    const lick = sections[section]?.lick ?? EMPTY_LICK
    const before = sections[all[i - 1]?.section ?? -1]
    return measure(bar, i, {
      key,
      signature: sameMeter(before?.lick, lick) ? null : lick,
      tempo: i === 0 ? lick : null,
      words: begins ? (names[section] ?? null) : null,
      last: i === all.length - 1,
      more,
    })
  })
  return scoreText({
    title: solo.title,
    own: [SOLO_FIELD, formatSolo(solo)],
    // Every voice has its instrument, those that come over from other bars too.
    bars: all.flatMap(({ bar, more }) => [bar, ...more.map((line) => ({ ...bar, line }))]),
    kit,
    measures,
  })
}

function sameMeter(a: Lick | undefined, b: Lick): boolean {
  return a !== undefined && isEqual(a.frame.meter, b.frame.meter)
}

/** A bar of a solo. Ticks of the bar itself are those of its lick. */
interface WrittenBar {
  readonly bar: ScoreBar
  /** Its first tick, from the beginning of the solo. */
  readonly from: Ticks
  readonly section: number
  /** Whether a part begins with it. */
  readonly begins: boolean
  /** What comes into it from other sections: their landings, lines that are too long, pick-ups. */
  readonly more: readonly ScoreVoice[]
}

/**
 * The bars of a solo: one before the first where a pick-up begins there, and as many behind the last as what sounds
 * there needs.
 */
function barsOf(sections: readonly Section[], view: StaffView): WrittenBar[] {
  const bars: Omit<WrittenBar, 'more'>[] = []
  /** What does not lie in the bars of its own section, a list for each, in ticks of the solo. */
  const visitors: Atom[][] = []
  const heard = soundsIn(sections, view)
  const end = sections.reduce((sum, { ticks }) => sum + ticks, 0)
  for (const [i, { lick, from, ticks, pickup, time }] of sections.entries()) {
    const base = from + lick.frame.lead * frameTicks(lick.frame).bar
    const isLast = i === sections.length - 1
    const owns = (tick: Ticks) => tick >= from && (tick < from + ticks || isLast)
    const sounds: Sounds = (tick, limb, surface) =>
      owns(tick + base) && heard(tick + base, limb, surface)
    const [early, late]: [Atom[], Atom[]] = [[], []]
    // A pick-up comes before the first time only.
    const played = pickup ? lick : { ...lick, pickup: EMPTY_LICK.pickup }
    for (const bar of toScore(played, view, sounds)) {
      const at = bar.from + base
      if (owns(at)) bars.push({ bar, from: at, section: i, begins: at === from && time === 0 })
      else if (at < from) early.push(...bar.over.atoms)
      else late.push(...bar.line.atoms, ...bar.over.atoms)
    }
    // Behind the end only the last one goes on.
    const stays = ({ tick }: Atom) => isLast || tick < end
    visitors.push(
      ...[early, late].map((atoms) => atoms.map((atom) => moved(atom, base)).filter(stays)),
    )
  }
  const struck = visitors.flat().filter(({ kind }) => kind === 'strokes')
  const earliest = struck.reduce((least, { tick }) => Math.min(least, tick), 0)
  const latest = struck.reduce((most, { tick }) => Math.max(most, tick), 0)
  return around(bars, sections, earliest, latest).map((one) => {
    const { meter } = sections[one.section]?.lick.frame ?? EMPTY_LICK.frame
    const more = visitors
      .map((atoms) =>
        visitingVoice(
          atoms.map((atom) => moved(atom, -one.from)),
          meter,
        ),
      )
      .filter(({ atoms }) => atoms.length > 0)
    return { ...one, more }
  })
}

const moved = (atom: Atom, by: Ticks): Atom => ({ ...atom, tick: atom.tick + by })

/** The bars with empty ones before and behind them, as far as something sounds there. */
function around(
  bars: readonly Omit<WrittenBar, 'more'>[],
  sections: readonly Section[],
  earliest: Ticks,
  latest: Ticks,
): Omit<WrittenBar, 'more'>[] {
  const all = [...bars]
  const add = (section: number, from: Ticks) => {
    const { meter } = sections[section]?.lick.frame ?? EMPTY_LICK.frame
    return { bar: emptyBar(meter, from), from, section, begins: false }
  }
  const [first] = sections
  const length = first ? frameTicks(first.lick.frame).bar : 1
  for (let from = -length; first && from + length > earliest; from -= length)
    all.unshift(add(0, from))
  const last = all.at(-1)
  let end = last ? last.from + last.bar.to - last.bar.from : 0
  while (last && latest >= end) {
    const next = add(sections.length - 1, end)
    all.push(next)
    end += next.bar.to - next.bar.from
  }
  return all
}

/** What of the grooves of a solo is heard, in ticks of the solo. */
function soundsIn(sections: readonly Section[], { grooves = [] }: StaffView): Sounds {
  if (sections.length === 0) return () => false
  const straight = sections.map((section) => ({
    ...section,
    lick: withoutSwing(section.lick),
  }))
  const { round, ending, roundTicks } = toSequence(straight, {
    loop: false,
    countIn: false,
    grooves,
  })
  return soundsAmong([
    ...round(0),
    ...ending.map((event) => ({ ...event, tick: event.tick + roundTicks })),
  ])
}
