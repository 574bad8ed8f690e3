import { expect, it } from 'vitest'
import type { Sitting } from '~/core/practice'
import { formatSittings } from '.'

const sitting = (at: number, step: string): Sitting => ({
  id: 'a',
  lickId: 'x',
  at,
  step,
  tempo: 92.5,
  repeats: 8,
  seconds: 20.5,
  rating: null,
})

it('a log is written in order of time, with quotes where they are needed and no formulas', () => {
  const csv = formatSittings([sitting(86_400_000, 'a, "b"'), sitting(0, '=1+1')], () => 'Ring')
  expect(csv).toBe(
    'date,lick,step,tempo,repeats,seconds,rating\r\n' +
      "1970-01-01T00:00:00.000Z,Ring,'=1+1,92.5,8,20.5,\r\n" +
      '1970-01-02T00:00:00.000Z,Ring,"a, ""b""",92.5,8,20.5,\r\n',
  )
})
