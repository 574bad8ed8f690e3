import { describe, expect, it } from 'vitest'
import { LateValue } from './late-value'

/** A fetch that is answered at will. */
function fetchAtWill() {
  const answers: { resolve: (value: string) => void; reject: (error: unknown) => void }[] = []
  const late = new LateValue<string>(
    () => new Promise<string>((resolve, reject) => answers.push({ resolve, reject })),
  )
  return { late, answers }
}
const settled = () => new Promise((resolve) => setTimeout(resolve))

describe('a value that is fetched when it is needed', () => {
  it('is asked for once, however many listen, and told to all', async () => {
    const { late, answers } = fetchAtWill()
    const told: string[] = []
    late.subscribe(() => told.push('a'))
    late.subscribe(() => told.push('b'))
    expect([answers.length, late.state().kind]).toEqual([1, 'waiting'])
    answers[0]?.resolve('here')
    await settled()
    expect([told, late.state()]).toEqual([['a', 'b'], { kind: 'here', value: 'here' }])
    late.subscribe(() => told.push('c'))
    expect(answers).toHaveLength(1)
  })

  it('is there for who looked before it came and listens after', async () => {
    const { late, answers } = fetchAtWill()
    void late.preload()
    const seen = late.state().kind
    answers[0]?.resolve('here')
    await settled()
    late.subscribe(() => {})
    expect([seen, late.state().kind]).toEqual(['waiting', 'here'])
  })

  it('is asked for again after it failed, by the next who comes', async () => {
    const { late, answers } = fetchAtWill()
    const leave = late.subscribe(() => {})
    answers[0]?.reject('offline')
    await settled()
    expect(late.state()).toEqual({ kind: 'failed', error: 'offline' })
    leave()
    late.subscribe(() => {})
    expect([late.state().kind, answers.length]).toEqual(['waiting', 2])
    answers[1]?.resolve('here')
    await settled()
    expect(late.state().kind).toBe('here')
  })

  it('is waited for by who comes after it could not be fetched beforehand', async () => {
    const { late, answers } = fetchAtWill()
    void late.preload()
    answers[0]?.reject('offline')
    await settled()
    expect(late.state().kind).toBe('waiting')
    late.subscribe(() => {})
    answers[1]?.resolve('here')
    await settled()
    expect([answers.length, late.state().kind]).toEqual([2, 'here'])
  })
})
