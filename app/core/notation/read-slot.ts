import {
  findTogetherFault,
  findVoice,
  type Graces,
  isHand,
  LETTERS,
  type Letter,
  type Level,
  MAX_SQUEEZE,
  MAX_TOGETHER,
  MIN_SQUEEZE,
  REST,
  type Rest,
  type SlotContent,
  type Stroke,
  type Struck,
  type TogetherFault,
  type Voice,
} from '../sticking'
import type { NotationCode } from './issue'
import type { Scanner } from './scanner'

const LEVEL_MARKS: Readonly<Record<string, Level>> = { _: 'soft', '>': 'accent', '^': 'strong' }
const GRACE_MARKS: Readonly<Record<string, Graces>> = { f: 1, d: 2, t: 3 }
const VOICE = /[a-z0-9?]{2}(?![0-9?])/y
const STROKE_START = /[RLXKHJrlxkhj_>^fdt]/

const TOGETHER_FAULTS: Readonly<
  Record<TogetherFault['reason'], { code: NotationCode; expected: string }>
> = {
  'limb-twice': {
    code: 'limb-twice',
    expected: 'another limb: this one strikes in the slot already',
  },
  'no-hand-left': { code: 'no-hand-left', expected: 'at most two hands in a slot' },
  'grace-hand-busy': {
    code: 'grace-hand-busy',
    expected: 'no grace here: the hand that would play it strikes in the slot',
  },
  'too-many': { code: 'too-many-together', expected: `at most ${MAX_TOGETHER} strokes together` },
}

/**
 * Whether a character can begin a slot.
 *
 * @example ['R', '>', '*'].map(startsSlot) // [true, true, false]
 */
export function startsSlot(character: string): boolean {
  return character === '-' || character === '(' || character === '{' || startsStroke(character)
}

function startsStroke(character: string): boolean {
  return character !== '' && STROKE_START.test(character)
}

/** Reads one slot at the cursor, which stands where one can begin. Undefined if it is faulty. */
export function readSlot(scanner: Scanner): SlotContent | undefined {
  if (scanner.next === '{') return readSqueeze(scanner)
  return readPart(scanner)
}

/** A letter by itself always reads as the same object: most of most lines are such strokes. */
const PLAIN: ReadonlyMap<string, Struck> = new Map(
  LETTERS.flatMap((letter) => {
    const struck = (level: Level): Struck => ({
      kind: 'struck',
      strokes: [{ letter, level, graces: 0 }],
    })
    return [
      [letter, struck('tap')],
      [letter.toLowerCase(), struck('ghost')],
    ] as const
  }),
)

/** Groups of letters that were read before: lines are made of few different ones. */
const known = new Map<string, readonly SlotContent[]>()
const MAX_KNOWN = 1024

/** The slots of a group that is letters and rests alone, each as `readSlot` reads it. Example: `R-` is two. */
export function plainSlots(letters: string): readonly SlotContent[] {
  const before = known.get(letters)
  if (before) return before
  const slots = Array.from(letters, (letter) => PLAIN.get(letter) ?? REST)
  if (known.size >= MAX_KNOWN) known.clear()
  known.set(letters, slots)
  return slots
}

function readPart(scanner: Scanner): Rest | Struck | undefined {
  if (scanner.take('-')) return REST
  const plain = PLAIN.get(scanner.next)
  if (plain && scanner.text[scanner.position + 1] !== ':') {
    scanner.position += 1
    return plain
  }
  if (scanner.next === '(') return readUnison(scanner)
  const stroke = readStroke(scanner)
  return stroke && { kind: 'struck', strokes: [stroke] }
}

function readUnison(scanner: Scanner): Struck | undefined {
  const open = scanner.position
  scanner.take('(')
  const faultsBefore = scanner.issues.length
  const strokes: Stroke[] = []
  const places: { from: number; to: number }[] = []
  while (!scanner.take(')')) {
    const from = scanner.position
    if (scanner.atBreak) return notClosed(scanner, open, ')')
    if (startsStroke(scanner.next)) {
      const stroke = readStroke(scanner)
      if (stroke) {
        strokes.push(stroke)
        places.push({ from, to: scanner.position })
      }
    } else if (scanner.take('-')) {
      scanner.report('rest-in-unison', from, 'a stroke: no rests in a unison')
    } else if (scanner.next === '(' || scanner.next === '{') {
      skipNested(scanner, 'a stroke: nothing nests inside a unison')
    } else if (isCloser(scanner.next)) {
      return notClosed(scanner, open, ')')
    } else {
      skipStranger(scanner)
    }
  }
  if (scanner.issues.length > faultsBefore) return undefined
  if (strokes.length < 2) {
    scanner.report('together-needs-two', open, 'two to four strokes between ( and )')
    return undefined
  }
  const fault = findTogetherFault(strokes)
  if (!fault) return { kind: 'struck', strokes }
  const place = places[fault.index] as { from: number; to: number }
  const { code, expected } = TOGETHER_FAULTS[fault.reason]
  scanner.report(code, place.from, expected, place.to)
  return undefined
}

