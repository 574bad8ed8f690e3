import { frameOf, type QuestionFault, type WrittenQuestion } from '~/codecs/question'
import type { Bolt } from '~/core/finder'
import type { FreeHand, Lick } from '~/core/line'
import { type CountingSystem, gridTicks, meterName } from '~/core/time'
import { listWords, often, plural, tempoFigure, wholeTempo } from './figures'
import { gridWords } from './grid-words'
import { placeIn, startPlace } from './places'

/** What a condition is called where it is left out: `without the accents`. */
const BOLT_WORDS: Readonly<Record<Bolt, string>> = {
  starts: 'how it starts',
  ends: 'how it ends',
  free: 'the limb kept free for the landing',
  linear: 'one limb at a time',
  clear: 'room for what sounds under it',
  accents: 'the accents',
  runs: 'the limit of strokes in a row',
  kicks: 'the number of kicks',
  kicksApart: 'keeping kicks apart',
  kicksOn: 'the slots with a kick',
  backbeat: 'the backbeat by one hand',
  fresh: 'being unlike your licks',
  speed: 'the tempo',
  inRow: 'the limit of one cell in a row',
  sizes: 'the order of sizes',
  pattern: 'the pattern',
  grouping: 'the grouping',
  uses: 'how often cells are used',
}

/** How many ways there are: `no way`, `1 way`, `41,208 ways`. */
export function waysWords(count: bigint): string {
  if (count === 0n) return 'no way'
  return count === 1n ? '1 way' : `${count.toLocaleString('en')} ways`
}

/** What is left out: `without the accents and the tempo`. */
export function withoutWords(bolts: readonly Bolt[]): string {
  return `without ${listWords(bolts.map((bolt) => BOLT_WORDS[bolt]))}`
}

/** Why the finder gave up, in a sentence: what makes a question too large, or that something else went wrong. */
export function finderTroubleWords(trouble: string): string {
  const too = 'This question has too many cases to count.'
  if (trouble === 'cells') return `${too} Take fewer or shorter cells.`
  const bolt = Object.entries(BOLT_WORDS).find(([name]) => name === trouble)
  if (bolt) return `${too} Leave out ${bolt[1]}, or take fewer cells or fewer slots.`
  return 'The finder has stopped. Reload the page to ask again.'
}

/** Why a question cannot be asked. */
export function questionFaultWords({ code, cell = '' }: QuestionFault): string {
  return {
    frame: 'The bar of this question can’t be read.',
    space: 'No whole number of slots fills this space. Choose another grid or start.',
    cell: `The cell ${cell.slice(0, 20)} can’t be read. Type strokes such as RLK.`,
    'no-cells': 'Add a cell to make fills of.',
    'too-long': 'This space is longer than 256 slots. Ask for fewer bars.',
  }[code]
}

/** The space as one says it: `1 bar of 4/4 from 2& in sixteenths`. */
export function spaceWords(written: WrittenQuestion, counting: CountingSystem): string {
  const lick = frameOf(written)
  if (!lick) return 'a bar'
  const { frame } = lick
  const from = frame.start === 0 ? '' : ` from ${startPlace(lick, counting)}`
  const bars = plural(frame.bars ?? 1, 'bar')
  return `${bars} of ${meterName(frame.meter)}${from} in ${gridWords(frame.grid)}`
}

const SHOWN_CELLS = 4

/** What is put at places of a line, and what it is put on. */
const PUT_WORDS = {
  kick: ['kick', 'natural sticking'],
  rest: ['rest', 'natural sticking'],
  flam: ['flam', 'natural sticking'],
  accent: ['accent', 'the line'],
} as const

/** A pattern: `natural sticking with up to 8 kicks, never side by side`, `the line with 2 to 4 accents`. */
function patternWords(
  { put, least, most, apart }: NonNullable<WrittenQuestion['pattern']>,
  typed: boolean,
): string {
  const [what, on] = PUT_WORDS[put]
  // Without a line there is natural sticking to put accents on.
  const line = typed ? on : 'natural sticking'
  const number =
    least === most
      ? plural(least, what)
      : least === 0
        ? `up to ${plural(most, what)}`
        : `${least} to ${plural(most, what)}`
  return `${line} with ${number}${apart ? ', never side by side' : ''}`
}

