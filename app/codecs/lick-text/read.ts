import { fail, ok, type Result } from '~/core/foundation'
import {
  DEFAULT_FRAME,
  EMPTY_LICK,
  EMPTY_LINE,
  type Frame,
  type Lick,
  type Line,
  MAX_NAMED_PARTS,
  type NamedPart,
  OSTINATO_SCOPES,
  type Ostinato,
  type OstinatoScope,
} from '~/core/line'
import { type LineReading, type NotationIssue, parseLine, type SourceSpan } from '~/core/notation'
import { barTicks } from '~/core/time'
import type { HeaderCode, TextIssue } from './issue'
import { type Key, layerKey, type Row, readableLine, textRows } from './rows'
import { normalTitle, splitTags } from './title'
import * as values from './values'
import { FORMAT_VERSION } from './version'

/** The format's own limit: 64 KiB. */
export const MAX_TEXT_BYTES = 65536
const MAX_LAYERS = 16
const SHOWN = 40

/** A lick as read, and for each slot its place in the sticking as typed (see `lineTextOf`). */
export interface LickReading {
  readonly lick: Lick
  readonly spans: readonly SourceSpan[]
}

/**
 * Reads a lick text, whole or not at all, with every problem told. A bare line is a `line:`;
 * unknown keys are kept. Example: `parseLickText('RLLRK RLK')`.
 */
export function parseLickText(text: string): Result<LickReading, TextIssue[]> {
  if (new TextEncoder().encode(text).length > MAX_TEXT_BYTES) {
    const found = `${Math.ceil(text.length / 1024)} KiB`
    return fail([
      { line: 1, column: 1, found, expected: 'at most 64 KiB of text', code: 'too-long' },
    ])
  }
  return new Reader(text).read()
}

class Reader {
  private readonly rows: readonly Row[]
  private readonly issues: TextIssue[] = []

  constructor(private readonly text: string) {
    this.rows = textRows(text)
  }

  read(): Result<LickReading, TextIssue[]> {
    this.checkOnce()
    this.value('dime-lick', 'version', FORMAT_VERSION, values.version)
    const frame = this.frame()
    const lick: Lick = {
      ...EMPTY_LICK,
      title: normalTitle(this.row('title')?.value ?? ''),
      tags: splitTags(this.row('tags')?.value ?? ''),
      frame,
      kit: this.value('kit', 'kit', null, values.name),
      ostinatos: this.ostinatos(frame),
      pickup: this.pickup(frame),
      parts: this.parts(),
      unknown: this.rows.filter((row) => !row.known).map((row) => [row.key, row.value] as const),
    }
    const line = this.line(readableLine(this.rows), frame)
    if (this.issues.length > 0 || !line) {
      return fail(this.issues.sort((a, b) => a.line - b.line || a.column - b.column))
    }
    return ok({ lick: { ...lick, line: line.line }, spans: line.spans })
  }

  private frame(): Frame {
    const meter = this.value('meter', 'meter', DEFAULT_FRAME.meter, values.meter)
    const place = (value: string) => values.place(value, meter)
    const start = this.value('start', 'start', DEFAULT_FRAME.start, place)
    return {
      meter,
      tempo: this.value('tempo', 'tempo', DEFAULT_FRAME.tempo, values.tempo),
      goal: this.value('goal', 'goal', DEFAULT_FRAME.goal, values.tempo),
      grid: this.value('grid', 'grid', DEFAULT_FRAME.grid, values.grid),
      start,
      stop: this.value('stop', 'stop', DEFAULT_FRAME.stop, (value) =>
        values.stop(value, meter, start),
      ),
      lead: this.value('lead', 'lead', DEFAULT_FRAME.lead, values.lead),
      groove: this.value('groove', 'groove', DEFAULT_FRAME.groove, values.name),
      bars: this.value('bars', 'bars', DEFAULT_FRAME.bars, values.bars),
      landing: this.value('landing', 'landing', DEFAULT_FRAME.landing, values.landing),
      swing: this.value('swing', 'swing', DEFAULT_FRAME.swing, values.swing),
      grooveSwing: this.value('groove swing', 'groove swing', null, values.swing),
      swells: this.all('swell').flatMap((row) => this.judge(row, 'swell', values.swell) ?? []),
    }
  }

