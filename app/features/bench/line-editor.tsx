import { type ClipboardEvent, useCallback, useEffect, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { lineTextOf, type TextIssue } from '~/codecs/lick-text'
import { useSettings } from '~/live/use-live'
import { GAUGE, useColumns } from '~/ui/use-columns'
import { useTouch } from '~/ui/use-touch'
import { wrappedRows } from '~/ui/wrapped-rows'
import { faultPlace, faultWords } from '~/words/fault-words'
import { useDocument, useSelection, useWorkspace } from './state/use-workspace'

/** A row of the field and its padding, in pixels; more rows than these are scrolled. */
const ROW = 28
const PADDING = 12
const MAX_ROWS = 3

/**
 * The sticking as it is typed. What cannot be read stays as it is, is underlined at its place, and
 * the first fault is said below. Enter plays, shift with Enter begins another row.
 */
export function LineEditor({ onPlay }: { onPlay: () => void }) {
  const workspace = useWorkspace()
  const { history, issues } = useDocument()
  const { text: marked } = useSelection()
  const value = lineTextOf(history.text)
  const fieldRef = useRef<HTMLTextAreaElement>(null)
  const byTouch = useTouch()
  const backdrop = useRef<HTMLDivElement>(null)
  const gauge = useRef<HTMLSpanElement>(null)
  const columns = useColumns(fieldRef, gauge)
  const rows = columns > 0 ? wrappedRows(value, columns) : value.split('\n').length
  const [focused, setFocused] = useState(false)
  const faults = issues.filter(({ inLine }) => inLine)
  const first = issues[0]

  // The line shows what is marked, whoever marked it.
  useEffect(() => {
    const field = fieldRef.current
    if (!field || (field.selectionStart === marked.from && field.selectionEnd === marked.to)) return
    field.setSelectionRange(marked.from, marked.to)
  }, [marked])
  // An empty line waits for its first letter: a new lick can be typed at once.
  useEffect(() => {
    if (workspace.lick.line.slots.length === 0) fieldRef.current?.focus()
  }, [workspace])

  const onPaste = usePaste()
  const tellSelection = () => {
    const field = fieldRef.current
    if (field) workspace.selectText({ from: field.selectionStart, to: field.selectionEnd })
  }
  const tellCopied = ({ currentTarget }: ClipboardEvent<HTMLTextAreaElement>) => {
    const { selectionStart, selectionEnd } = currentTarget
    workspace.copy(value.slice(selectionStart, selectionEnd))
  }
  const shared =
    'px-3 py-1.5 font-mono text-[17px] leading-7 tracking-[0.02em] whitespace-pre-wrap break-words'
  return (
    <div>
      <div
        className={`relative overflow-hidden rounded-field border bg-base-100 ${first ? 'border-error' : focused ? 'border-primary' : 'border-base-300'}`}
      >
        <div
          ref={backdrop}
          className={`pointer-events-none absolute inset-0 overflow-hidden text-transparent ${shared}`}
          aria-hidden="true"
        >
          {faults.length > 0 && underlined(value, faults)}
        </div>
        <span ref={gauge} className={`invisible absolute h-0 ${shared} px-0`} aria-hidden="true">
          {GAUGE}
        </span>
        <textarea
          ref={fieldRef}
          // Its height is known beforehand, and nothing inside it moves the page: a key is drawn sooner.
          style={{ height: Math.min(MAX_ROWS, rows) * ROW + PADDING, contain: 'strict' }}
          className={`relative block w-full resize-none overflow-auto bg-transparent outline-none ${shared}`}
          aria-label="Sticking"
          aria-invalid={first !== undefined}
          aria-describedby="line-fault"
          spellCheck={false}
          autoCapitalize="off"
          autoCorrect="off"
          autoComplete="off"
          placeholder={byTouch ? 'Tap R, L, K …' : 'Type R, L, K … a space begins the next group'}
          value={value}
          onChange={(event) => workspace.type(event.target.value, event.target.selectionEnd)}
          inputMode={byTouch ? 'none' : 'text'}
          data-line
          data-home
          onSelect={tellSelection}
          onPaste={onPaste}
          onCopy={tellCopied}
          onCut={tellCopied}
          onFocus={() => setFocused(true)}
          onBlur={() => setFocused(false)}
          onScroll={(event) => {
            if (backdrop.current) backdrop.current.scrollTop = event.currentTarget.scrollTop
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && !event.shiftKey) {
              event.preventDefault()
              onPlay()
            }
            if (jumpsGroup(event.nativeEvent)) {
              event.preventDefault()
              jumpGroup(event.currentTarget, event.key === 'ArrowRight', event.shiftKey)
              tellSelection()
            }
          }}
        />
      </div>
      <p id="line-fault" role="status" className="text-error text-sm not-empty:mt-1.5">
        {first && firstFault(first, issues.length)}
      </p>
    </div>
  )
}

