import {
  cellsOfLine,
  frameOf,
  packQuestion,
  toFrame,
  unpackQuestion,
  type WrittenQuestion,
} from '~/codecs/question'
import { formatPhrase } from '~/core/changes'
import { type Bolt, type Put, spaceOf } from '~/core/finder'
import { aimOf, EMPTY_LICK, EMPTY_LINE, type Frame, type Lick } from '~/core/line'
import { characterOf, type PlayContext, speedLimit } from '~/core/playability'
import { hasAccent, type Letter, strokesInSlot } from '~/core/sticking'
import { barTicks } from '~/core/time'
import type { Addressed } from '~/ui/use-address-state'
import type { WayPick } from '~/workers'

/** What a new user is asked to try: a five, a three and a four in a bar that lands on the right. */
export const FIRST_QUESTION: WrittenQuestion = {
  format: 'dime-stack-question',
  version: 1,
  frame: toFrame({ ...EMPTY_LICK, frame: { ...EMPTY_LICK.frame, bars: 1 } }),
  cells: [{ line: 'RLLRL' }, { line: 'RLK' }, { line: 'RLLK' }],
  inversions: false,
  mirrors: false,
  cut: false,
  conditions: { runs: 2 },
  taste: { repeats: -1 },
}

/** A seed that nobody has chosen: from 1, so that it is told apart from any. */
export function newSeed(): WayPick & { readonly kind: 'seed' } {
  return { kind: 'seed', seed: 1 + Math.floor(Math.random() * 999_999) }
}

/** What the finder's address says. */
export interface Asked {
  readonly question: WrittenQuestion
  /** The fill that is picked out of all; a seed of 0 is any. */
  readonly pick: WayPick | null
  /** The lick on whose bench it was asked; empty for none. */
  readonly from: string
}

/** A question as the address has it, with what is picked of its fills: `q=…&draw=17`, `q=…&number=3`. */
export const QUESTION_ADDRESS: Addressed<Asked> = {
  open: (search) => {
    const params = new URLSearchParams(search)
    const packed = params.get('q')
    return {
      question: (packed && unpackQuestion(packed)) || FIRST_QUESTION,
      pick: pickOf(params),
      from: params.get('from') ?? '',
    }
  },
  format: ({ question, pick, from }) =>
    [
      ...(question === FIRST_QUESTION ? [] : [`q=${packQuestion(question)}`]),
      ...(pick?.kind === 'seed' ? [`draw=${pick.seed}`] : []),
      ...(pick?.kind === 'number' ? [`number=${pick.number}`] : []),
      ...(from === '' ? [] : [`from=${encodeURIComponent(from)}`]),
    ].join('&'),
}

function pickOf(params: URLSearchParams): WayPick | null {
  const [seed, number] = [params.get('draw'), params.get('number')]
  if (seed !== null) return { kind: 'seed', seed: /^\d{1,6}$/.test(seed) ? Number(seed) : 0 }
  if (number !== null && /^[1-9]\d{0,79}$/.test(number))
    return { kind: 'number', number: BigInt(number) }
  return null
}

/** The way to the finder with a question, from a lick's bench where one is named, and with any of its fills picked. */
export function finderPath(
  question: WrittenQuestion,
  { from = '', draw = false }: { from?: string; draw?: boolean } = {},
): string {
  const pick = draw ? ({ kind: 'seed', seed: 0 } as const) : null
  return `/find?${QUESTION_ADDRESS.format({ question, pick, from })}`
}

/** All patterns of one rule over the space of a lick: put at any places of natural sticking, or accents on its line. */
export function questionOfPattern(lick: Lick, put: Put): WrittenQuestion {
  const question = questionFor(lick)
  const slots = spaceOf(framed(lick))?.slots.length ?? 8
  return {
    ...question,
    conditions: {},
    taste: {},
    pattern: { put, lead: 'R', least: 0, most: Math.min(slots, 64), apart: put !== 'accent' },
  }
}

/** What a bench asks of its lick. */
export function questionFrom(
  lick: Lick,
  ask:
    | { readonly kind: 'groups' | 'like' | 'turned' }
    | { readonly kind: 'pattern'; readonly put: Put },
  setting: PlayContext,
): WrittenQuestion {
  if (ask.kind === 'pattern') return questionOfPattern(lick, ask.put)
  if (ask.kind === 'like') return questionLike(lick, setting)
  if (ask.kind === 'groups') return questionFor(lick)
  const { slots } = lick.line
  return {
    ...questionFor(lick),
    cells: [{ line: formatPhrase({ slots, groups: [slots.length] }) }],
    inversions: true,
    conditions: {},
    taste: {},
  }
}

