import { classesOf, type FormClass, startOf, tableOf } from './classes'
import { watchersOf } from './compile'
import { type CellForm, formsOf, TooLarge } from './forms'
import type { Question } from './question'
import { REFUSED, type Watcher } from './watcher'

/** A place between groups and all that the conditions know there, by its number. */
export type Node = number

/** What leads from one node to another. */
export interface Edge {
  readonly classes: readonly FormClass[]
  /** How many forms these are. */
  readonly forms: number
  readonly to: Node
}

/** What the conditions know between two groups: of each watcher its state, wherever that is. */
interface Joint {
  readonly index: number
  readonly states: readonly number[]
  /** The cell of the group before; null at the start. One, where a condition or a taste looks at it. */
  readonly cell: number | null
  /** Where each length leads, and by which forms; made when it is first asked for. */
  moves: readonly Move[] | null
}
interface Move extends Some {
  readonly length: number
  readonly to: Joint
}
type Branch = Map<number, Branch | Joint>
/** Classes that lead to one node, and how many forms these are. */
export interface Some {
  /** Its place among all that are told apart. */
  readonly index: number
  readonly classes: readonly FormClass[]
  readonly forms: number
}

/** More nodes than this are not kept: a question that needs more is not answered. */
export const MAX_NODES = 400_000
/** Nodes with what leads from them: what is gone through to count. */
export const MAX_EDGES = 12_000_000

/** Numbers are counted in digits of 32 bits, each in a float: sums of many stay exact until they are carried. */
const DIGIT = 2 ** 32

/**
 * All ways that obey a question as a graph from the start to the end of its space. What can be reached is made
 * forwards; then, from the end on, ways are counted: the ways from a node are the sum over what can come next.
 * What leads nowhere has none.
 *
 * @throws TooLarge where the conditions have to know too many different things
 */
export class WayGraph {
  /** The start; its ways are all. */
  readonly root: Node = 0
  readonly classes: readonly FormClass[]
  /** What knows something of the groups before; what only looks at places is apart. */
  private readonly watchers: readonly Watcher[]
  private readonly length: number
  private readonly joints: Branch = new Map()
  private known = 0
  private readonly next: number[] = []
  /** Of each node its place and its joint. */
  private readonly places: number[] = []
  private readonly jointOf: Joint[] = []
  /** For each place the node of each joint; -1 for none. */
  private readonly rows: Int32Array[]
  /** Whether a form leads elsewhere at another place: where the space has slots of several lengths. */
  private readonly uneven: boolean
  /** Of each watcher that looks at no place: where each class leads from each of its states. */
  private readonly tables: readonly (Int32Array | null)[]
  /** For each place the classes that may stand there; null where all may. */
  private readonly open: readonly (ReadonlySet<FormClass> | null)[]
  /** Whether the last group may be a form that is cut. */
  private readonly cuts: boolean
  /** What each condition knows where a fill begins. */
  private readonly starts: readonly number[]
  private readonly digits: number
  /** Of each node its ways to the end. */
  private readonly counts: Float64Array
  /** Nodes in order of place; of each node its first edge, of each edge where it leads and by what. */
  private readonly order: Node[] = []
  private readonly firstEdge: number[] = []
  private readonly lastEdge: number[] = []
  private readonly ends = new Numbers()
  private readonly kinds = new Numbers()
  private readonly somes: Some[] = []

  constructor(question: Question) {
    const all = watchersOf(question)
    this.watchers = all.filter(({ free }) => !free)
    this.uneven = this.watchers.some(({ placed }) => placed)
    this.length = question.space.slots.length
    this.rows = Array.from({ length: this.length + 1 }, () => new Int32Array(0))
    const starts = new Map(all.map((one) => [one, startOf(one, question.before)]))
    this.starts = this.watchers.map((one) => starts.get(one) ?? 0)
    const forms = formsOf(question.cells, question.forms, this.length)
    this.classes = classesOf(forms, starts, this.length)
    this.tables = this.watchers.map((one, i) =>
      one.placed ? null : tableOf(one, this.classes, this.starts[i] as number),
    )
    this.cuts = question.forms.cut
    this.open = this.openAt(all.filter(({ free }) => free))
    this.reach()
    this.digits = digitsFor(this.classes, this.length)
    this.counts = new Float64Array(this.places.length * this.digits)
    for (const node of this.backwards()) this.count(node)
  }

