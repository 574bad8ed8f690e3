import { type GridChange, MAX_BARS, MAX_SLOTS, MAX_STROKES } from '../line'
import type { SlotContent } from '../sticking'
import { type Grid, gridTicks, type Ticks } from '../time'
import type { Item, SourceSpan } from './read-items'
import type { Scanner } from './scanner'

/** What a typed line is read against. */
export interface LineContext {
  readonly grid: Grid
  readonly start: Ticks
  /** Ticks of a bar, for bar checks and the limit; null where there is no metre to check by. */
  readonly bar: Ticks | null
}

/** More steps than any line within the limits needs; stops a text that repeats bar checks. */
export const MAX_STEPS = 200_000

/** How far a line has been written out, where a piece of its text begins. */
export interface Progress {
  /** Where the piece begins, in characters. */
  readonly at: number
  readonly slots: number
  readonly groups: number
  readonly changes: number
  readonly grid: Grid
  readonly tick: Ticks
  readonly strokes: number
  readonly steps: number
  /** Bar checks that have been made. */
  readonly checks: number
}

/** What a text has been written out to: slots, the place of each in the text, and the rulers over them. */
export interface Written {
  readonly slots: readonly SlotContent[]
  readonly spans: readonly SourceSpan[]
  readonly groups: readonly number[]
  readonly changes: readonly GridChange[]
}

/** Writes repeats out while keeping the running grid, tick and group. */
export class Expansion {
  private readonly slots: SlotContent[]
  private readonly spans: SourceSpan[]
  private readonly groups: number[]
  private readonly changes: GridChange[]
  private readonly missed = new Set<number>()
  private grid: Grid
  private tick: Ticks
  private inGroup = 0
  private steps: number
  private strokes: number
  private checks: number
  private stopped = false

  /** Begins at the start of a line, or where it had come to before: as far as `end` says, of what was written. */
  constructor(
    private readonly scanner: Scanner,
    private readonly context: LineContext,
    before: { readonly written: Written; readonly end: Progress } | null = null,
  ) {
    const { written, end } = before ?? {}
    this.slots = written?.slots.slice(0, end?.slots) ?? []
    this.spans = written?.spans.slice(0, end?.slots) ?? []
    this.groups = written?.groups.slice(0, end?.groups) ?? []
    this.changes = written?.changes.slice(0, end?.changes) ?? []
    this.grid = end?.grid ?? context.grid
    this.tick = end?.tick ?? context.start
    this.steps = end?.steps ?? 0
    this.strokes = end?.strokes ?? 0
    this.checks = end?.checks ?? 0
  }

  get written(): Written {
    const { slots, spans, groups, changes } = this
    return { slots, spans, groups, changes }
  }

  /** How far it is, between two pieces of the text. */
  progress(at: number): Progress {
    const { grid, tick, steps, strokes, checks } = this
    const [slots, groups, changes] = [this.slots.length, this.groups.length, this.changes.length]
    return { at, slots, groups, changes, grid, tick, strokes, steps, checks }
  }

  /** Goes on by what a piece says; `repeat` is where it is told to do so again. */
  expand(items: readonly Item[], repeat?: SourceSpan): void {
    for (const item of items) {
      this.steps += 1
      if (this.steps > MAX_STEPS) this.stop('too-many-slots', repeat, 'fewer repeats')
      if (this.stopped) return
      switch (item.kind) {
        case 'slot':
          this.addSlot(item.content, item.span, repeat)
          break
        case 'plain':
          this.addPlain(item.contents, item.from, repeat)
          break
        case 'grid':
          this.grid = item.grid
          this.changes.push({ at: this.slots.length, grid: item.grid })
          break
        case 'bar-check':
          this.checkBar(item.span)
          break
        case 'group-end':
          this.groups.push(this.inGroup)
          this.inGroup = 0
          break
        case 'repeat':
          for (let time = 0; time < item.times && !this.stopped; time += 1) {
            this.expand(item.items, item.span)
          }
          break
      }
    }
  }

  /** Slots of a letter each: at once where none of them is over a limit, else one by one. */
  private addPlain(
    contents: readonly SlotContent[],
    from: number,
    repeat: SourceSpan | undefined,
  ): void {
    const { bar } = this.context
    const count = contents.length
    const end = this.tick + count * gridTicks(this.grid)
    const within =
      this.slots.length + count <= MAX_SLOTS &&
      this.strokes + count <= MAX_STROKES &&
      (bar === null || end <= MAX_BARS * bar)
    this.steps += count - 1
    for (let i = 0; i < count && !this.stopped; i += 1) {
      const content = contents[i] as SlotContent
      const span = { from: from + i, to: from + i + 1 }
      if (!within) this.addSlot(content, span, repeat)
      else {
        this.slots.push(content)
        this.spans.push(span)
        if (content.kind !== 'rest') this.strokes += 1
      }
    }
    if (!within) return
    this.inGroup += count
    this.tick = end
  }

  private addSlot(content: SlotContent, span: SourceSpan, repeat: SourceSpan | undefined): void {
    const { bar } = this.context
    if (this.slots.length >= MAX_SLOTS) {
      this.stop('too-many-slots', repeat ?? span, `at most ${MAX_SLOTS} slots in a line`)
      return
    }
    this.strokes += strokesIn(content)
    if (this.strokes > MAX_STROKES) {
      this.stop('too-many-slots', repeat ?? span, `at most ${MAX_STROKES} strokes in a line`)
      return
    }
    this.slots.push(content)
    this.spans.push(span)
    this.inGroup += 1
    this.tick += gridTicks(this.grid)
    if (bar !== null && this.tick > MAX_BARS * bar) {
      this.stop('too-many-bars', repeat ?? span, `a line of at most ${MAX_BARS} bars`)
    }
  }

  private checkBar(span: SourceSpan): void {
    const { bar } = this.context
    this.checks += 1
    if (bar === null || this.tick % bar === 0 || this.missed.has(span.from)) return
    this.missed.add(span.from)
    const over = this.tick % bar
    const slot = gridTicks(this.grid)
    const expected =
      over <= bar / 2
        ? `the barline ${asSlots(over / slot)} earlier`
        : `the barline ${asSlots((bar - over) / slot)} later`
    this.scanner.report('bar-check', span.from, expected, span.to)
  }

  private stop(
    code: 'too-many-slots' | 'too-many-bars',
    span: SourceSpan | undefined,
    expected: string,
  ): void {
    if (this.stopped) return
    this.stopped = true
    this.scanner.report(code, span?.from ?? 0, expected, span?.to)
  }
}

/** How many strokes a slot has. */
function strokesIn(content: SlotContent): number {
  if (content.kind === 'rest') return 0
  if (content.kind === 'struck') return content.strokes.length
  return content.parts.reduce((sum, part) => sum + strokesIn(part), 0)
}

function asSlots(count: number): string {
  const rounded = Math.round(count * 100) / 100
  return rounded === 1 ? '1 slot' : `${rounded} slots`
}
