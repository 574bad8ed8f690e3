import { describe, expect, it } from 'vitest'
import { readNumber, showNumber, stepNumber } from './number-draft'

const TEMPO = { min: 20, max: 400 }

/** What a field takes while it is typed in key by key, and when the typing ends. */
function typing(typed: string, range = TEMPO): { during: number[]; atEnd: number | null } {
  const readings = [...typed].map((_, i) => readNumber(typed.slice(0, i + 1), range))
  const last = readings.at(-1)
  return {
    during: readings.flatMap((one) => (one.kind === 'taken' ? [one.value] : [])),
    atEnd: last && last.kind !== 'wrong' ? last.value : null,
  }
}

describe('a number field', () => {
  it('takes 120 typed over 72, and nothing on the way', () =>
    expect(typing('120')).toEqual({ during: [120], atEnd: 120 }))

  it('waits while more digits could follow, and takes what no digit can change', () => {
    expect(typing('30')).toEqual({ during: [], atEnd: 30 })
    expect(typing('72')).toEqual({ during: [72], atEnd: 72 })
    expect(typing('300')).toEqual({ during: [300], atEnd: 300 })
  })

  it.each(['', '-', '7', '401', 'fast', '1e2', '80.5', '12 0'])(
    'refuses %j, and says why',
    (typed) =>
      expect(readNumber(typed, TEMPO)).toEqual({
        kind: 'wrong',
        message: 'Type a whole number from 20 to 400',
      }),
  )

  it('takes decimals where they are allowed, with a comma too', () => {
    const range = { ...TEMPO, whole: false }
    expect(readNumber('80,5', range)).toEqual({ kind: 'waiting', value: 80.5 })
    expect(readNumber('80.', range)).toEqual({ kind: 'waiting', value: 80 })
    expect(readNumber('-12', { min: -300, max: 300 })).toEqual({ kind: 'waiting', value: -12 })
  })

  it('steps within its range, and never shows more digits than it means', () => {
    expect(stepNumber(399, 5, TEMPO)).toBe(400)
    expect(stepNumber(20, -1, TEMPO)).toBe(20)
    expect(showNumber(0.1 + 0.2)).toBe('0.3')
  })
})
