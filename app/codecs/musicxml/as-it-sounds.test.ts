import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toScore } from '~/core/engraving'
import { type Lick, withoutSwing } from '~/core/line'
import { type SoundEvent, toPerformance, toSequence } from '~/core/performance'
import { DEFAULT_SETTING } from '~/core/playability'
import { toSections } from '~/core/solo'
import { strokeLimb, strokeSurface } from '~/core/sticking'
import { barTicks } from '~/core/time'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { solo } from '../../../tests/support/solos'
import { formatMusicXml, formatSoloMusicXml } from '.'

const once = { loop: false, countIn: false } as const
/** Strokes as their tick, limb and surface, each once, in order. */
const listed = (strokes: readonly string[]) => [...new Set(strokes)].sort()
const told = (events: readonly SoundEvent[], by: number) =>
  events.flatMap((event) =>
    event.kind === 'stroke' ? [`${event.tick + by} ${event.limb} ${event.surface}`] : [],
  )

/** A lick as it sounds once through, in ticks from the fill's barline. */
function sounding(lick: Lick): string[] {
  const { round, ending, roundTicks, barlineTick } = toPerformance(withoutSwing(lick), once)
  return listed([...told(round(0), -barlineTick), ...told(ending, roundTicks - barlineTick)])
}

function scored(lick: Lick): string[] {
  const bars = toScore(lick, { beaming: 'beat', groove: 'notes' })
  const atoms = bars.flatMap(({ line, over, layers }) =>
    [line, over, ...layers].flatMap((voice) => voice.atoms),
  )
  return listed(
    atoms.flatMap(({ tick, strokes }) =>
      strokes.map((stroke) => `${tick} ${strokeLimb(stroke)} ${strokeSurface(stroke)}`),
    ),
  )
}

describe('a lick in MusicXML', () => {
  it.each([
    ['crash', 'RLRL*4'],
    ['groove', 'RLRL*4'],
    ['groove beat', 'RLRL'],
    ['crash beat', 'RLRL'],
    ['stop beat', 'RLRL RLR'],
    ['none', 'RLRL'],
    ['last', 'RLRL*4 R'],
    ['last beat', 'RLRLR'],
    ['last beat', 'RLRLRLR'],
    ['{RLR}K', 'RLRL RLRL'],
    // Over its bar by three slots: the crash sounds while the line goes on.
    ['crash', 'RLRL*4 RLK'],
  ])('that lands by %s after %s has the strokes that sound', (landing, line) => {
    for (const start of ['1', '2&', '3e', '4']) {
      const kind = /^[a-z]+( beat)?$/.test(landing) ? landing : '(>L:c1K) choke'
      const lick = lickOf(`start: ${start}\nlanding: ${kind}\nline: ${line}`)
      expect(scored(lick)).toEqual(sounding(lick))
    }
  })

  it('has the strokes that sound, whatever it starts with and lands on (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        expect(scored(lick)).toEqual(sounding(lick))
      }),
      { numRuns: 60 },
    )
  })

  it('bare has the strokes of line and layers alone, and not the lick itself', () => {
    const lick = lickOf('landing: crash\nline: fRLRL*4\nunder: @1/4 H')
    const xml = formatMusicXml(lick, { beaming: 'beat', bare: true })
    expect(xml).not.toContain('dime-lick')
    expect(xml).not.toContain('<grace')
    const strokes = notesIn(xml).map(({ tick, voice }) => `${tick - 40320} ${voice}`)
    const layer = [-4, -3, -2, -1, 0, 1, 2, 3].map((beat) => `${beat * 10080} hf`)
    const line = Array.from({ length: 16 }, (_, i) => `${i * 2520} sn`)
    expect(listed(strokes)).toEqual(listed([...layer, ...line]))
  })
})

/** Every note of a score with its tick from the first barline; throws where a voice of a measure is not full. */
function notesIn(xml: string): { tick: number; voice: string }[] {
  let from = 0
  return [...xml.matchAll(/<measure.*?<\/measure>/gs)].flatMap(([measure]) => {
    const notes: { tick: number; voice: string }[] = []
    const lengths = new Set<number>()
    let [at, last] = [0, 0]
    for (const [part] of measure.matchAll(/<(note|backup)[ >].*?<\/\1>/gs)) {
      const duration = Number(/<duration>(\d+)</.exec(part)?.[1] ?? 0)
      if (part.startsWith('<backup')) {
        lengths.add(at)
        at -= duration
        continue
      }
      if (part.includes('<grace')) continue
      const chord = part.includes('<chord')
      if (!chord) last = at
      const voice = /<instrument id="P1-(\w+)"/.exec(part)?.[1]
      if (voice) notes.push({ tick: from + last, voice: voice === 'undecided' ? '??' : voice })
      if (!chord) at += duration
    }
    lengths.add(at)
    if (lengths.size !== 1) throw new Error(`voices of ${[...lengths]} ticks in one measure`)
    from += at
    return notes
  })
}

describe('a solo in MusicXML', () => {
  const write = (drawn: Parameters<typeof toSections>[0]) => {
    const sections = toSections(drawn)
    const names = sections.map(() => '')
    return { sections, xml: formatSoloMusicXml(drawn, sections, names, DEFAULT_SETTING) }
  }

  it('has the strokes that sound at their ticks, in voices that are full (law)', () => {
    fc.assert(
      fc.property(solo, (drawn) => {
        const { sections, xml } = write(drawn)
        const notes = notesIn(xml)
        if (sections.length === 0) return
        const row = sections.map((section) => ({ ...section, lick: withoutSwing(section.lick) }))
        const { round, ending, roundTicks } = toSequence(row, once)
        const heard = [
          ...round(0),
          ...ending.map((one) => ({ ...one, tick: one.tick + roundTicks })),
        ]
        const strokes = heard.flatMap((event) => (event.kind === 'stroke' ? [event] : []))
        // Bars before the first, where a pick-up begins there.
        const first = Math.min(0, ...strokes.map(({ tick }) => tick))
        const bar = barTicks((sections[0] as (typeof sections)[number]).lick.frame.meter)
        const zero = Math.floor(first / bar) * bar
        expect(listed(notes.map(({ tick, voice }) => `${tick + zero} ${voice}`))).toEqual(
          listed(strokes.map(({ tick, surface }) => `${tick} ${surface}`)),
        )
      }),
      { numRuns: 40 },
    )
  })
})