  private ostinatos(frame: Frame): Ostinato[] {
    const rows = this.rows.filter((row) => scopeOf(row) !== undefined)
    const surplus = rows[MAX_LAYERS]
    if (surplus)
      this.report(surplus, 'too-many-layers', `at most ${MAX_LAYERS} rows that begin with under`)
    return rows.slice(0, MAX_LAYERS).flatMap((row) => {
      const read = parseLine(row.value, { grid: frame.grid, start: 0, bar: null })
      if (!read.ok) {
        for (const issue of read.error)
          this.issues.push(this.placed(issue, row, row.valueFrom + issue.at))
        return []
      }
      const { line } = read.value
      if (line.slots.length === 0) {
        this.report(row, 'empty-layer', 'a stroke or a rest, such as H or -H')
        return []
      }
      const first = line.gridChanges[0]?.at === 0 ? line.gridChanges[0] : undefined
      const gridChanges = first ? line.gridChanges.slice(1) : line.gridChanges
      const scope = scopeOf(row) ?? 'all'
      return [{ scope, grid: first?.grid ?? frame.grid, line: { ...line, gridChanges } } as const]
    })
  }

  private parts(): NamedPart[] {
    const rows = this.all('part')
    const surplus = rows[MAX_NAMED_PARTS]
    if (surplus) this.report(surplus, 'part', `at most ${MAX_NAMED_PARTS} parts`)
    return rows.flatMap((row) => this.judge(row, 'part', values.part) ?? [])
  }

  private pickup(frame: Frame): Line {
    const row = this.row('pickup')
    if (!row) return EMPTY_LINE
    const read = parseLine(row.value, { grid: frame.grid, start: 0, bar: null })
    if (!read.ok) {
      for (const issue of read.error)
        this.issues.push(this.placed(issue, row, row.valueFrom + issue.at))
      return EMPTY_LINE
    }
    const { line } = read.value
    if (line.gridChanges.some(({ at }) => at > 0)) {
      this.report(row, 'pickup', 'a pick-up on one grid, named before it, such as @1/8t RLR')
    } else if (line.slots.length === 0) this.report(row, 'pickup', 'a stroke or a rest, such as RL')
    return line
  }

  private line(joined: string, frame: Frame): LineReading | undefined {
    const framed = !this.issues.some(
      ({ code }) => code === 'meter' || code === 'start' || code === 'grid',
    )
    const bar = framed ? barTicks(frame.meter) : null
    const read = parseLine(joined, { grid: frame.grid, start: frame.start, bar })
    if (read.ok) return read.value
    for (const issue of read.error) this.issues.push(this.inLine(issue))
    return undefined
  }

  /** A fault in the joined line, told at its row and column. */
  private inLine(issue: NotationIssue): TextIssue {
    let rest = issue.at
    for (const row of this.all('line')) {
      if (rest <= row.raw.length) {
        const placed = this.placed(issue, row, row.rawFrom + rest)
        return { ...placed, inLine: { at: issue.at, length: issue.length } }
      }
      rest -= row.raw.length + 1
    }
    throw new RangeError(`fault at ${issue.at}: must lie within the line`)
  }

  private placed(issue: NotationIssue, row: Row, offset: number): TextIssue {
    const { found, expected, code } = issue
    return {
      line: row.number,
      column: this.column(row, offset),
      found: shown(found),
      expected,
      code,
    }
  }

  private column(row: Row, offset: number): number {
    return [...this.text.slice(row.rowFrom, offset)].length + 1
  }

  private all(key: Key): Row[] {
    return this.rows.filter((row) => row.known === key)
  }

  private row(key: Key): Row | undefined {
    return this.rows.find((row) => row.known === key)
  }

  private value<T>(key: Key, code: HeaderCode, fallback: T, read: values.ReadValue<T>): T {
    const row = this.row(key)
    return (row && this.judge(row, code, read)) ?? fallback
  }

  private judge<T>(row: Row, code: HeaderCode, read: values.ReadValue<T>): T | undefined {
    const result = read(row.value)
    if (result.ok) return result.value
    this.report(row, code, result.error)
    return undefined
  }

  private report(row: Row, code: HeaderCode, expected: string): void {
    const { number: line, value } = row
    this.issues.push({
      line,
      column: this.column(row, row.valueFrom),
      found: shown(value),
      expected,
      code,
    })
  }

  private checkOnce(): void {
    const seen = new Set<string>()
    for (const row of this.rows) {
      if (!row.known || REPEATABLE.has(row.known)) continue
      if (seen.has(row.known)) this.report(row, 'duplicate-key', `${row.known} only once`)
      seen.add(row.known)
    }
  }
}

const REPEATABLE: ReadonlySet<Key> = new Set<Key>([
  'line',
  'under',
  'under fill',
  'under groove',
  'swell',
  'part',
])

/** Under what the layer of a row sounds; undefined for rows that are no layers. */
function scopeOf({ known }: Row): OstinatoScope | undefined {
  return OSTINATO_SCOPES.find((scope) => layerKey(scope) === known)
}

function shown(found: string): string {
  const characters = [...found]
  return characters.length > SHOWN ? `${characters.slice(0, SHOWN).join('')}…` : found
}