  /** Ways from a node to the end. */
  countOf(node: Node): bigint {
    let count = 0n
    for (let i = this.digits - 1; i >= 0; i -= 1)
      count = count * BigInt(DIGIT) + BigInt(this.counts[node * this.digits + i] as number)
    return count
  }

  /** Whether a node is the end. */
  isEnd(node: Node): boolean {
    return this.placeOf(node) === this.length
  }

  /** The slot that comes next at a node. */
  placeOf(node: Node): number {
    return this.places[node] as number
  }

  /** The cell of the group before a node; null at the start. */
  cellBefore(node: Node): number | null {
    return this.jointOf[node]?.cell ?? null
  }

  /** Nodes from the end to the start: what leads from one is among those before it. */
  *backwards(): Generator<Node> {
    for (let i = this.order.length - 1; i >= 0; i -= 1) yield this.order[i] as Node
  }

  /** What can come next at a node, as far as it leads to an end. */
  edgesOf(node: Node): Edge[] {
    const edges: Edge[] = []
    this.eachEdge(node, (some, to) => {
      if (this.leads(to)) edges.push({ classes: some.classes, forms: some.forms, to })
    })
    return edges
  }

  /** Goes through what can come next at a node, whether it leads to an end or not. */
  eachEdge(node: Node, visit: (some: Some, to: Node) => void): void {
    const last = this.lastEdge[node] as number
    for (let edge = this.firstEdge[node] as number; edge < last; edge += 1)
      visit(this.somes[this.kinds.at(edge)] as Some, this.ends.at(edge))
  }

  /** Whether any way leads from a node to the end. */
  leads(node: Node): boolean {
    for (let i = 0; i < this.digits; i += 1)
      if (this.counts[node * this.digits + i] !== 0) return true
    return false
  }

  /** Makes the nodes that can be reached, place by place, and what leads from them. */
  private reach(): void {
    const waiting: Node[][] = Array.from({ length: this.length + 1 }, () => [])
    waiting[0]?.push(this.nodeAt(0, this.joint(this.starts, null)))
    for (let at = 0; at <= this.length; at += 1) {
      const open = this.open[at]
      const left = this.length - at
      for (const node of waiting[at] as Node[]) {
        this.firstEdge[node] = this.ends.length
        this.order.push(node)
        const moves = left > 0 ? this.movesFrom(this.jointOf[node] as Joint, at) : []
        for (const move of moves) {
          if (move.length > left) continue
          // What is left of a form stands at the end alone.
          const whole = this.cuts && move.length < left ? this.only(move, isWhole) : move
          const some = open ? this.only(whole, (one) => open.has(one)) : whole
          if (some.classes.length === 0) continue
          const known = this.places.length
          const to = this.nodeAt(at + move.length, move.to)
          if (to === known) waiting[at + move.length]?.push(to)
          this.ends.push(to)
          this.kinds.push(some.index)
        }
        this.lastEdge[node] = this.ends.length
        if (this.ends.length > MAX_EDGES || this.places.length > MAX_NODES)
          throw new TooLarge(this.largest())
      }
    }
  }

  /** The condition that has to know the most different things. */
  private largest(): string {
    const sizes = this.tables.map((table) => table?.length ?? 0)
    return this.watchers[sizes.indexOf(Math.max(...sizes))]?.of ?? 'uses'
  }

  private only(some: Some, wanted: (one: FormClass) => boolean): Some {
    const classes = some.classes.filter(wanted)
    if (classes.length === some.classes.length) return some
    const fewer = { index: this.somes.length, classes, forms: sizeOf(classes) }
    this.somes.push(fewer)
    return fewer
  }

  private nodeAt(at: number, joint: Joint): Node {
    let row = this.rows[at] as Int32Array
    if (joint.index >= row.length) {
      row = new Int32Array(Math.max(64, (joint.index + 1) * 2)).fill(-1)
      row.set(this.rows[at] as Int32Array)
      this.rows[at] = row
    }
    let node = row[joint.index] as number
    if (node < 0) {
      node = this.places.push(at) - 1
      this.jointOf.push(joint)
      row[joint.index] = node
    }
    return node
  }

  private joint(states: readonly number[], cell: number | null): Joint {
    // A tree with a branch for each state of each watcher.
    let branch = this.joints
    const last = states.length - 1
    for (let i = 0; i < last; i += 1) {
      const state = states[i] as number
      let next = branch.get(state) as Branch | undefined
      if (!next) {
        next = new Map()
        branch.set(state, next)
      }
      branch = next
    }
    const end = states[last] ?? 0
    let joint = branch.get(end) as Joint | undefined
    if (!joint) {
      joint = { index: this.known, states: [...states], cell, moves: null }
      this.known += 1
      branch.set(end, joint)
    }
    return joint
  }

