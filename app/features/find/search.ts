import type { Found } from './sources'

/** One spelling for words that have several, and for what people call the same. */
const SPELLED: Readonly<Record<string, string>> = {
  practice: 'practise',
  practising: 'practise',
  practicing: 'practise',
  meter: 'metre',
  color: 'colour',
  licks: 'lick',
  ghosted: 'ghost',
  accented: 'accent',
  repeated: 'repeat',
  looped: 'loop',
}
/** Words that say nothing of what is looked for. */
const SMALL: ReadonlySet<string> = new Set(
  'a an the of on in to at by for or it its this that my me make set put with every each into'.split(
    ' ',
  ),
)
/** Kinds that only open something come behind what is done at once, and cells and licks behind both. */
const BEHIND: Readonly<Record<string, number>> = {
  panel: 0.6,
  place: 0.6,
  setting: 0.4,
  cell: 1,
  lick: 1,
}
/** What is typed and is an answer by itself comes before everything. */
const ANSWER = 'answer'

/** How well a word fits, 0 the best. */
const FIT = { word: 0, start: 0.5, alsoWord: 1, alsoStart: 1.4, inside: 2 } as const

/** What a small word costs that is not there. */
const MISSING = 0.3

interface Said {
  readonly name: readonly string[]
  readonly also: readonly string[]
  readonly all: string
}

const SAID = new WeakMap<Found, Said>()

function saidBy(found: Found): Said {
  const known = SAID.get(found)
  if (known) return known
  const { name, kind, also = '' } = found
  const said = {
    name: wordsOf(name),
    also: wordsOf(`${kind} ${also}`),
    all: `${name} ${also}`.toLowerCase(),
  }
  SAID.set(found, said)
  return said
}

function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^a-z0-9&/+>]+/)
    .filter(Boolean)
    .map(plainly)
}

/** A word as it is looked for: `practice` is `practise`, `kicks` is `kick`. */
function plainly(word: string): string {
  const one = SPELLED[word] ?? word
  return one.length > 3 && one.endsWith('s') && !one.endsWith('ss') ? one.slice(0, -1) : one
}

/**
 * Those that every word is found in, the best first: by how well the words fit their names, then what is done at
 * once before what opens something, and those before cells and licks. Small words may be missing.
 *
 * @example `flam` puts Flam every stroke before Remove graces; `remove kick` finds Turn kicks into rests
 */
export function findIn(all: readonly Found[], typed: string): Found[] {
  const words = wordsOf(typed)
  if (words.length === 0)
    return all.filter(({ kind }) => !['cell', 'lick', 'setting'].includes(kind))
  const whole = words.join(' ')
  const ranked = all.flatMap((found, at) => {
    const rank = rankOf(found, words, whole)
    return rank === null ? [] : [{ found, rank, at }]
  })
  return ranked.sort((a, b) => a.rank - b.rank || a.at - b.at).map(({ found }) => found)
}

/** How well words fit, lower is better; null where one is not found. */
function rankOf(found: Found, words: readonly string[], whole: string): number | null {
  if (found.kind === ANSWER) return -10
  const said = saidBy(found)
  const fits = words.map((word) => fitOf(word, said))
  let rank = 0
  for (const [i, fit] of fits.entries()) {
    const small = SMALL.has(words[i] as string) && words.length > 1
    if (small) rank += Math.min(fit ?? MISSING, MISSING)
    else if (fit === null) return null
    else rank += fit
  }
  // What says little else is meant more than what says much.
  const others = said.name.filter((word) => !SMALL.has(word)).length - words.length
  const exact = said.name.join(' ') === whole ? -3 : 0
  return rank / words.length + Math.max(0, others) * 0.05 + (BEHIND[found.kind] ?? 0) + exact
}

function fitOf(word: string, { name, also, all }: Said): number | null {
  if (name.includes(word)) return FIT.word
  if (name.some((one) => one.startsWith(word))) return FIT.start
  if (also.includes(word)) return FIT.alsoWord
  if (also.some((one) => one.startsWith(word))) return FIT.alsoStart
  return word.length > 2 && all.includes(word) ? FIT.inside : null
}
