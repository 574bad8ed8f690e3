import { applyTransaction, invertTransaction, type Splice, type Transaction } from './transaction'

/** A document with its past and its undone future; the document itself knows nothing of them. */
export interface History {
  readonly text: string
  /** What is kept beside the text, and undone with it. */
  readonly beside: string
  readonly past: readonly Transaction[]
  readonly future: readonly Transaction[]
}

/**
 * A document nobody has changed yet.
 *
 * @example toHistory('line: R').text // 'line: R'
 */
export function toHistory(text: string, beside = ''): History {
  return { text, beside, past: [], future: [] }
}

/**
 * Takes a transaction. One that changes nothing returns the same history.
 *
 * @example commit(toHistory('R'), toTransaction('x', [{ at: 1, removed: '', inserted: 'L' }])).text // 'RL'
 */
export function commit(history: History, transaction: Transaction): History {
  const { text, beside } = apply(history, transaction)
  if (text === history.text && beside === history.beside) return history
  const last = history.past.at(-1)
  const joined = last && history.future.length === 0 ? joinTyping(last, transaction) : undefined
  const past = joined ? [...history.past.slice(0, -1), joined] : [...history.past, transaction]
  return { text, beside, past, future: [] }
}

/**
 * Changes what is kept beside the text as a part of the last step, so that both are undone as one; the same history
 * where there is no step.
 */
export function commitBeside(history: History, beside: string): History {
  const last = history.past.at(-1)
  if (!last || beside === history.beside) return history
  const removed = last.beside?.removed ?? history.beside
  const whole = { ...last, beside: { removed, inserted: beside } }
  return { ...history, beside, past: [...history.past.slice(0, -1), whole] }
}

/**
 * Takes the last transaction back; the same history where there is none.
 *
 * @example undo(commit(toHistory('R'), toTransaction('x', [{ at: 1, removed: '', inserted: 'L' }]))).text // 'R'
 */
export function undo(history: History): History {
  const last = history.past.at(-1)
  if (!last) return history
  return {
    ...apply(history, invertTransaction(last)),
    past: history.past.slice(0, -1),
    future: [last, ...history.future],
  }
}

/**
 * Does the last undone transaction again; the same history where there is none.
 *
 * @example redo(undo(commit(toHistory('R'), toTransaction('x', [{ at: 1, removed: '', inserted: 'L' }])))).text // 'RL'
 */
export function redo(history: History): History {
  const [next, ...future] = history.future
  if (!next) return history
  return { ...apply(history, next), past: [...history.past, next], future }
}

function apply({ text, beside }: History, transaction: Transaction) {
  return {
    text: applyTransaction(text, transaction),
    beside: transaction.beside ? transaction.beside.inserted : beside,
  }
}

/** Letters typed one after the other within a group are one step to undo. */
function joinTyping(last: Transaction, next: Transaction): Transaction | undefined {
  const [before, after] = [only(last), only(next)]
  if (!before || !after || last.label !== next.label) return undefined
  if (before.removed !== '' || after.removed !== '' || /\s/.test(after.inserted)) return undefined
  if (after.inserted.length !== 1 || before.at + before.inserted.length !== after.at)
    return undefined
  const splices = [{ ...before, inserted: before.inserted + after.inserted }]
  const [first, then] = [last.beside ?? next.beside, next.beside ?? last.beside]
  const beside = first && then && { removed: first.removed, inserted: then.inserted }
  return { label: last.label, splices, ...(beside && { beside }) }
}

function only({ splices }: Transaction): Splice | undefined {
  return splices.length === 1 ? splices[0] : undefined
}
