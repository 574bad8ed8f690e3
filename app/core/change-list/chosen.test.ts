import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { findPhrase, formatPhrase, type Phrase } from '../changes'
import { type Stroke, strokesInSlot } from '../sticking'
import { CHANGES, CHOICES, CHOSEN_CHANGES, type Choice, chosenChange, chosenOf } from '.'

const CONTEXT = { onBeat: () => false }
const read = (line: string): Phrase => {
  const found = findPhrase(line)
  if (!found) throw new Error(line)
  return found
}

describe('some of the strokes', () => {
  const LINE = 'RLLRK >RLRLK RK'
  const MEANT: Readonly<Record<Choice, string>> = {
    every: '>R>L>L>R>K >R>L>R>L>K >R>K',
    rights: '>RLL>RK >RL>RLK >RK',
    lefts: 'R>L>LRK >R>LR>LK RK',
    kicks: 'RLLR>K >RLRL>K R>K',
    firsts: '>RLLRK >RLRLK >RK',
    seconds: 'R>LLRK >R>LRLK R>K',
    thirds: 'RL>LRK >RL>RLK RK',
    lasts: 'RLLR>K >RLRL>K R>K',
    singles: '>RLL>RK >R>L>R>LK >RK',
    doubles: 'R>L>LRK >RLRLK RK',
    accents: LINE,
    unaccented: '>R>L>L>R>K >R>L>R>L>K >R>K',
    second: 'R>LL>RK >RL>RL>K R>K',
    third: 'RL>LRK >RLR>LK R>K',
  }

  it.each(Object.entries(MEANT))('%s', (choice, expected) => {
    const made = chosenChange(choice as Choice, 'accent').apply(read(LINE), CONTEXT)
    expect(formatPhrase(made)).toBe(formatPhrase(read(expected)))
  })

  it('are changed, and no others; the line stays as it is played (law)', () => {
    const phrases = random.lick.map(({ line: { slots, groups } }): Phrase => ({ slots, groups }))
    const choices = fc.constantFrom(...(Object.keys(CHOICES) as Choice[]))
    fc.assert(
      fc.property(phrases, choices, (phrase, choice) => {
        const after = chosenChange(choice, 'strong').apply(phrase, CONTEXT)
        const chosen = chosenOf(choice, phrase)
        expect(after.groups).toEqual(phrase.groups)
        for (const [slot, content] of phrase.slots.entries()) {
          const now = strokesInSlot(after.slots[slot] as typeof content).map(({ stroke }) => stroke)
          const meant = strokesInSlot(content).map(
            ({ stroke }): Stroke =>
              chosen(stroke, slot) ? { ...stroke, level: 'strong' } : stroke,
          )
          expect(now).toEqual(meant)
        }
      }),
    )
  })

  it('have names of their own', () => {
    const all = [...CHANGES, ...CHOSEN_CHANGES]
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length)
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
  })
})