/** What it is made of: `RLLRL, RLK and RLLK`, `RLLRL, RLK, RLLK and 3 more`, `natural sticking with up to 8 kicks`. */
export function cellsWords(written: WrittenQuestion): string {
  const { cells, pattern } = written
  if (pattern) return patternWords(pattern, (frameOf(written)?.line.slots.length ?? 0) > 0)
  if (cells.length === 0) return 'no cells yet'
  const lines = cells.map(({ line }) => line)
  if (lines.length <= SHOWN_CELLS) return listWords(lines)
  return listWords([...lines.slice(0, SHOWN_CELLS - 1), `${lines.length - SHOWN_CELLS + 1} more`])
}

/** Which forms of the cells count: `as they are`, `begun at any stroke, led by either hand`. */
export function formsWords({ inversions, mirrors, cut }: WrittenQuestion): string {
  const words = [
    ...(inversions ? ['begun at any stroke'] : []),
    ...(mirrors ? ['led by either hand'] : []),
    ...(cut ? ['the last one cut to fit'] : []),
  ]
  return words.length === 0 ? 'as they are' : words.join(', ')
}

const LIMB_WORDS = {
  R: 'the right',
  L: 'the left',
  X: 'either hand',
  K: 'a kick',
  H: 'the hi-hat foot',
  J: 'the second pedal',
} as const
const FREE_WORDS = { R: 'the right hand', L: 'the left hand', K: 'the kick' } as const

/** How it starts and ends: `starts and ends anyhow`, `ends on the left, the right hand free for the landing`. */
export function endsWords({ conditions: { starts, ends, free } }: WrittenQuestion): string {
  const strokes = (letters: readonly (keyof typeof LIMB_WORDS)[]) =>
    letters.length === 1 ? LIMB_WORDS[letters[0] as 'R'] : letters.join('')
  const words = [
    ...(starts ? [`starts with ${strokes(starts)}`] : []),
    ...(ends ? [`ends with ${strokes(ends)}`] : []),
    ...(free ? [`leaves ${FREE_WORDS[free]} free for the landing`] : []),
  ]
  return words.length === 0 ? 'starts and ends anyhow' : listWords(words)
}

/** The accents: `accents anywhere`, `accents on 3 and 4, none on 1`. */
export function accentsWords(written: WrittenQuestion, counting: CountingSystem): string {
  const { must = [], not = [], put = false } = written.conditions.accents ?? {}
  const lick = frameOf(written)
  const { backbeat } = written.conditions
  const kept = backbeat ? [`${LIMB_WORDS[backbeat]} on every backbeat`] : []
  if (!lick || must.length + not.length === 0) return listWords(['accents anywhere', ...kept])
  const places = (slots: readonly number[]) =>
    listWords([...slots].sort((a, b) => a - b).map((slot) => slotPlace(lick, slot, counting)))
  return [
    ...(must.length > 0 ? [`${put ? '' : 'its own '}accents on ${places(must)}`] : []),
    ...(not.length > 0 ? [`no accent on ${places(not)}`] : []),
    ...kept,
  ].join(', ')
}

/** Where a slot of the space is in its bar. */
export function slotPlace(lick: Lick, slot: number, counting: CountingSystem): string {
  const tick = lick.frame.start + slot * gridTicks(lick.frame.grid)
  return placeIn(lick, tick, counting)
}

/** The kicks: `any kicks`, `2 to 6 kicks, never two in a row`. */
export function kicksWords({ conditions: { kicks, kicksApart } }: WrittenQuestion): string {
  const number = !kicks
    ? 'any kicks'
    : kicks.least === kicks.most
      ? plural(kicks.least, 'kick')
      : `${kicks.least} to ${plural(kicks.most, 'kick')}`
  return kicksApart ? `${number}, never two in a row` : number
}

