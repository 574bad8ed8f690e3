import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { frameOf, parseQuestion, toQuestion } from '~/codecs/question'
import { Ways } from '~/core/finder'
import type { Lick } from '~/core/line'
import { DEFAULT_SETTING } from '~/core/playability'
import { allWays } from '../support/all-ways'

const ROW = /^\| (.+?) \| `(.+)` \| (\d+) \|$/gm
const rows = [...readFileSync('docs/finder.md', 'utf8').matchAll(ROW)]

describe('the table of questions', () => {
  it('has twenty-four', () => {
    expect(rows).toHaveLength(24)
  })

  it.each(rows.map(([, name = '', data = '', count = '']) => ({ name, data, count })))(
    'is right, by the finder and by trying all: $name',
    ({ data, count }) => {
      const written = parseQuestion(data)
      if (!written.ok) throw new Error(written.error)
      const question = toQuestion(written.value, DEFAULT_SETTING)
      if (!question.ok) throw new Error(question.error.code)
      const { grid } = (frameOf(written.value) as Lick).frame
      const slots = question.value.space.slots.length
      expect(String(new Ways(question.value).count)).toBe(count)
      expect(String(allWays(question.value, [[grid, slots]]).length)).toBe(count)
    },
  )
})