function readSqueeze(scanner: Scanner): SlotContent | undefined {
  const open = scanner.position
  scanner.take('{')
  const faultsBefore = scanner.issues.length
  const parts: (Rest | Struck)[] = []
  while (!scanner.take('}')) {
    const from = scanner.position
    if (scanner.atBreak) return notClosed(scanner, open, '}')
    if (scanner.next === '{') {
      skipNested(scanner, 'a stroke: squeezes do not nest')
    } else if (startsSlot(scanner.next)) {
      const part = readPart(scanner)
      if (part) parts.push(part)
      if (part && parts.length === MAX_SQUEEZE + 1) {
        scanner.report('squeeze-over-eight', from, `}: at most ${MAX_SQUEEZE} strokes in one slot`)
      }
    } else if (isCloser(scanner.next)) {
      return notClosed(scanner, open, '}')
    } else {
      skipStranger(scanner)
    }
  }
  if (scanner.issues.length > faultsBefore) return undefined
  if (parts.length < MIN_SQUEEZE) {
    scanner.report('squeeze-needs-two', open, 'two to eight strokes between { and }')
    return undefined
  }
  return { kind: 'squeeze', parts }
}

function readStroke(scanner: Scanner): Stroke | undefined {
  const start = scanner.position
  let level: Level = 'tap'
  const mark = LEVEL_MARKS[scanner.next]
  if (mark) {
    level = mark
    scanner.position += 1
  }
  const graces = GRACE_MARKS[scanner.next] ?? 0
  if (graces > 0) scanner.position += 1
  const written = scanner.next
  const letter = LETTERS.find((known) => known === written.toUpperCase())
  if (!letter || written === '') return reportBarePrefix(scanner, start, graces > 0)
  scanner.position += 1
  const ghost = written !== letter
  if (ghost && mark) {
    scanner.report('level-on-ghost', start, 'a capital letter: a lower-case one is a ghost already')
    return undefined
  }
  if (graces > 0 && !isHand(letter)) {
    scanner.report('grace-on-foot', start, 'a hand: feet play no graces')
    return undefined
  }
  const voices = readVoices(scanner, graces > 0)
  if (!voices) return undefined
  return { letter: letter satisfies Letter, level: ghost ? 'ghost' : level, graces, ...voices }
}

function reportBarePrefix(scanner: Scanner, start: number, graced: boolean): undefined {
  if (graced && scanner.next in LEVEL_MARKS) {
    scanner.position += 1
    scanner.report('grace-before-level', start, 'the level first, then the grace, as in >fR')
    scanner.take(scanner.next)
  } else if (graced) {
    scanner.report('grace-without-stroke', start, 'R, L or X after the grace')
  } else {
    scanner.report('level-without-stroke', start, 'a stroke after the level')
  }
  return undefined
}

/** The voice and the grace's voice after a stroke; undefined if either is faulty. */
function readVoices(
  scanner: Scanner,
  graced: boolean,
): { voice?: Voice; graceVoice?: Voice } | undefined {
  let voice: Voice | undefined
  if (scanner.next === ':') {
    voice = readVoice(scanner)
    if (!voice) return undefined
  }
  if (scanner.next !== '/') return voice ? { voice } : {}
  const slash = scanner.position
  const graceVoice = readVoice(scanner)
  if (!graceVoice) return undefined
  if (!graced || !voice) {
    const expected = graced
      ? "the stroke's own voice first, as in fR:t1/sn"
      : 'no second voice: there is no grace to play it'
    scanner.report('grace-voice-without-grace', slash, expected)
    return undefined
  }
  return { voice, graceVoice }
}

/** Reads `:t1` or `/t1`, the cursor on the mark. */
function readVoice(scanner: Scanner): Voice | undefined {
  const mark = scanner.position
  scanner.position += 1
  const code = scanner.takeMatch(VOICE)?.[0]
  if (code === undefined) {
    scanner.takeMatch(/[a-z0-9?]*/y)
    scanner.report('voice-length', mark, 'a voice of two characters, such as t1 or sn')
    return undefined
  }
  const voice = findVoice(code)
  if (!voice) {
    scanner.report('no-such-voice', mark + 1, 'a voice such as sn, t1, f1, hh, rd or c1')
  }
  return voice
}

function isCloser(character: string): boolean {
  return character === ')' || character === '}' || character === ']' || character === '['
}

function notClosed(scanner: Scanner, open: number, closer: string): undefined {
  scanner.report('not-closed', open, `a closing ${closer}`)
  return undefined
}

function skipNested(scanner: Scanner, expected: string): void {
  const open = scanner.position
  const closer = scanner.next === '(' ? ')' : '}'
  while (!scanner.atBreak && scanner.next !== closer) scanner.position += 1
  scanner.take(closer)
  scanner.report('nested', open, expected)
}

/** Steps over characters that begin nothing, and reports them as one. */
export function skipStranger(scanner: Scanner): void {
  const from = scanner.position
  while (!scanner.atBreak && !startsSlot(scanner.next) && !/[)}\][@|*]/.test(scanner.next)) {
    scanner.position += 1
  }
  if (scanner.position === from) scanner.position += 1
  scanner.report('no-such-stroke', from, 'R, L, K, H, J, X or -')
}