/** What hands and feet have to bear: `it plays at any tempo`, `it plays at 126 and no limb strikes more than twice in a row`. */
export function bearsWords({
  conditions: { speed, runs, linear, clear, fresh },
}: WrittenQuestion): string {
  const words = [
    ...(speed === undefined ? [] : [`it plays at ${tempoFigure(speed)}`]),
    ...(runs === undefined ? [] : [`no limb strikes more than ${often(runs)} in a row`]),
    ...(linear ? ['limbs strike one at a time'] : []),
    ...(clear ? ['nothing clashes with what sounds under it'] : []),
    ...(fresh === undefined
      ? []
      : [
          fresh === 1
            ? 'it is none of your licks'
            : `it differs from each of your licks in at least ${plural(fresh, 'slot')}`,
        ]),
  ]
  return words.length === 0 ? 'it plays at any tempo' : listWords(words)
}

const SIZE_WORDS = {
  rising: 'never getting smaller',
  falling: 'never getting larger',
  mirrored: 'the same sizes forwards and back',
} as const

/** The order of the groups: `in any order`, `growing`, `as 5 5 6`. */
export function orderWords({ conditions: { inRow, sizes, grouping } }: WrittenQuestion): string {
  const words = [
    ...(grouping
      ? [`as ${grouping.sizes.join(' ')}${grouping.ordered ? '' : ' in any order'}`]
      : []),
    ...(sizes ? [SIZE_WORDS[sizes]] : []),
    ...(inRow === undefined ? [] : [`no cell more than ${inRow} in a row`]),
  ]
  return words.length === 0 ? 'in any order' : words.join(', ')
}

const TASTE_WORDS = {
  kicks: ['more kicks', 'fewer kicks'],
  offbeats: ['accents off the beat', 'accents on the beat'],
  repeats: ['groups that repeat', 'groups that differ'],
  doubles: ['doubles', 'singles'],
  like: ['close to the line', 'far from the line'],
} as const

/** What comes first: `groups that differ and more kicks`; empty where nothing is liked more than something else. */
export function tasteWords({ taste, pattern }: WrittenQuestion): string {
  const words = Object.entries(TASTE_WORDS).flatMap(([name, [more, fewer]]) => {
    const weight = taste[name as keyof typeof TASTE_WORDS] ?? 0
    // A pattern has no groups of its own.
    return weight === 0 || (pattern && name === 'repeats') ? [] : [weight > 0 ? more : fewer]
  })
  return listWords(words)
}

/** How a fill was picked out of all: `drawn with seed 17`, `number 3`. */
export function pickWords(pick: { readonly seed: number } | { readonly number: bigint }): string {
  return 'seed' in pick
    ? `drawn with seed ${pick.seed}`
    : `number ${pick.number.toLocaleString('en')}`
}

/** Which of all ways is picked: `17 of 55`; before that how many there are to go through. */
export function wayNumberWords(number: bigint | null, count: bigint): string {
  const all = count.toLocaleString('en')
  return number === null ? `1 to ${all}` : `${number.toLocaleString('en')} of ${all}`
}

const HANDS_FREE: Readonly<Record<FreeHand, string>> = {
  RH: 'right hand free to land',
  LH: 'left hand free to land',
  both: 'both hands free to land',
  none: 'no hand free to land',
  unknown: 'the last hand is undecided',
}

/** What there is to say of a found fill, in a few words: `4 kicks · up to 136 · left hand free to land · 6 slots unlike the line`. */
export function foundWords({
  limit,
  free,
  kicks,
  unlike,
}: {
  limit: number | null
  free: FreeHand
  kicks: number
  /** Slots in which other limbs strike than in the line that it was asked from; null where there is none. */
  unlike: number | null
}): string {
  return [
    kicks === 0 ? 'no kick' : plural(kicks, 'kick'),
    limit === null ? 'at any tempo' : `up to ${wholeTempo(limit)}`,
    HANDS_FREE[free],
    ...(unlike === null
      ? []
      : [unlike === 0 ? 'the line itself' : `${plural(unlike, 'slot')} unlike the line`]),
  ].join(' · ')
}

/** A found fill by its groups: `Fill of 5, 5, 3 and 3`. */
export function foundTitle(groups: readonly number[]): string {
  return `Fill of ${listWords(groups)}`.slice(0, 80)
}
