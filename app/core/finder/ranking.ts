import type { FormClass } from './classes'
import type { CellForm } from './forms'
import type { Node, Some, WayGraph } from './graph'
import type { Scores } from './taste'

/** A form that can come next, where it leads, and the best score from here on that begins with it. */
interface Step {
  readonly form: CellForm
  readonly to: Node
  readonly score: number
  readonly promise: number
}

/** A path that is gone so far, with the step that it takes next, and the best that it can come to. */
interface Path {
  readonly before: Path | null
  readonly node: Node
  /** Which of the node's steps, the best first. */
  readonly rank: number
  /** The score up to the node. */
  readonly score: number
  readonly promise: number
  /** The order in which paths were thought of: of equal promise the latest goes on. */
  readonly made: number
}

/**
 * Paths through a graph in the order of their scores, without listing more than are asked for: from each node
 * the best score to the end is known, so that the path that promises most is gone on with, and what is complete
 * first is best (best-first search with an exact bound: P. E. Hart, N. J. Nilsson and B. Raphael, 1968, IEEE
 * Trans. Systems Science and Cybernetics 4, 100-107). The next best step of a node is thought of when the one
 * before it is taken.
 */
export class Ranking {
  /** Of each node the best score from it to the end. */
  private readonly bests: Float64Array
  private readonly steps = new Map<Node, readonly Step[]>()
  private readonly bestAt: number[][] = []
  private readonly inClass: number[][] = []

  constructor(
    private readonly graph: WayGraph,
    private readonly scores: Scores,
  ) {
    this.bests = this.bestScores()
  }

  /** Forms of every way, the best way first, each found when it is asked for. */
  *paths(): Generator<CellForm[]> {
    const open = new Heap()
    let made = 0
    const think = (before: Path | null, node: Node, rank: number, score: number) => {
      const step = this.stepsOf(node)[rank]
      if (!step) return
      made += 1
      open.push({ before, node, rank, score, promise: score + step.promise, made })
    }
    think(null, this.graph.root, 0, 0)
    for (let path = open.pop(); path; path = open.pop()) {
      const { before, node, rank, score } = path
      const { to, score: own } = this.stepsOf(node)[rank] as Step
      think(before, node, rank + 1, score)
      if (this.graph.isEnd(to)) yield this.formsOf(path)
      else think(path, to, 0, score + own)
    }
  }

  private formsOf(path: Path): CellForm[] {
    const forms: CellForm[] = []
    for (let one: Path | null = path; one; one = one.before)
      forms.push((this.stepsOf(one.node)[one.rank] as Step).form)
    return forms.reverse()
  }

  private bestScores(): Float64Array {
    const { graph, scores } = this
    const bests: number[] = []
    for (const node of graph.backwards()) {
      let best = graph.isEnd(node) && graph.leads(node) ? 0 : Number.NEGATIVE_INFINITY
      const place = graph.placeOf(node)
      const cell = graph.cellBefore(node)
      graph.eachEdge(node, (some, to) => {
        const rest = bests[to] as number
        if (rest === Number.NEGATIVE_INFINITY) return
        const own = scores.joins ? this.joinedBest(some, place, cell) : this.bestOf(some, place)
        if (own + rest > best) best = own + rest
      })
      bests[node] = best
    }
    return Float64Array.from(bests)
  }

  /** The best score of some forms at a place: the same at places at which all forms are liked alike. */
  private bestOf(some: Some, place: number): number {
    const phase = this.scores.phase(place)
    const known = this.bestAt[phase] ?? []
    this.bestAt[phase] = known
    let best = known[some.index]
    if (best === undefined) {
      best = some.classes.reduce(
        (most, one) => Math.max(most, this.bestInClass(one, place, phase)),
        Number.NEGATIVE_INFINITY,
      )
      known[some.index] = best
    }
    return best
  }

  private joinedBest({ classes }: Some, place: number, cell: number | null): number {
    const phase = this.scores.phase(place)
    return classes.reduce((most, one) => {
      // Where neighbours matter the forms of a class are of one cell.
      const join = this.scores.join(cell, one.forms[0]?.cell ?? -1)
      return Math.max(most, this.bestInClass(one, place, phase) + join)
    }, Number.NEGATIVE_INFINITY)
  }

  private bestInClass({ index, forms }: FormClass, place: number, phase: number): number {
    const known = this.inClass[phase] ?? []
    this.inClass[phase] = known
    let best = known[index]
    if (best === undefined) {
      best = forms.reduce(
        (most, form) => Math.max(most, this.scores.form(form, place)),
        Number.NEGATIVE_INFINITY,
      )
      known[index] = best
    }
    return best
  }

  private stepsOf(node: Node): readonly Step[] {
    let steps = this.steps.get(node)
    if (!steps) {
      const { graph, scores } = this
      const [place, cell] = [graph.placeOf(node), graph.cellBefore(node)]
      steps = graph
        .edgesOf(node)
        .flatMap(({ classes, to }) =>
          classes.flatMap(({ forms }) =>
            forms.map((form): Step => {
              const score = scores.form(form, place) + scores.join(cell, form.cell)
              return { form, to, score, promise: score + (this.bests[to] as number) }
            }),
          ),
        )
        .sort((a, b) => b.promise - a.promise || a.form.index - b.form.index)
      this.steps.set(node, steps)
    }
    return steps
  }
}

/** Paths, the most promising on top: a binary heap (J. W. J. Williams, 1964, Comm. ACM 7, 347-348). */
class Heap {
  private readonly paths: Path[] = []

  push(path: Path): void {
    const { paths } = this
    let at = paths.push(path) - 1
    while (at > 0) {
      const above = (at - 1) >> 1
      if (!goesFirst(path, paths[above] as Path)) break
      paths[at] = paths[above] as Path
      at = above
    }
    paths[at] = path
  }

  pop(): Path | undefined {
    const { paths } = this
    const [top] = paths
    const last = paths.pop()
    if (!last || paths.length === 0) return top
    let at = 0
    for (;;) {
      const left = at * 2 + 1
      if (left >= paths.length) break
      const right = left + 1
      const below =
        right < paths.length && goesFirst(paths[right] as Path, paths[left] as Path) ? right : left
      if (!goesFirst(paths[below] as Path, last)) break
      paths[at] = paths[below] as Path
      at = below
    }
    paths[at] = last
    return top
  }
}

function goesFirst(a: Path, b: Path): boolean {
  return a.promise > b.promise || (a.promise === b.promise && a.made > b.made)
}
