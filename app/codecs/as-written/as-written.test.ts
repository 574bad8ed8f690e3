import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLine } from '~/core/notation'
import * as random from '../../../tests/support/arbitraries'
import { findAllGhosts, findAsWritten, findSpaced, isLickText, type KickLetter } from '.'

describe('a sticking as people write it', () => {
  it.each([
    ['R L R K | L R K R', 'RLRK LRKR'],
    ['R L R R\nL R L L', 'RLRR LRLL'],
    ['R L R L', 'RLRL'],
    ['R> L L R>', '>RLL>R'],
    ['R>LR>L | R>LR>L>', '>RL>RL >RL>R>L'],
    ['R (L) (L) R', 'RllR'],
    ['R(L)R(L) RLRL', 'RlRl RLRL'],
    ['R L L R  K R L K', 'RLLR KRLK'],
    ['R L L\tR K', 'RLL RK'],
    ['R+L K R/L', '(RL)K(RL)'],
    ['R:T1 L:SN R:FL', undefined],
    ['R:T1L:SN R:F1K', 'R:t1L:sn R:f1K'],
    ['R L | L', 'RL L'],
    ['>R+K L L', '(>RK)LL'],
  ])('%j is %j', (text, line) => expect(findAsWritten(text)?.line).toBe(line))

  it.each<[string, KickLetter, string | undefined]>([
    ['R L F', 'F', 'RLK'],
    ['RLB RLB', 'B', 'RLK RLK'],
    ['RLF', '', undefined],
  ])('%j with %j for the kick is %j', (text, kick, line) =>
    expect(findAsWritten(text, kick)?.line).toBe(line),
  )

  it('says what it turned', () => {
    expect(findAsWritten('R L> R+K | L R> L')?.turned).toEqual([
      'strokes together in brackets',
      'accents before their letters',
      'bars as groups',
    ])
  })

  it('leaves alone what is in the line’s own notation, whatever it is', () => {
    expect(findAsWritten('>RllRl >RlK >LK')).toBeUndefined()
    expect(findAsWritten('fR:t1/snL (RK)L')).toBeUndefined()
    // A drum has two letters: the third is the next stroke.
    expect(findAsWritten('r r:snr')).toBeUndefined()
    fc.assert(
      fc.property(random.lick, ({ line }) => {
        fc.pre(line.groups.some((size) => size > 1) || line.slots.length < 2)
        expect(findAsWritten(formatLine(line))?.line ?? formatLine(line)).toBe(formatLine(line))
      }),
      { numRuns: 200 },
    )
  })

  it('is quick to give up on what is no sticking', () => {
    for (const text of ['hello there', '((((', 'R'.repeat(20_000), '> '.repeat(4000), ''])
      expect(findAsWritten(text)).toBeUndefined()
  })
})

describe('letters with a space after each', () => {
  it.each([
    ['R L L R K R L K R L', ['5 RLLRK RLKRL', '2 RL LR KR LK RL', 'null RLLRKRLKRL']],
    ['R L L R K', ['null RLLRK']],
    ['>R l (RK) - R L', ['3 >Rl(RK) -RL', '2 >Rl (RK)- RL', 'null >Rl(RK)-RL']],
    ['RL LR KR LK', []],
    ['R L | L R', []],
    ['R L K', []],
  ])('%s is offered as %j', (line, ways) =>
    expect(findSpaced(line).map((one) => `${one.size} ${one.line}`)).toEqual(ways),
  )
})

describe('a whole lick', () => {
  it('is known by its keys', () => {
    expect(isLickText('dime-lick: 1\ntitle: Ring\nline: RLLR')).toBe(true)
    expect(isLickText('line: RLLR')).toBe(true)
    expect([isLickText('RLLR'), isLickText('line: RLQ'), isLickText('title: x')]).toEqual([
      false,
      false,
      false,
    ])
  })
})

describe('a line of nothing but ghosts', () => {
  it.each([
    ['rllr rlrl', 'RLLR RLRL'],
    ['r:t1lk @1/16t rlr', 'R:t1LK @1/16t RLR'],
    ['frl(rk)', 'fRL(RK)'],
    ['rlR', undefined],
    ['rl', undefined],
    ['rlq', undefined],
  ])('%j is offered as %j', (line, plain) => expect(findAllGhosts(line)).toBe(plain))
})
