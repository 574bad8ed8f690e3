import { type ScoreBar, type ScoreVoice, toScore } from '~/core/engraving'
import { isEqual } from '~/core/foundation'
import { STAFF_KEY, staffKeyOf } from '~/core/kit'
import { EMPTY_LICK, frameTicks, type Lick, landingContent } from '~/core/line'
import type { Setting } from '~/core/playing'
import type { Section, Solo } from '~/core/solo'
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
  { kit, grooves = [] }: Pick<Setting, 'kit' | 'grooves'>,
): string {
  const key = kit ? staffKeyOf(kit) : STAFF_KEY
  const { bars, more, after } = barsOf(sections, (lick) =>
    toScore(lick, { beaming: 'beat', groove: 'notes', grooves, key }),
  )
  const all = after ? [...bars, after] : bars
  const measures: Xml[] = all.map((written, i) => {
    const section = sections[written.section]
    const before = sections[all[i - 1]?.section ?? -1]
    const lick = section?.lick ?? EMPTY_LICK
    const begins = i === section?.barsBefore && section.time === 0
    return measure(written.bar, i, {
      key,
      signature: sameMeter(before?.lick, lick) ? null : lick,
      tempo: i === 0 ? lick : null,
      words: begins ? (names[written.section] ?? null) : null,
      last: i === all.length - 1,
      more: more.get(i) ?? [],
    })
  })
  return scoreText({
    title: solo.title,
    own: [SOLO_FIELD, formatSolo(solo)],
    // Every voice has its instrument, those that come over from other bars too.
    bars: [
      ...all.map(({ bar }) => bar),
      ...[...more.values()].flat().map((line) => ({ ...EMPTY_BAR, line })),
    ],
    kit,
    measures,
  })
}

const SILENT: ScoreVoice = { atoms: [], beams: [], tuplets: [] }
const EMPTY_BAR: ScoreBar = { from: 0, to: 0, line: SILENT, layers: [], pickup: SILENT }

function sameMeter(a: Lick | undefined, b: Lick): boolean {
  return a !== undefined && isEqual(a.frame.meter, b.frame.meter)
}

interface WrittenBar {
  readonly bar: ScoreBar
  readonly section: number
}

/** The bars of all sections, what comes into each from another one, and the bar of the last landing. */
function barsOf(sections: readonly Section[], score: (lick: Lick) => readonly ScoreBar[]) {
  const bars: WrittenBar[] = []
  const more = new Map<number, ScoreVoice[]>()
  const total = sections.reduce((sum, section) => sum + section.bars, 0)
  let after: WrittenBar | null = null
  const add = (index: number, voice: ScoreVoice) => {
    if (voice.atoms.some(({ kind }) => kind === 'strokes'))
      more.set(index, [...(more.get(index) ?? []), voice])
  }
  for (const [i, section] of sections.entries()) {
    const { lick, barsBefore, pickup } = section
    const { bar } = frameTicks(lick.frame)
    for (const one of score(lick)) {
      const at = one.from / bar + lick.frame.lead
      const index = barsBefore + at
      if (at >= 0 && at < section.bars) bars.push({ bar: one, section: i })
      else if (at < 0 && pickup && index >= 0) add(index, one.pickup)
      else if (index === total) after = { bar: one, section: i }
      else if (at >= section.bars) {
        const next = sections.findLast((other) => other.barsBefore <= index)
        if (next) add(index, fitting(one, bar, lick, next.lick, score))
      }
    }
  }
  return { bars, more, after }
}

/** What comes over a barline as a voice of the bar there: of another length, its landing alone. */
function fitting(
  one: ScoreBar,
  bar: number,
  from: Lick,
  into: Lick,
  score: (lick: Lick) => readonly ScoreBar[],
): ScoreVoice {
  if (frameTicks(into.frame).bar === bar) return one.line
  const content = landingContent(from)
  if (!content) return SILENT
  const frame = {
    ...EMPTY_LICK.frame,
    meter: into.frame.meter,
    grid: { value: 8, tuplet: null } as const,
    lead: 0,
    bars: 1,
    landing: { kind: 'none', at: 'bar' } as const,
  }
  const line = { slots: [content], groups: [1], gridChanges: [] }
  return score({ ...EMPTY_LICK, frame, line })[0]?.line ?? SILENT
}
