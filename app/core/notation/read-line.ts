import { fail, ok, type Result } from '../foundation'
import {
  type GridChange,
  type Line,
  MAX_BARS,
  MAX_SLOTS,
  MAX_STROKES,
  normalGridChanges,
} from '../line'
import type { SlotContent } from '../sticking'
import { type Grid, gridTicks, type Ticks } from '../time'
import type { NotationIssue } from './issue'
import { type Item, readItems, type SourceSpan } from './read-items'
import { Scanner } from './scanner'

/** What a typed line is read against. */
export interface LineContext {
  readonly grid: Grid
  readonly start: Ticks
  /** Ticks of a bar, for bar checks and the limit; null where there is no metre to check by. */
  readonly bar: Ticks | null
}

/** A line, and for each of its slots the place in the typed text that it came from. */
export interface LineReading {
  readonly line: Line
  readonly spans: readonly SourceSpan[]
}

/** More steps than any line within the limits needs; stops a text that repeats bar checks. */
const MOST_STEPS = 200_000

/**
 * Reads a typed line, whole or not at all; all its faults are told with their offsets.
 * Line breaks count as spaces. Example: `RLLRK*2 RL` has 12 slots in groups of 5 5 2.
 */
export function parseLine(
  text: string,
  context: LineContext,
): Result<LineReading, NotationIssue[]> {
  const scanner = new Scanner(text)
  const items = readItems(scanner)
  const reading = new Expansion(scanner, context).run(items)
  if (scanner.issues.length > 0) {
    return fail(scanner.issues.slice().sort((a, b) => a.at - b.at))
  }
  return ok(reading)
}

/** Writes repeats out while keeping the running grid, tick and group. */
class Expansion {
  private readonly slots: SlotContent[] = []
  private readonly spans: SourceSpan[] = []
  private readonly groups: number[] = []
  private readonly changes: GridChange[] = []
  private readonly missed = new Set<number>()
  private grid: Grid
  private tick: Ticks
  private inGroup = 0
  private steps = 0
  private strokes = 0
  private stopped = false

  constructor(
    private readonly scanner: Scanner,
    private readonly context: LineContext,
  ) {
    this.grid = context.grid
    this.tick = context.start
  }

  run(items: readonly Item[]): LineReading {
    this.expand(items, undefined)
    const { slots, groups, spans } = this
    const gridChanges = normalGridChanges(this.changes, this.context.grid, slots.length)
    return { line: { slots, groups, gridChanges }, spans }
  }

  private expand(items: readonly Item[], repeat: SourceSpan | undefined): void {
    for (const item of items) {
      this.steps += 1
      if (this.steps > MOST_STEPS) this.stop('too-many-slots', repeat, 'fewer repeats')
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
