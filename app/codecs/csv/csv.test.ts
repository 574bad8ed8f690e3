import { expect, it } from 'vitest'
import { formatSessions, type LoggedSession } from '.'

const session = (at: number, step: string): LoggedSession => ({
  id: 'a',
  lickId: 'x',
  at,
  part: '',
  step,
  tempo: 92.5,
  repeats: 8,
  seconds: 20.5,
  rating: null,
  tense: true,
  grid: '1/16',
  form: '1 + 1',
  note: 'left, heavy',
})

it('a log is written in order of time, with quotes where they are needed and no formulas', () => {
  const csv = formatSessions([session(86_400_000, 'a, "b"'), session(0, '=1+1')], () => 'Ring')
  expect(csv).toBe(
    'date,lick,step,form,grid,tempo,repeats,seconds,rating,tense,note\r\n' +
      '1970-01-01T00:00:00.000Z,Ring,\'=1+1,1 + 1,1/16,92.5,8,20.5,,tense,"left, heavy"\r\n' +
      '1970-01-02T00:00:00.000Z,Ring,"a, ""b""",1 + 1,1/16,92.5,8,20.5,,tense,"left, heavy"\r\n',
  )
})

it('guards semicolons too, and has no date where a calendar has none', () => {
  const csv = formatSessions([session(1e20, 'a;=cmd()|x;@b')], () => '-2+3')
  expect(csv.split('\r\n')[1]).toBe(
    ',\'-2+3,"a;\'=cmd()|x;\'@b",1 + 1,1/16,92.5,8,20.5,,tense,"left, heavy"',
  )
})
