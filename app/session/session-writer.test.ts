import { describe, expect, it } from 'vitest'
import type { PracticeSessionRecord } from '~/storage'
import { SessionWriter } from './session-writer'

const session = (id: string, seconds: number) =>
  ({ id, seconds }) as unknown as PracticeSessionRecord

describe('sessions as they go on', () => {
  it('have a saver each, which is let go when the next begins', () => {
    const said: string[] = []
    const writer = new SessionWriter({
      open: (id) => {
        said.push(`open ${id}`)
        return { id, change: ({ seconds }) => void said.push(`${id} ${seconds}`) }
      },
      close: ({ id }) => void said.push(`close ${id}`),
    })
    writer.save(session('a', 1))
    writer.save(session('a', 2))
    writer.save(session('b', 1))
    writer.close()
    writer.close()
    expect(said).toEqual(['open a', 'a 1', 'a 2', 'close a', 'open b', 'b 1', 'close b'])
  })
})
