import { readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { VerovioToolkit } from 'verovio/esm'
import createVerovioModule from 'verovio/wasm'
import { beforeAll, describe, expect, it } from 'vitest'
import { grooveEvents } from '~/core/groove'
import {
  DEFAULT_FRAME,
  EMPTY_LICK,
  frameTicks,
  type Lick,
  normalGridChanges,
  strokeEvents,
} from '~/core/line'
import { REST } from '~/core/sticking'
import { ALL_GRIDS, gridTicks, TICKS_PER_QUARTER, toMeter } from '~/core/time'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { formatMusicXml } from '.'

let toolkit: VerovioToolkit
beforeAll(async () => {
  toolkit = new VerovioToolkit(await createVerovioModule())
})

/** Where another reader finds notes: ticks from the fill's barline, each once. */
function onsetsOf(lick: Lick): number[] {
  expect(toolkit.loadData(formatMusicXml(lick))).toBeTruthy()
  expect(toolkit.getLog()).toBe('')
  const { bar } = frameTicks(lick.frame)
  const first = Math.min(0, ...strokeEvents(lick).map(({ tick }) => tick))
  const zero = Math.min(-lick.frame.lead * bar, Math.floor(first / bar) * bar)
  return toolkit
    .renderToTimemap({ includeRests: false })
    .flatMap(({ qstamp, on = [] }) => (on.length > 0 ? [Math.round(qstamp * 10080) + zero] : []))
}

/** The attributes of every element of a name, and what is in it. */
function elements(xml: string, name: string): string[] {
  return [...xml.matchAll(new RegExp(`<${name}\\b[^>]*?(?:/>|>.*?</${name}>)`, 'gs'))].map(
    ([found]) => found,
  )
}

/** The notes of a measure and its steps back, in order. */
function elementsOf(measure: string): string[] {
  return [...measure.matchAll(/<note\b.*?<\/note>|<backup>.*?<\/backup>/gs)].map(([found]) => found)
}

const FOLDER = 'tests/fixtures/cases'
const CASES = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.lick'))
  .map((name) => [name, readFileSync(`${FOLDER}/${name}`, 'utf8')] as const)

/** Beats of a quarter, each on a grid of its own that fills it; what is struck is anything. */
const wholeBeats: fc.Arbitrary<Lick> = fc
  .record({
    meter: fc.constantFrom(toMeter(4, 4), toMeter(3, 4), toMeter(5, 4), toMeter(3, 2)),
    beats: fc.array(
      fc.record({
        grid: fc.constantFrom(
          ...ALL_GRIDS.filter((one) => TICKS_PER_QUARTER % gridTicks(one) === 0),
        ),
        slots: fc.array(random.slot, { minLength: 32, maxLength: 32 }),
      }),
      { minLength: 1, maxLength: 6 },
    ),
  })
  .map(({ meter, beats }) => {
    const groups = beats.map(({ grid }) => TICKS_PER_QUARTER / gridTicks(grid))
    const slots = beats.flatMap(({ slots: some }, i) =>
      some.slice(0, groups[i]).map((one) => (one.kind === 'squeeze' ? one.parts[0] : one) ?? REST),
    )
    const starts = groups.map((_, i) => groups.slice(0, i).reduce((sum, size) => sum + size, 0))
    const changes = beats.map(({ grid }, i) => ({ at: starts[i] ?? 0, grid }))
    const grid = changes[0]?.grid ?? DEFAULT_FRAME.grid
    const gridChanges = normalGridChanges(changes, grid, slots.length)
    const frame = { ...DEFAULT_FRAME, meter, grid }
    return { ...EMPTY_LICK, frame, line: { slots, groups, gridChanges } }
  })

const distinct = (ticks: readonly number[]) => [...new Set(ticks)].sort((a, b) => a - b)

describe('a lick as MusicXML', () => {
  it('has the strokes of line and layers at the core’s own ticks, as another reader finds them', () => {
    const lick = lickOf(
      'meter: 4/4\ngrid: 1/16\nstart: 2&\nline: >R:t1llRl >R:f1lK >LK\nunder: @1/4 H',
    )
    const groove = grooveEvents('eighths', lick.frame.meter).map(({ tick }) => tick)
    const expected = distinct([
      ...strokeEvents(lick).map(({ tick }) => tick),
      ...groove.map((tick) => tick - 40320),
      ...groove.filter((tick) => tick < 15120),
      40320,
    ])
    expect(onsetsOf(lick)).toEqual(expected)
  })

  it('has bars from the lead-in to the landing, with metre, clef, tempo and instruments', () => {
    const xml = formatMusicXml(
      lickOf('title: Ring & Rope\nmeter: 6/8\ntempo: 84\nline: R:t1LLR:t1LL RLRLRL'),
    )
    expect(elements(xml, 'measure')).toHaveLength(3)
    expect(xml).toContain('<work-title>Ring &amp; Rope</work-title>')
    expect(xml).toContain('<sign>percussion</sign>')
    expect(xml).toContain('<beats>6</beats><beat-type>8</beat-type>')
    expect(xml).toContain(
      '<beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>84</per-minute>',
    )
    expect(xml).toContain('<sound tempo="126"/>')
    expect(elements(xml, 'score-instrument').join()).toContain('snare')
    // MIDI notes count from 1 here: the snare's 38 is 39.
    expect(xml).toContain('<midi-unpitched>39</midi-unpitched>')
  })

  it('tells a metre whose beats are grouped in their own way', () => {
    const beats = (meter: string) =>
      elements(formatMusicXml(lickOf(`meter: ${meter}\nline: RL`)), 'beats')[0]
    expect([beats('7/8'), beats('7/8 3+2+2')]).toEqual(['<beats>7</beats>', '<beats>3+2+2</beats>'])
  })

  it('writes levels, graces, ghosts and the sticking at their notes', () => {
    const xml = formatMusicXml(lickOf('lead: 0\ngroove: none\nlanding: none\nline: >R l ^R dR:t1'))
    const notes = elements(xml, 'note').filter((note) => note.includes('<unpitched>'))
    expect(notes.map((note) => elements(note, 'fingering')[0]?.replace(/<.*?>/g, ''))).toEqual([
      'R',
      'L',
      'R',
      'L',
      'L',
      'R',
    ])
    expect(notes[0]).toContain('<accent/>')
    expect(notes[1]).toContain('<notehead parentheses="yes">normal</notehead>')
    expect(notes[2]).toContain('<strong-accent type="up"/>')
    expect(notes.slice(3, 5).every((note) => note.includes('<grace/>'))).toBe(true)
  })

  it('beams as it is asked, and every beam that begins ends', () => {
    const lick = lickOf('line: RLK RLLRK RLLRLRK K')
    for (const beaming of ['beat', 'group'] as const) {
      const beams = elements(formatMusicXml(lick, { beaming }), 'beam number="1"')
      const kinds = beams.map((beam) => beam.replace(/<.*?>/g, ''))
      const count = (kind: string) => kinds.filter((one) => one === kind).length
      expect(count('begin')).toBe(count('end'))
    }
    const first = (beaming: 'beat' | 'group') =>
      elements(formatMusicXml({ ...lick, frame: { ...lick.frame, lead: 0 } }, { beaming }), 'beam')
        .filter((beam) => beam.includes('number="1"'))
        .map((beam) => beam.replace(/<.*?>/g, '')[0])
        .join('')
    expect(first('group').startsWith('bcebccce')).toBe(true)
    expect(first('beat').startsWith('bccebcce')).toBe(true)
  })

  it('takes out what XML has no place for, in a title that is hostile', () => {
    const title = 'A <b>&\u0001"\ud800 ]]> lick'
    const xml = formatMusicXml({ ...lickOf('line: RL'), title })
    expect(xml).toContain('A &lt;b&gt;&amp;&quot; ]]&gt; lick')
    expect(toolkit.loadData(xml)).toBeTruthy()
  })

  it.each(CASES)(
    '%s is read without a word by another reader, its strokes where the core has them',
    (_, text) => {
      const lick = lickOf(text)
      const found = new Set(onsetsOf(lick))
      // A stroke that is squeezed is written in a tuplet, and lies at its exact position there.
      const whole = strokeEvents(lick).filter(({ tick, slotTick }) => tick === slotTick)
      expect(whole.filter(({ tick }) => !found.has(tick))).toEqual([])
    },
  )

  it('is read to the tick by another reader, for any line whose tuplets are whole, in beats of quarters', () => {
    fc.assert(
      fc.property(wholeBeats, (lick) => {
        const found = new Set(onsetsOf(lick))
        expect(strokeEvents(lick).filter(({ tick }) => !found.has(tick))).toEqual([])
      }),
      { numRuns: Number(process.env.RANDOM_LICKS ?? 40) },
    )
  })

  it('has whole bars before the first one where a pick-up begins there', () => {
    const lick = lickOf('lead: 0\npickup: RL\nline: RKLR')
    expect(onsetsOf(lick).slice(0, 3)).toEqual([-5040, -2520, 0])
  })

  it('is read without a word with its repeat signs too', () => {
    const xml = formatMusicXml(lickOf('lead: 4\nline: RLRL*4'), { beaming: 'beat', repeats: true })
    expect(xml).toContain('direction="backward"')
    expect(toolkit.loadData(xml)).toBeTruthy()
    expect(toolkit.getLog()).toBe('')
  })

  it('has no bar for a pick-up that is all rests', () => {
    expect(onsetsOf(lickOf('lead: 0\npickup: --\nline: RKLR'))[0]).toBe(0)
  })

  it('lasts, note by note, as long as the core says, so that every bar is full, for any lick', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const { bar } = frameTicks(lick.frame)
        const measures = elements(formatMusicXml(lick), 'measure')
        const strokes = strokeEvents(lick)
        const first = Math.min(0, ...strokes.map(({ tick }) => tick))
        const zero = Math.min(-lick.frame.lead * bar, Math.floor(first / bar) * bar)
        const found = new Set<string>()
        for (const [index, measure] of measures.entries()) {
          let at = 0
          for (const part of [...elementsOf(measure)]) {
            const ticks = Number(/<duration>(\d+)</.exec(part)?.[1] ?? 0)
            if (part.startsWith('<backup')) {
              expect(at).toBe(bar)
              at = 0
            } else if (!part.includes('<chord/>')) {
              if (part.includes('<unpitched>')) found.add(`${zero + index * bar + at}`)
              at += ticks
            }
          }
          expect(at).toBe(bar)
        }
        expect(strokes.filter(({ tick }) => !found.has(`${tick}`))).toEqual([])
      }),
      { numRuns: 30 },
    )
  }, 60_000)
})
