import './schema-words'

/** Something that a schema found, as far as words need it. */
interface Fault {
  readonly code?: string | undefined
  readonly path: readonly PropertyKey[]
  readonly message: string
  readonly expected?: unknown
  readonly maximum?: unknown
  readonly minimum?: unknown
  readonly origin?: unknown
}

/**
 * The first of what is wrong in a file, in words that do not speak of its fields as a program does: where it is,
 * counted from 1, and what is the matter there. What lacks its own head is no such file at all.
 *
 * @example a solo whose part 4 has no `mostInRow`: `Part 4: “most in row” is missing.`
 */
export function faultWords(faults: readonly Fault[], what: string): string {
  const [fault] = faults
  const isMissing = fault && /received undefined/.test(fault.message)
  if (!fault || fault.path.length === 0 || (isMissing && fault.path.length === 1))
    return `This is not ${what}.`
  const place = placeWords(fault.path)
  const matter = isMissing ? 'is missing' : matterWords(fault)
  return `${place} ${matter}.`
}

/** `Part 4: “most in row”`, `Piece 2: its staff: “step”`. */
function placeWords(path: readonly PropertyKey[]): string {
  const words: string[] = []
  for (const [i, step] of path.entries()) {
    if (typeof step === 'number') continue
    const name = spelled(String(step))
    const index = path[i + 1]
    const isLast = i === path.length - 1
    if (typeof index === 'number') words.push(`${singular(name)} ${index + 1}`)
    else words.push(isLast ? `“${name}”` : name)
  }
  const [first = '', ...others] = words
  return [first.charAt(0) === '“' ? first : capital(first), ...others].join(': ')
}

/** `mostInRow` as `most in row`. */
function spelled(name: string): string {
  return name.replace(/([a-z])([A-Z])/g, (_, before, after) => `${before} ${after.toLowerCase()}`)
}

function singular(name: string): string {
  return name.replace(/(ch|s)es$/, '$1').replace(/s$/, '')
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}

const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a group of values',
}

function matterWords({ code, expected, maximum, minimum, origin, message }: Fault): string {
  const isLong = origin === 'string' || origin === 'array' || origin === 'set'
  const things = origin === 'string' ? 'letters' : 'entries'
  switch (code) {
    case 'invalid_type':
      return `is not ${KINDS[String(expected)] ?? 'what it should be'}`
    case 'too_big':
      return isLong ? `has more than ${maximum} ${things}` : `is more than ${maximum}`
    case 'too_small':
      if (isLong) return Number(minimum) <= 1 ? 'is empty' : `has fewer than ${minimum} ${things}`
      return `is less than ${minimum}`
    case 'custom':
      return message === 'Invalid input' ? 'is not one that there is' : `is not right: ${message}`
    default:
      return 'is not one that there is'
  }
}