/** A question of another kind: patterns of a rule, or fills of its cells where none is given. */
export function withPattern(
  question: WrittenQuestion,
  pattern: WrittenQuestion['pattern'],
): WrittenQuestion {
  const { pattern: _, ...fills } = question
  return pattern ? { ...fills, pattern } : fills
}

/** A question with some of its conditions; undefined takes one out. */
export function withConditions(
  question: WrittenQuestion,
  change: {
    readonly [Name in keyof WrittenQuestion['conditions']]:
      | WrittenQuestion['conditions'][Name]
      | undefined
  },
): WrittenQuestion {
  const all = Object.entries({ ...question.conditions, ...change })
  const conditions = Object.fromEntries(all.filter(([, value]) => value !== undefined))
  return { ...question, conditions }
}

/** A question without what shuts its door. */
export function loosened(question: WrittenQuestion, bolts: readonly Bolt[]): WrittenQuestion {
  const loose = withConditions(
    question,
    Object.fromEntries(bolts.filter((bolt) => bolt !== 'uses').map((bolt) => [bolt, undefined])),
  )
  if (!bolts.includes('uses')) return loose
  return { ...loose, cells: loose.cells.map(({ line }) => ({ line })) }
}

/**
 * A question in another frame. What is asked of single slots is dropped where they are no longer there, and a
 * start that the bar no longer has is its first beat.
 */
export function withFrame(question: WrittenQuestion, change: Partial<Frame>): WrittenQuestion {
  const lick = frameOf(question)
  if (!lick) return question
  const frame = { ...lick.frame, ...change }
  const start = frame.start < barTicks(frame.meter) ? frame.start : 0
  const next = { ...lick, frame: { ...frame, start, stop: null } }
  const slots = spaceOf(next)?.slots.length ?? 0
  const { accents, kicksOn } = question.conditions
  const inside = (all: readonly number[]) => all.filter((slot) => slot < slots)
  return withConditions(
    { ...question, frame: toFrame(next) },
    {
      accents: accents && {
        ...accents,
        must: inside(accents.must),
        not: inside(accents.not),
      },
      kicksOn: kicksOn && inside(kicksOn),
    },
  )
}

/** A lick's frame with its bars said: a question has a space of its own, whatever stands in the line. */
function framed(lick: Lick): Lick {
  return { ...lick, frame: { ...lick.frame, bars: lick.frame.bars ?? aimOf(lick).bars } }
}

/** Fills for the space of a lick, made of its own groups. */
export function questionFor(lick: Lick): WrittenQuestion {
  const cells = cellsOfLine(lick)
  return {
    ...FIRST_QUESTION,
    frame: toFrame(framed(lick)),
    cells: cells.length > 0 ? cells : FIRST_QUESTION.cells,
  }
}

/**
 * More fills like a lick: of its groups, turned and mirrored, with what is true of it asked for. Law: the lick
 * itself obeys the question, where it fills its space on one grid.
 */
export function questionLike(lick: Lick, setting: PlayContext): WrittenQuestion {
  const { slots } = lick.line
  const onsets = slots.flatMap((content) => {
    const strokes = strokesInSlot(content)
    return [...new Set(strokes.map(({ top }) => top))].map((top) =>
      strokes.filter((one) => one.top === top).map(({ stroke }) => stroke.letter),
    )
  })
  const alone = (letters: readonly Letter[] | undefined) =>
    letters?.length === 1 ? [letters[0] as Letter] : undefined
  const { longestRun, linear } = characterOf(lick, setting.kit, lick.frame.tempo)
  const kicks = onsets.flat().filter((letter) => letter === 'K' || letter === 'J').length
  const must = slots.flatMap((content, slot) => (hasAccent(content) ? [slot] : []))
  const limit = speedLimit({ ...lick, ostinatos: [] }, 'line', setting).bpm
  return withConditions(
    { ...questionFor(lick), inversions: true, mirrors: true, taste: { repeats: -1, like: -1 } },
    {
      starts: alone(onsets[0]),
      ends: alone(onsets.at(-1)),
      linear: linear ? 'alone' : undefined,
      runs: longestRun ? Math.max(1, longestRun.length) : undefined,
      kicks: kicks > 0 ? { least: kicks, most: kicks } : undefined,
      accents: must.length > 0 ? { must, not: [] } : undefined,
      speed: limit !== null && limit >= lick.frame.tempo ? lick.frame.tempo : undefined,
    },
  )
}

/** The frame of a question without its line: what a found fill is put into. */
export function emptyFrame(question: WrittenQuestion): Lick | null {
  const lick = frameOf(question)
  return lick && { ...lick, line: EMPTY_LINE }
}