/** The first fault, how many more there are, and what shows meanwhile. */
function firstFault(issue: TextIssue, count: number): string {
  const more = count > 1 ? ` (and ${count - 1} more)` : ''
  return `${faultPlace(issue)}: ${faultWords(issue)}${more}. You still see and hear the last line that could be read.`
}

function underlined(value: string, faults: readonly TextIssue[]) {
  const pieces = []
  let from = 0
  for (const { inLine } of faults) {
    if (!inLine || inLine.at < from) continue
    const end = Math.max(inLine.at + 1, inLine.at + inLine.length)
    pieces.push(value.slice(from, inLine.at))
    pieces.push(
      <mark
        key={inLine.at}
        className="bg-error/15 text-transparent underline decoration-2 decoration-error decoration-wavy underline-offset-4"
      >
        {value.slice(inLine.at, end) || ' '}
      </mark>,
    )
    from = end
  }
  pieces.push(value.slice(from))
  return pieces
}

/** The keys of a jump by words; here a word is a group. */
function jumpsGroup({ key, ctrlKey, altKey, metaKey }: KeyboardEvent): boolean {
  return (
    (key === 'ArrowLeft' || key === 'ArrowRight') &&
    (ctrlKey || altKey) &&
    !metaKey &&
    ctrlKey !== altKey
  )
}

/** The next edge of a group from a place on, past blanks and then past what is none. */
function edgeFrom(text: string, from: number, way: 1 | -1): number {
  const at = (place: number) => text[way === 1 ? place : place - 1]
  const blank = (character: string | undefined) =>
    character !== undefined && character.trim() === ''
  let to = from
  while (blank(at(to))) to += way
  while (at(to) !== undefined && !blank(at(to))) to += way
  return to
}

/** Moves the caret, or with shift the end of the selection, to the next edge of a group. */
function jumpGroup(field: HTMLTextAreaElement, forward: boolean, extend: boolean): void {
  const { value, selectionStart, selectionEnd, selectionDirection } = field
  const backward = selectionDirection === 'backward'
  const head = backward ? selectionStart : selectionEnd
  const anchor = backward ? selectionEnd : selectionStart
  const to = forward ? edgeFrom(value, head, 1) : edgeFrom(value, head, -1)
  if (!extend) field.setSelectionRange(to, to)
  else
    field.setSelectionRange(
      Math.min(anchor, to),
      Math.max(anchor, to),
      to < anchor ? 'backward' : 'forward',
    )
}

/**
 * What is pasted into the line: a sticking as people write it is turned into the line's notation, with
 * the way back said; a whole lick opens as that lick. Anything else is pasted as it is.
 */
function usePaste(): (event: ClipboardEvent<HTMLTextAreaElement>) => void {
  const workspace = useWorkspace()
  const { kickLetter } = useSettings().settings
  const navigate = useNavigate()
  return useCallback(
    (event) => {
      const text = event.clipboardData.getData('text/plain')
      if (workspace.hasCopied(text)) {
        event.preventDefault()
        workspace.insertText(text)
        return
      }
      if (!/[\s:+/|(]|\S>|[FB]/.test(text)) return
      event.preventDefault()
      void import('./paste').then(({ paste }) =>
        paste(workspace, text, kickLetter, (id) => navigate(`/bench/${id}`)),
      )
    },
    [workspace, kickLetter, navigate],
  )
}
