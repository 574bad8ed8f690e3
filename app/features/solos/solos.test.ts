import { parseMidi } from 'midi-file'
import { describe, expect, it } from 'vitest'
import { formatSoloMidi } from '~/codecs/midi'
import { formatSoloMusicXml } from '~/codecs/musicxml'
import { parseSolo } from '~/codecs/solo'
import { frameTicks } from '~/core/line'
import { DEFAULT_SETTING } from '~/core/playability'
import { columnsOf, judgeSolo, type Solo, shapeOf, toSections } from '~/core/solo'
import { toMeter } from '~/core/time'
import {
  crossingWords,
  joinFaults,
  joinLimit,
  joinName,
  lengthWords,
  limitWords,
  partName,
  soloPlace,
  soloPlaces,
} from '~/words/solo-words'
import { soloDifferences } from '~/workspace/documents/solo-differences'
import { toSoloRecord } from '~/workspace/documents/solo-document'
import { lickOf } from '../../../tests/support/licks'
import { parts, soloOf } from '../../../tests/support/solos'
import { toRulerBars } from './long-ruler'

const fill = lickOf('title: Fill\nstart: 3\nline: RLRL RLRL')
const waltz = lickOf('title: Waltz\nmeter: 3/4\nline: RLL*4')
const whole = soloOf([
  parts.groove(2),
  parts.lick(fill, 2),
  parts.lick(waltz),
  parts.groove(1, 'eighths', 'end'),
])
const sections = toSections(whole)
const names = sections.map(({ part }) => partName(whole.parts[part] as never))

describe('a solo in files', () => {
  it('as MIDI has each metre where it begins, a marker for each part, and every stroke', () => {
    const { tracks } = parseMidi(formatSoloMidi(whole, sections, names, DEFAULT_SETTING))
    const placed = tracks.map((track) => {
      let tick = 0
      return track.map((event) => {
        tick += event.deltaTime
        return { ...event, tick }
      })
    })
    const [frame = [], kit = []] = placed
    const of = (type: string) => frame.filter((event) => event.type === type)
    expect(
      of('timeSignature').map((event) => [event.tick, 'numerator' in event && event.numerator]),
    ).toEqual([
      [0, 4],
      [4 * 40320, 3],
      [4 * 40320 + 30240, 4],
    ])
    expect(of('marker').map((event) => ('text' in event ? event.text : ''))).toEqual([
      'Groove',
      'Fill',
      'Waltz',
      'Groove',
    ])
    const strokes = judgeSolo(whole, sections, DEFAULT_SETTING).strokes
    expect(kit.filter(({ type }) => type === 'noteOn')).toHaveLength(strokes.length)
  })

  it('as MusicXML has whole bars, the landing in the bar in which it sounds, and the solo itself', () => {
    const score = formatSoloMusicXml(whole, sections, names, DEFAULT_SETTING)
    const measures = score.split('<measure ').slice(1)
    expect(measures).toHaveLength(6)
    expect(measures.map((one) => /<beats>(\d)/.exec(one)?.[1])).toEqual([
      '4',
      undefined,
      undefined,
      undefined,
      '3',
      '4',
    ])
    // Bars of groove are played to their last.
    const struck = measures.map((one) => one.split('<unpitched>').length - 1)
    expect(struck[0]).toBeGreaterThan(0)
    expect(struck[1]).toBe(struck[0])
    // The second fill goes straight on: the waltz strikes on its one. The waltz lands with a crash.
    expect(measures[5]).toContain('P1-c1')
    const carried = /<miscellaneous-field name="dime-solo">([^<]*)</.exec(score)?.[1] ?? ''
    const read = parseSolo(carried.replaceAll('&quot;', '"').replaceAll('&gt;', '>'))
    expect(read).toEqual({ ok: true, value: whole })
  })
})

describe('a solo in words', () => {
  it('is told by its bars, seconds and places', () => {
    expect(lengthWords(16, 38.4)).toBe('16 bars, 38.4 s')
    expect(lengthWords(32, 76.8)).toBe('32 bars, 1 min 17 s')
    expect(lengthWords(1, 59.96)).toBe('1 bar, 1 min 0 s')
    expect(soloPlace(sections, 2 * 40320 + 20160)).toBe('bar 3, 3')
    expect(soloPlace(sections, 4 * 40320 + 2520)).toBe('bar 5, 1e')
    expect(soloPlaces(sections, 4 * 40320, 4 * 40320 + 2520)).toBe('bar 5, 1 to 1e')
    expect(soloPlaces(sections, 4 * 40320 - 2520, 4 * 40320)).toMatch(/^bar 4, .* to bar 5, 1$/)
  })

  it('says of each join what it is between, how fast it goes, and what is wrong', () => {
    const bad = soloOf([
      parts.lick(lickOf('title: Full\nline: RLRL*4'), 1, { end: 'land' }),
      parts.lick(lickOf('title: Other\nline: RLRL*4')),
    ])
    const judged = judgeSolo(bad, toSections(bad), DEFAULT_SETTING)
    const [join] = judged.joins
    if (!join) throw new Error('no join')
    expect(joinName(join, judged.sections, bad)).toBe('bar 1 to 2: Full to Other')
    expect(joinFaults(join, judged.sections)).toEqual([
      'The right hand has two notes at once on bar 2, 1.',
    ])
    expect(joinLimit(join)).toMatch(/^up to \d+$/)
    expect(crossingWords(join, judged.sections)).toBe('')
    expect(limitWords(judged)).toMatch(/^up to \d+, set by: /)
  })

  it('stands on the ruler bar by bar, each group once, where it begins', () => {
    const { joins, strokes } = judgeSolo(whole, sections, DEFAULT_SETTING)
    const columns = columnsOf(shapeOf(sections, strokes), 'weight')
    const bars = toRulerBars(sections, joins, columns, 40320)
    expect(bars.map(({ column }) => column)).toEqual(columns)
    expect(bars.map(({ index }) => index)).toEqual([0, 1, 2, 3, 4, 5])
    expect(bars.map(({ stacks }) => stacks.length)).toEqual([0, 0, 2, 2, 4, 0])
    expect(bars[2]?.stacks.map(({ at }) => at)).toEqual([0.5, 0.75])
    expect(bars[4]?.length).toBe(0.75)
    expect(frameTicks(waltz.frame).bar).toBe(30240)
  })
})

describe('two versions of a solo', () => {
  it('says in what they differ', () => {
    const record = (solo: Solo) => toSoloRecord({ id: 'a', createdAt: 1 }, solo)
    const other = { ...whole, tempo: 120, parts: whole.parts.slice(1) }
    expect(soloDifferences(record(other), record(whole))).toEqual([
      'Tempo: 120 in the other, 100 in yours',
      'Parts: 3 in the other, 4 in yours',
      'Parts that differ: Groove',
    ])
    const turned = { ...whole, parts: [...whole.parts].reverse(), wish: [0.5] }
    expect(soloDifferences(record(turned), record(whole))).toEqual([
      'The order of the parts',
      'What is wanted of the bars',
    ])
    expect(soloDifferences(record({ ...whole, meter: toMeter(6, 8) }), record(whole))).toEqual([
      'Metre: 6/8 in the other, 4/4 in yours',
    ])
  })
})