  /** Where forms lead from a joint: known once, wherever it is, unless slots are uneven. */
  private movesFrom(joint: Joint, at: number): readonly Move[] {
    if (this.uneven) return this.reckon(joint, at)
    joint.moves ??= this.reckon(joint, 0)
    return joint.moves
  }

  private reckon({ states }: Joint, at: number): Move[] {
    const moves = new Map<Joint, Move & { classes: FormClass[]; forms: number }>()
    const left = this.length - at
    let length = 0
    const found: Move[] = []
    // Classes are in order of their lengths.
    for (const one of this.classes) {
      if (one.length > left) continue
      if (one.length !== length) moves.clear()
      length = one.length
      if (!this.after(states, one, at)) continue
      const to = this.joint(this.next, one.forms[0]?.cell ?? null)
      const known = moves.get(to)
      if (known) {
        known.classes.push(one)
        known.forms += one.forms.length
        continue
      }
      const move = {
        index: this.somes.length,
        length,
        to,
        classes: [one],
        forms: one.forms.length,
      }
      this.somes.push(move)
      moves.set(to, move)
      found.push(move)
    }
    return found
  }

  /** Puts into `next` of each watcher its state after a form; false where one of them refuses it. */
  private after(states: readonly number[], one: FormClass, at: number): boolean {
    const { next } = this
    for (let i = 0; i < states.length; i += 1) {
      const state = states[i] as number
      const table = this.tables[i]
      const to = table
        ? (table[state * this.classes.length + one.index] as number)
        : (this.watchers[i] as Watcher).over(state, one.forms[0] as CellForm, at)
      if (to === REFUSED) return false
      next[i] = to
    }
    return true
  }

  private count(node: Node): void {
    const { counts, digits } = this
    const from = node * digits
    if (this.isEnd(node)) {
      const { states } = this.jointOf[node] as Joint
      const ends = this.watchers.every((watcher, i) => watcher.ends(states[i] as number))
      counts[from] = ends ? 1 : 0
      return
    }
    const last = this.lastEdge[node] as number
    for (let edge = this.firstEdge[node] as number; edge < last; edge += 1) {
      const { forms } = this.somes[this.kinds.at(edge)] as Some
      const to = this.ends.at(edge) * digits
      for (let i = 0; i < digits; i += 1)
        counts[from + i] = (counts[from + i] as number) + forms * (counts[to + i] as number)
    }
    for (let i = 0; i < digits; i += 1) {
      const carried = Math.floor((counts[from + i] as number) / DIGIT)
      counts[from + i] = (counts[from + i] as number) - carried * DIGIT
      if (i + 1 < digits) counts[from + i + 1] = (counts[from + i + 1] as number) + carried
    }
  }

  private openAt(watchers: readonly Watcher[]): (ReadonlySet<FormClass> | null)[] {
    return Array.from({ length: this.length }, (_, at) => {
      const fitting = this.classes.filter(({ length }) => at + length <= this.length)
      const open = fitting.filter(({ forms: [form] }) =>
        watchers.every((watcher) => watcher.over(0, form as CellForm, at) !== REFUSED),
      )
      return open.length === fitting.length ? null : new Set(open)
    })
  }
}

/** Whole numbers in order, as many as come. */
class Numbers {
  length = 0
  private list = new Int32Array(1024)

  push(number: number): void {
    if (this.length === this.list.length) {
      const longer = new Int32Array(this.list.length * 2)
      longer.set(this.list)
      this.list = longer
    }
    this.list[this.length] = number
    this.length += 1
  }

  at(index: number): number {
    return this.list[index] as number
  }
}

/** Digits that hold the ways of filling a length with forms under no condition. */
function digitsFor(classes: readonly FormClass[], length: number): number {
  const ways: bigint[] = [1n]
  for (let at = 1; at <= length; at += 1) {
    ways[at] = classes.reduce((sum, { length: size, forms }) => {
      const before = ways[at - size]
      return before === undefined ? sum : sum + BigInt(forms.length) * before
    }, 0n)
  }
  const bits = Math.max(...ways.map((count) => count.toString(16).length * 4))
  return Math.ceil((bits + 1) / 32)
}

function isWhole({ forms: [form] }: FormClass): boolean {
  return form?.cut === false
}

function sizeOf(classes: readonly FormClass[]): number {
  return classes.reduce((sum, { forms }) => sum + forms.length, 0)
}
