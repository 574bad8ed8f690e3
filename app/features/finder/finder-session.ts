import { packQuestion, type WrittenQuestion } from '~/codecs/question'
import type { Door } from '~/core/finder'
import type { PlayContext } from '~/core/playability'
import type { FoundWay, FoundWays, WayPick } from '~/workers'

/** What a session asks: the worker, or a stand-in. */
export interface FinderPort {
  ask(job: 'find-ways', input: FinderInput & { most: number }): Promise<FoundWays>
  ask(job: 'pick-way', input: FinderInput & { pick: WayPick }): Promise<FoundWay | null>
  ask(job: 'list-ways', input: FinderInput & { most: number }): Promise<readonly FoundWay[]>
  ask(job: 'open-door', input: FinderInput): Promise<Door>
  close(): void
}
interface FinderInput {
  readonly written: WrittenQuestion
  readonly setting: PlayContext
  readonly known: readonly string[]
}

/** A fill that was picked out of all: by the seed that draws it again, or by its number. */
export interface Picked {
  readonly pick: WayPick
  readonly way: FoundWay
}

/** What is known of the question that was asked last. */
export interface FinderState {
  readonly asking: boolean
  /** What it comes to; null until that is known. */
  readonly found: FoundWays | null
  /** What opens where nothing obeys it; null until that is known. */
  readonly door: Door | null
  readonly picked: Picked | null
  /** What the worker said went wrong; empty while nothing did. */
  readonly trouble: string
}

const STILL: FinderState = { asking: false, found: null, door: null, picked: null, trouble: '' }

/** So many fills are listed, and patterns of a rule. */
const MOST = 24
const MOST_PATTERNS = 128

/**
 * Asks the finder one question at a time, without React. A new question drops the one that is being answered,
 * with the worker that is at it; what comes late of an old one is not shown.
 */
export class FinderSession {
  private state = STILL
  private port: FinderPort | null = null
  private busy = 0
  private asked = ''
  private input: FinderInput | null = null
  private wanted: WayPick | null = null
  private readonly heard = new Set<() => void>()

  constructor(private readonly start: () => FinderPort) {}

  readonly read = (): FinderState => this.state

  readonly subscribe = (listener: () => void): (() => void) => {
    this.heard.add(listener)
    return () => this.heard.delete(listener)
  }

  /** Asks a question, unless it is the one that was asked last; `known` are the lines that it may be to differ from. */
  async ask(
    written: WrittenQuestion,
    setting: PlayContext,
    known: readonly string[] = [],
  ): Promise<void> {
    const input = { written, setting, known }
    const asked = packQuestion(written) + JSON.stringify([setting, known])
    if (asked === this.asked) return
    this.asked = asked
    this.input = input
    this.drop()
    this.set({ ...STILL, asking: true })
    const found = await this.answer(asked, (port) =>
      port.ask('find-ways', { ...input, most: written.pattern ? MOST_PATTERNS : MOST }),
    )
    if (!found) return
    this.set({ ...STILL, found, asking: found.count === 0n })
    if (found.count > 0n) return
    const door = await this.answer(asked, (port) => port.ask('open-door', input))
    if (door) this.set({ ...this.state, door, asking: false })
  }

  /** Picks one fill of all that obey the question; null for none. The last one that is asked for counts. */
  async pick(pick: WayPick | null): Promise<void> {
    const { asked, input } = this
    this.wanted = pick
    if (!pick) return this.set({ ...this.state, picked: null })
    if (!input) return
    const way = await this.answer(asked, (port) => port.ask('pick-way', { ...input, pick }))
    if (way && this.wanted === pick) this.set({ ...this.state, picked: { pick, way } })
  }

  /** All fills that obey the question, no more than so many, in the order of their numbers; null where that went wrong. */
  async list(most: number): Promise<readonly FoundWay[] | null> {
    const { asked, input } = this
    return input && this.answer(asked, (port) => port.ask('list-ways', { ...input, most }))
  }

  /** Forgets the question: nothing is asked, and nothing shown. */
  clear(): void {
    this.asked = ''
    this.input = null
    this.drop()
    this.set(STILL)
  }

  close(): void {
    this.port?.close()
    this.port = null
    this.busy = 0
    this.asked = ''
  }

  /** What the worker answers while the question is still this one; null where it is not, or went wrong. */
  private async answer<T>(asked: string, ask: (port: FinderPort) => Promise<T>): Promise<T | null> {
    this.port ??= this.start()
    const { port } = this
    this.busy += 1
    try {
      const answered = await ask(port)
      return asked === this.asked ? answered : null
    } catch (error) {
      if (asked === this.asked && port === this.port)
        this.set({ ...STILL, trouble: error instanceof Error ? error.message : String(error) })
      return null
    } finally {
      if (port === this.port) this.busy -= 1
    }
  }

  /** Ends a worker that is at something that is not wanted any more. */
  private drop(): void {
    if (this.busy === 0) return
    this.port?.close()
    this.port = null
    this.busy = 0
  }

  private set(state: FinderState): void {
    this.state = state
    for (const listener of this.heard) listener()
  }
}
