import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toHeadlessEvents, toHeadlessLimit, toHeadlessSum } from '~/codecs/headless'
import { formatLickText } from '~/codecs/lick-text'
import { DEFAULT_KIT } from '~/core/kit'
import { characterOf, DEFAULT_SETTING, raisesOf, speedLimit } from '~/core/playability'
import {
  buildUp,
  ladderOf,
  ladderSpan,
  PRACTICE_FORMS,
  PRACTICE_ORDERS,
  roundSeconds,
  seamRuns,
  strainsAt,
} from '~/core/practice'
import { DEFAULT_COUNTING } from '~/core/time'
import { voiceLick, voicingPresets } from '~/core/voicing'
import { toPathView } from '~/drawing/kit/path-view'
import { toRuler } from '~/drawing/ruler/layout'
import { toRowView, toScene } from '~/drawing/ruler/view'
import { jumpWords, seamWords, speedWords, strainWords } from '~/features/practice/words'
import { toSummary } from '~/storage/derived/summary'
import { toAnswers } from '~/words/answers'
import { toFit } from '~/words/fit'
import { toSteps } from '~/words/practice-steps'
import * as random from '../support/arbitraries'

/** Words that a program says by mistake: of a number, a field or an object that is none. */
const SLIPS = /\b(NaN|undefined|Infinity|null)\b|\[object/

/** Numbers that are none, and words that a program says by mistake, with where they stand. */
function slips(value: unknown, at = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${at} is ${value}`]
  if (typeof value === 'string') return SLIPS.test(value) ? [`${at} says ${value}`] : []
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, inner]) => slips(inner, `${at}.${key}`))
}

it('a slip is seen wherever it stands', () => {
  const fault = { a: [{ b: `of ${{}}` }], c: Number.NaN, d: 'up to NaN.', e: 'undefined, then' }
  expect(slips(fault)).toHaveLength(4)
  expect(slips({ a: 'nothing nullified', b: 1, c: null })).toEqual([])
})

/** How many licks are tried: more where that is asked for. */
const RANDOM_LICKS = Number(process.env.RANDOM_LICKS ?? 60)

describe('whatever the lick is (law)', () => {
  const settled = { numRuns: RANDOM_LICKS }

  it('every answer on the bench has figures and words', () => {
    fc.assert(
      fc.property(random.lick, fc.integer({ min: 20, max: 400 }), (lick, tempo) => {
        expect(slips(toAnswers(lick, tempo), 'answers')).toEqual([])
        expect(slips(toFit(lick, DEFAULT_COUNTING), 'fit')).toEqual([])
        expect(
          slips(
            raisesOf(lick, (same) => same, 'landing', DEFAULT_SETTING),
            'raises',
          ),
        ).toEqual([])
        expect(slips(characterOf(lick, DEFAULT_SETTING.kit, tempo), 'character')).toEqual([])
      }),
      settled,
    )
  })

  it('every row of the ruler, and the row of the library', () => {
    fc.assert(
      fc.property(random.lick, fc.integer({ min: 280, max: 1200 }), (lick, width) => {
        const ruler = toRuler(lick, width)
        const scene = toScene(lick, DEFAULT_COUNTING)
        for (const row of ruler.rows) expect(slips(toRowView(scene, ruler, row), 'row')).toEqual([])
        const text = formatLickText(lick)
        const record = {
          id: 'a',
          version: 2,
          text,
          draft: null,
          voicing: '',
          createdAt: 1,
          updatedAt: 1,
          deletedAt: null,
          revision: 1,
        } as const
        expect(slips(toSummary(record), 'library')).toEqual([])
      }),
      settled,
    )
  })

  it('what the command prints', () => {
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom('line', 'landing', 'loop' as const),
        (lick, reading) => {
          expect(slips(toHeadlessEvents(lick), 'events')).toEqual([])
          expect(slips(toHeadlessSum(lick), 'sum')).toEqual([])
          expect(slips(toHeadlessLimit(lick, { reading }), 'limit')).toEqual([])
        },
      ),
      settled,
    )
  })

  it('every voicing of it, and the way of the hands', () => {
    const presets = voicingPresets(DEFAULT_KIT)
    fc.assert(
      fc.property(random.lick, fc.nat(presets.length - 1), (lick, which) => {
        const voiced = voiceLick(lick, { rules: presets[which]?.rules ?? [], pins: [] })
        expect(slips(toPathView(voiced, DEFAULT_SETTING.kit), 'paths')).toEqual([])
        expect(slips(toAnswers(voiced, 120), 'answers')).toEqual([])
      }),
      settled,
    )
  })

  it('every step of practising it', () => {
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom(...PRACTICE_ORDERS),
        fc.integer({ min: 20, max: 400 }),
        (lick, order, tempo) => {
          const parts = buildUp(lick, order)
          const form = PRACTICE_FORMS[0]
          if (!form) throw new Error('no form')
          const steps = toSteps(
            parts.map((part) => ({ part, form: part.form, skipped: false })),
            lick,
          )
          for (const { words, played, part } of steps) {
            expect(slips(words, 'step')).toEqual([])
            expect(slips(speedWords(played, tempo), 'speed')).toEqual([])
            expect(slips(jumpWords(played, tempo, []), 'jump')).toEqual([])
            expect(slips(seamWords(seamRuns(played, {})), 'seam')).toEqual([])
            for (const strain of strainsAt(played, tempo, DEFAULT_SETTING))
              expect(slips(strainWords(strain), 'strain')).toEqual([])
            expect(roundSeconds(part.lick, part.form, tempo)).toBeGreaterThan(0)
          }
          const limit = speedLimit(lick, 'line').bpm
          const { from, to } = ladderSpan({
            tempo: lick.frame.tempo,
            goal: lick.frame.goal,
            limit,
            bestClean: null,
            tense: null,
          })
          expect(slips(ladderOf('percent', from, to), 'ladder')).toEqual([])
        },
      ),
      { numRuns: 25 },
    )
  })
})
