import { doorOf, type Way, Ways } from '~/core/finder'
import { fail, ok, type Result, toRandomStream } from '~/core/foundation'
import { DEFAULT_SETTING, type PlayContext } from '~/core/playability'
import { formatLickText } from '../lick-text'
import { foundLick, frameOf, toQuestion, type WrittenQuestion } from '../question'

/** How a question is asked without a screen. */
export interface FindOptions {
  /** Fills that are listed, the best first. */
  readonly most: number
  /** Slots in which each listed fill differs from each other, at the least. */
  readonly apart: number
  /** By which one of all is drawn evenly; null for none. */
  readonly seed: number | null
  readonly setting?: PlayContext
}

/** What a question comes to. Counts are texts: they may be larger than a number can hold. */
export interface HeadlessFound {
  readonly count: string
  /** Lick texts. */
  readonly best: readonly string[]
  readonly drawn?: string | null
  /** Only where the count is 0: what would open the door. */
  readonly without?: readonly { readonly conditions: readonly string[]; readonly count: string }[]
  readonly lengths?: readonly { readonly slots: number; readonly count: string }[]
}

/**
 * Answers a question: the exact number of fills, the best of them as lick texts, and with a seed one of all.
 *
 * @example toHeadlessFind({ frame: 'bars: 1', cells: [{ line: 'RLRK' }], … }, { most: 1, apart: 1, seed: null })
 */
export function toHeadlessFind(
  written: WrittenQuestion,
  { most, apart, seed, setting = DEFAULT_SETTING }: FindOptions,
): Result<HeadlessFound, string> {
  const frame = frameOf(written)
  const question = toQuestion(written, setting)
  if (!question.ok || !frame) {
    const { code, cell = '' } = question.ok ? { code: 'frame' } : question.error
    return fail(`${FAULTS[code]}${cell && ` (${cell})`}`)
  }
  const ways = new Ways(question.value)
  const text = ({ phrase }: Way) => formatLickText(foundLick(frame, phrase, ''))
  const drawn = seed === null ? undefined : ways.draw(toRandomStream(seed))
  const found = {
    count: String(ways.count),
    best: ways.best(most, apart).ways.map(text),
    ...(drawn !== undefined && { drawn: drawn && text(drawn) }),
  }
  if (ways.count > 0n) return ok(found)
  const { openings, lengths } = doorOf(question.value)
  return ok({
    ...found,
    without: openings.map(({ without, count }) => ({ conditions: without, count: String(count) })),
    lengths: lengths.map(({ slots, count }) => ({ slots, count: String(count) })),
  })
}

const FAULTS: Readonly<Record<string, string>> = {
  frame: 'the frame cannot be read as a lick text',
  space: 'no whole number of slots fills the space',
  cell: 'a cell cannot be read',
  'no-cells': 'there are no cells',
  'too-long': 'the space is longer than 256 slots',
}
