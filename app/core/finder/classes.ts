import type { SlotContent } from '../sticking'
import { type CellForm, TooLarge } from './forms'
import type { Watcher } from './watcher'

/** Forms that every condition treats alike, at every place and after whatever: they are counted as one. */
export interface FormClass {
  readonly index: number
  readonly length: number
  readonly forms: readonly CellForm[]
}

/** What one condition has to know in more different ways than this is not asked. */
const MAX_STATES = 20_000

/** Conditions that look back over the beginning of the space. */
const JOINING: ReadonlySet<string> = new Set(['runs', 'speed', 'kicksApart', 'free'])

/** What a condition knows where a fill begins: after what is played before it, unless it refuses that itself. */
export function startOf(watcher: Watcher, before: readonly SlotContent[] = []): number {
  if (before.length === 0 || watcher.placed || !JOINING.has(watcher.of)) return 0
  return Math.max(0, watcher.over(0, { index: -1, cell: -1, slots: before, cut: false }, 0))
}

/**
 * Forms sorted into classes of one length that every watcher treats alike: from each of its states it goes to
 * the same one, at every place where that matters. What the states are is found by going on from the first.
 */
export function classesOf(
  forms: readonly CellForm[],
  starts: ReadonlyMap<Watcher, number>,
  length: number,
): FormClass[] {
  const fitting = forms.filter(({ slots }) => slots.length <= length)
  let lists = split([fitting], ({ slots, cut }) => `${slots.length} ${cut}`)
  for (const [watcher, start] of starts)
    lists = split(lists, signatures(watcher, start, fitting, length))
  const sized = lists.map((alike) => ({ length: alike[0]?.slots.length ?? 0, forms: alike }))
  return sized.sort((a, b) => a.length - b.length).map((one, index) => ({ ...one, index }))
}

/** Where each class leads from each state of a watcher that looks at no place: row by row, a state each. */
export function tableOf(
  watcher: Watcher,
  classes: readonly FormClass[],
  start: number,
): Int32Array {
  const rows: number[] = []
  for (let state = 0, known = start + 1; state < known; state += 1) {
    for (const { forms } of classes) {
      const next = watcher.over(state, forms[0] as CellForm, 0)
      known = Math.max(known, next + 1)
      rows.push(next)
    }
  }
  return Int32Array.from(rows)
}

/** How a watcher treats each form, as a text: equal for forms that it treats alike. */
function signatures(
  watcher: Watcher,
  start: number,
  forms: readonly CellForm[],
  length: number,
): (form: CellForm) => string {
  const names = new Map<CellForm, number[]>(forms.map((form) => [form, []]))
  for (let state = 0, known = start + 1; state < known; state += 1) {
    if (known > MAX_STATES) throw new TooLarge(watcher.of)
    for (const form of forms) {
      const places = watcher.placed ? length - form.slots.length + 1 : 1
      for (let at = 0; at < places; at += 1) {
        const next = watcher.over(state, form, at)
        known = Math.max(known, next + 1)
        names.get(form)?.push(next)
      }
    }
  }
  return (form) => (names.get(form) ?? []).join(' ')
}

/** Lists of forms, each split by a name that its forms have. */
function split(
  lists: readonly (readonly CellForm[])[],
  nameOf: (form: CellForm) => string,
): CellForm[][] {
  return lists.flatMap((list) => {
    const named = new Map<string, CellForm[]>()
    for (const form of list) {
      const name = nameOf(form)
      const alike = named.get(name)
      if (alike) alike.push(form)
      else named.set(name, [form])
    }
    return [...named.values()]
  })
}
