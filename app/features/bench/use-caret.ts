import { type Dispatch, useCallback, useEffect, useRef, useState } from 'react'
import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { type BenchCommand, type BenchDocument, caretAfter, runCommand } from '~/workspace/document'
import type { Edit } from '~/workspace/edits/edits'

/** The caret of the typed line: where it is, where a slot of the ruler puts it, where undo leaves it. */
export function useCaret(
  document: BenchDocument,
  run: Dispatch<BenchCommand>,
  refuse: (message: string) => void,
) {
  const field = useRef<HTMLTextAreaElement>(null)
  const [caret, setCaret] = useState({ from: -1, to: -1 })
  const current = useRef(document)
  useEffect(() => {
    current.current = document
  }, [document])

  // An empty line waits for its first letter: a new lick can be typed at once.
  useEffect(() => {
    if (current.current.good.lick.line.slots.length === 0) field.current?.focus()
  }, [])

  // The browser tells the same caret more than once a key: asking React would draw the page again.
  const told = useRef(caret)
  const tellCaret = useCallback((from: number, to: number) => {
    if (told.current.from === from && told.current.to === to) return
    told.current = { from, to }
    setCaret(told.current)
  }, [])

  const pick = useCallback(
    ({ from, to }: SlotRange) => {
      const { spans } = current.current.good
      const [first, last] = [spans[from], spans[to - 1]]
      if (!first || !last) return
      field.current?.focus()
      field.current?.setSelectionRange(first.from, last.to)
      tellCaret(first.from, last.to)
    },
    [tellCaret],
  )

  // What a change of the workbench put there is selected, wherever the focus is.
  const wanted = useRef<SlotRange | null>(null)
  useEffect(() => {
    const range = wanted.current
    wanted.current = null
    if (!range || !field.current) return
    const { spans } = document.good
    const [first, last] = [spans[range.from], spans[range.to - 1]]
    const at = first && last ? [first.from, last.to] : [field.current.value.length]
    field.current.setSelectionRange(at[0] as number, at.at(-1) as number)
    tellCaret(at[0] as number, at.at(-1) as number)
  }, [document, tellCaret])

  const edit = useCallback(
    ({ label, lick, change, select }: Edit, base: Lick): boolean => {
      const { good, goodText, history } = current.current
      if (history.text !== goodText) {
        refuse('The text cannot be read as it stands: fix it first, then change the line.')
        return false
      }
      // What was worked out from an older line would undo what was typed since.
      if (base !== good.lick) {
        refuse('The line changed in the meantime, so nothing was done. Try it again.')
        return false
      }
      wanted.current = select ?? null
      run({ kind: 'change', label, lick, ...(change && { change }) })
      return true
    },
    [run, refuse],
  )

  const travel = useCallback(
    (kind: 'undo' | 'redo') => {
      const before = current.current
      const { past, future } = before.history
      if ((kind === 'undo' ? past : future).length === 0) return refuse(`Nothing to ${kind}.`)
      const at = caretAfter(before, runCommand(before, { kind }))
      run({ kind })
      requestAnimationFrame(() => {
        const focused = window.document.activeElement === field.current
        if (focused) field.current?.setSelectionRange(at, at)
      })
    },
    [run, refuse],
  )

  return { field, caret, tellCaret, pick, travel, edit }
}
