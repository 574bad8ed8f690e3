import { describe, expect, it } from 'vitest'
import type { Door } from '~/core/finder'
import { DEFAULT_SETTING } from '~/core/playability'
import type { FoundWay, FoundWays } from '~/workers'
import { type FinderPort, FinderSession } from './finder-session'
import { FIRST_QUESTION, withConditions } from './question-edits'

const WAY: FoundWay = { line: 'RLK', score: 0, limit: 120, free: 'both', kicks: 1, unlike: null }
const found = (count: bigint): FoundWays => ({ count, slots: 16, ways: [WAY], complete: true })
const DOOR: Door = { openings: [{ without: ['runs'], count: 3n }], lengths: [] }

/** A worker whose answers come when they are told to. */
class Port implements FinderPort {
  readonly asked: string[] = []
  closed = false
  private readonly waiting: {
    job: string
    done: (answer: never) => void
    fail: (error: Error) => void
  }[] = []

  ask(job: string): Promise<never> {
    this.asked.push(job)
    return new Promise((done, fail) => this.waiting.push({ job, done, fail }))
  }
  close() {
    this.closed = true
    for (const { fail } of this.waiting.splice(0)) fail(new Error('cancelled'))
  }
  async answer(answer: unknown) {
    this.waiting.shift()?.done(answer as never)
    await settled()
  }
  async fail(message: string) {
    this.waiting.shift()?.fail(new Error(message))
    await settled()
  }
}
const settled = async () => {
  for (let i = 0; i < 5; i += 1) await Promise.resolve()
}

function session() {
  const ports: Port[] = []
  const one = new FinderSession(() => {
    ports.push(new Port())
    return ports.at(-1) as Port
  })
  const ask = (runs: number) => {
    void one.ask(withConditions(FIRST_QUESTION, { runs }), DEFAULT_SETTING)
  }
  return { one, ports, ask }
}

describe('a session with the finder', () => {
  it('tells what a question comes to, and asks the same one once', async () => {
    const { one, ports, ask } = session()
    ask(2)
    expect(one.read().asking).toBe(true)
    ask(2)
    await ports[0]?.answer(found(5n))
    expect(one.read()).toMatchObject({ asking: false, found: { count: 5n }, door: null })
    expect(ports[0]?.asked).toEqual(['find-ways'])
  })

  it('drops what is being answered when another question comes, and never shows it', async () => {
    const { one, ports, ask } = session()
    ask(1)
    ask(2)
    expect(ports).toHaveLength(2)
    expect(ports[0]?.closed).toBe(true)
    await ports[0]?.answer(found(1n))
    expect(one.read()).toMatchObject({ asking: true, found: null, trouble: '' })
    await ports[1]?.answer(found(2n))
    expect(one.read().found?.count).toBe(2n)
  })

  it('does not take an answer that comes in the moment of another question', async () => {
    const { one, ports, ask } = session()
    ask(1)
    void ports[0]?.answer(found(1n))
    ask(2)
    await settled()
    expect(one.read()).toMatchObject({ asking: true, found: null })
  })

  it('shows nothing of the last question while the next is counted, and keeps the worker that is idle', async () => {
    const { one, ports, ask } = session()
    ask(1)
    await ports[0]?.answer(found(1n))
    ask(2)
    expect(one.read()).toMatchObject({ asking: true, found: null })
    expect(ports).toHaveLength(1)
  })

  it('asks what shuts the door where there is no way', async () => {
    const { one, ports, ask } = session()
    ask(1)
    await ports[0]?.answer(found(0n))
    expect(one.read()).toMatchObject({ asking: true, door: null })
    await ports[0]?.answer(DOOR)
    expect(one.read()).toMatchObject({ asking: false, door: DOOR })
    expect(ports[0]?.asked).toEqual(['find-ways', 'open-door'])
  })

  it('says what went wrong, and asks again', async () => {
    const { one, ports, ask } = session()
    ask(1)
    await ports[0]?.fail('kicks')
    expect(one.read()).toMatchObject({ asking: false, found: null, trouble: 'kicks' })
    ask(2)
    await ports[0]?.answer(found(2n))
    expect(one.read()).toMatchObject({ found: { count: 2n }, trouble: '' })
  })

  it('picks out of the question that stands, the last pick counts, and goes with the question', async () => {
    const { one, ports, ask } = session()
    const seed = (n: number) => ({ kind: 'seed', seed: n }) as const
    const third = { kind: 'number', number: 3n } as const
    await one.pick(seed(7))
    expect(ports).toHaveLength(0)
    ask(1)
    await ports[0]?.answer(found(9n))
    const drawn = seed(8)
    void one.pick(drawn)
    await ports[0]?.answer(WAY)
    expect(one.read().picked).toEqual({ pick: drawn, way: WAY })
    // The first answer comes when another is wanted.
    void one.pick(seed(9))
    void one.pick(third)
    await ports[0]?.answer({ ...WAY, line: 'LLL' })
    expect(one.read().picked?.pick).toBe(drawn)
    await ports[0]?.answer({ ...WAY, line: 'RRR' })
    expect(one.read().picked).toEqual({ pick: third, way: { ...WAY, line: 'RRR' } })
    await one.pick(null)
    expect(one.read().picked).toBeNull()
    void one.pick(third)
    ask(2)
    await ports[0]?.answer(WAY)
    expect(one.read().picked).toBeNull()
  })

  it('lists all by their numbers while the question stands', async () => {
    const { one, ports, ask } = session()
    expect(await one.list(5)).toBeNull()
    ask(1)
    await ports[0]?.answer(found(2n))
    const listed = one.list(5)
    await ports[0]?.answer([WAY, WAY])
    expect(await listed).toEqual([WAY, WAY])
    const late = one.list(5)
    ask(2)
    await ports[0]?.answer([WAY])
    expect(await late).toBeNull()
  })

  it('tells who listens, and is silent when it is cleared', async () => {
    const { one, ports, ask } = session()
    let told = 0
    const stop = one.subscribe(() => {
      told += 1
    })
    ask(1)
    one.clear()
    expect(one.read()).toMatchObject({ asking: false, found: null, trouble: '' })
    expect(ports[0]?.closed).toBe(true)
    expect(told).toBe(2)
    stop()
    one.clear()
    expect(told).toBe(2)
    one.close()
  })
})
