import type { NotationCode, NotationIssue } from './issue'

/** So many faults tell the story; more of them would only slow the page. */
const MAX_ISSUES = 100

const SPACE = /\s/

/** A cursor over a typed line that collects the faults found on the way. */
export class Scanner {
  position = 0
  readonly issues: NotationIssue[] = []

  constructor(readonly text: string) {}

  get done(): boolean {
    return this.position >= this.text.length
  }

  /** The character at the cursor, empty at the end. */
  get next(): string {
    return this.text[this.position] ?? ''
  }

  /** Whether the cursor stands on a space or at the end. */
  get atBreak(): boolean {
    return this.done || SPACE.test(this.next)
  }

  skipSpace(): void {
    while (!this.done && SPACE.test(this.next)) this.position += 1
  }

  /** Takes the character if it is the next one. */
  take(character: string): boolean {
    if (this.next !== character || this.done) return false
    this.position += 1
    return true
  }

  /** Takes what a sticky pattern matches here. */
  takeMatch(pattern: RegExp): RegExpExecArray | null {
    pattern.lastIndex = this.position
    const match = pattern.exec(this.text)
    if (match) this.position += match[0].length
    return match
  }

  /** Records a fault over the text from `at` to the cursor, or over `length` characters. */
  report(code: NotationCode, at: number, expected: string, to: number = this.position): void {
    if (this.issues.length >= MAX_ISSUES) return
    const end = Math.max(to, Math.min(at + 1, this.text.length))
    this.issues.push({ code, at, length: end - at, found: this.text.slice(at, end), expected })
  }
}
