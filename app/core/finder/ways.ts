import { type Phrase, toPhrase } from '../changes'
import type { RandomStream } from '../foundation'
import { withAccents } from './accents'
import type { CellForm } from './forms'
import { WayGraph } from './graph'
import type { AccentWish, Question, Space } from './question'
import { Ranking } from './ranking'
import { distance, type Scores, scoresOf } from './taste'

/** One way to fill the space: groups in order, and how well it is liked. */
export interface Way {
  readonly phrase: Phrase
  /** The cell of each group. */
  readonly cells: readonly number[]
  readonly score: number
}

/** Ways that differ from each other, the best first. */
export interface Different {
  readonly ways: readonly Way[]
  /** Whether all were looked through, or as many found as were asked for. */
  readonly complete: boolean
}

/**
 * All ways that obey a question, counted and numbered without being listed.
 *
 * @throws TooLarge where the conditions have to know too many different things
 */
export class Ways {
  /** How many ways there are, exactly. */
  readonly count: bigint
  private readonly graph: WayGraph
  private readonly scores: Scores
  private readonly accents: AccentWish
  /** Slots of each beat, where groups are not what was asked for. */
  private readonly beats: readonly number[] | null

  constructor(question: Question) {
    this.accents = question.conditions.accents ?? { must: [], not: [] }
    this.beats = question.conditions.pattern ? beatsOf(question.space) : null
    this.graph = new WayGraph(question)
    this.scores = scoresOf(question.taste, question.space)
    this.count = question.space.slots.length > 0 ? this.graph.countOf(this.graph.root) : 0n
  }

  /**
   * The way with a number from 0, in an order that is the same every time.
   *
   * @throws RangeError for a number that none has
   */
  at(index: bigint): Way {
    if (index < 0n || index >= this.count)
      throw new RangeError(`way ${index}: must be 0 to ${this.count - 1n}`)
    const { graph } = this
    const forms: CellForm[] = []
    let rest = index
    let node = graph.root
    while (!graph.isEnd(node)) {
      for (const { classes, forms: alike, to } of graph.edgesOf(node)) {
        const ways = graph.countOf(to)
        if (rest >= BigInt(alike) * ways) {
          rest -= BigInt(alike) * ways
          continue
        }
        forms.push(classes.flatMap((one) => one.forms)[Number(rest / ways)] as CellForm)
        rest %= ways
        node = to
        break
      }
    }
    return this.toWay(forms)
  }

  /** A way drawn evenly from all; null where there is none. The same stream draws the same. */
  draw(random: RandomStream): Way | null {
    return this.count === 0n ? null : this.at(drawBelow(this.count, random))
  }

  /** All ways, the best first, each made when it is asked for; of equal scores in one order every time. */
  *inOrder(): Generator<Way> {
    if (this.count === 0n) return
    for (const forms of new Ranking(this.graph, this.scores).paths()) yield this.toWay(forms)
  }

  /**
   * The best so many ways of which each differs from each other in at least so many slots: of all ways in
   * order, each that differs so from those taken before it. Not more than `looked` ways are looked at.
   */
  best(most: number, apart = 0, looked = 20_000): Different {
    const ways: Way[] = []
    let seen = 0
    for (const way of this.inOrder()) {
      if (ways.length === most) return { ways, complete: true }
      if (seen === looked) return { ways, complete: false }
      seen += 1
      const { slots } = way.phrase
      if (ways.every((one) => distance(one.phrase.slots, slots) >= apart)) ways.push(way)
    }
    return { ways, complete: true }
  }

  private toWay(forms: readonly CellForm[]): Way {
    let at = 0
    let score = 0
    for (const [i, form] of forms.entries()) {
      score += this.scores.form(form, at) + this.scores.join(forms[i - 1]?.cell ?? null, form.cell)
      at += form.slots.length
    }
    const { must, not, put = false } = this.accents
    const slots = forms.flatMap((form) => form.slots)
    return {
      phrase: toPhrase(
        put ? withAccents(slots, must, not) : slots,
        this.beats ?? forms.map((form) => form.slots.length),
      ),
      cells: forms.map(({ cell }) => cell),
      score,
    }
  }
}

/** So many slots begin in each beat of a space, from its first. */
function beatsOf({ start, slots, beat }: Space): number[] {
  const groups: number[] = []
  let tick = start
  let last = Number.NaN
  for (const ticks of slots) {
    const at = Math.floor(tick / beat)
    if (at === last) groups[groups.length - 1] = (groups.at(-1) as number) + 1
    else groups.push(1)
    last = at
    tick += ticks
  }
  return groups
}

/** A whole number below another, evenly: digits of 32 bits are drawn until they are in reach. */
function drawBelow(bound: bigint, random: RandomStream): bigint {
  const digits = Math.ceil(bound.toString(2).length / 32)
  const reach = 1n << BigInt(digits * 32)
  const fair = reach - (reach % bound)
  for (;;) {
    let drawn = 0n
    for (let i = 0; i < digits; i += 1)
      drawn = (drawn << 32n) | BigInt(Math.floor(random() * 4_294_967_296))
    if (drawn < fair) return drawn % bound
  }
}
