import { memo, useState } from 'react'
import { findOwnGrooves, formatOwnGroove, type TextIssue } from '~/codecs/lick-text'
import type { Groove } from '~/core/groove'
import type { Lick } from '~/core/line'
import { saveFile } from '~/ui/save-file'
import { faultWords } from '~/words/fault-words'

/** The row that takes a lick's own groove along with its text; empty where there is nothing to take. */
export function grooveRow({ frame, unknown }: Lick, grooves: readonly Groove[]): string {
  const own = grooves.find(({ id }) => id === frame.groove)
  const [bar] = own ? Object.entries(own.bars) : []
  if (!own || !bar || findOwnGrooves(unknown).some(({ id }) => id === own.id)) return ''
  const [meter, { grid, line }] = bar
  return formatOwnGroove({ id: own.id, name: own.name, meter, grid, line })
}

function withRow(text: string, row: string): string {
  return row === '' ? text : `${text.trimEnd()}\n${row}\n`
}

/** The whole lick as its open text: everything can be read, changed and copied here. */
export const TextPanel = memo(function TextPanel({
  text,
  title,
  groove,
  issues,
  voiced,
  onText,
}: {
  text: string
  title: string
  /** The row that takes the lick's own groove along; empty where it has none, or the text has it. */
  groove: string
  issues: readonly TextIssue[]
  /** The text with the voices that the rules give; null where there are no rules. */
  voiced: (() => string) | null
  onText: (text: string) => void
}) {
  const [open, setOpen] = useState(false)
  const [copied, setCopied] = useState('')
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer font-semibold">Text</summary>
      {open && (
        <>
          <textarea
            aria-label="Lick text"
            aria-invalid={issues.length > 0}
            className="mt-2 w-full rounded-field border border-base-300 bg-base-100 p-3 font-mono text-sm leading-6 aria-invalid:border-error"
            rows={Math.min(20, text.split('\n').length + 1)}
            spellCheck={false}
            value={text}
            onChange={(event) => onText(event.target.value)}
          />
          <p className="flex flex-wrap items-center gap-3 text-sm">
            <button
              type="button"
              className="btn btn-outline border-base-300 btn-sm font-normal"
              onClick={() =>
                saveFile(`${title || 'lick'}.lick`, 'text/plain', withRow(text, groove))
              }
            >
              Save as a file
            </button>
            {groove !== '' && (
              <span className="text-(--quiet)">The file takes your groove along.</span>
            )}
          </p>
          {voiced && (
            <p className="mt-2 flex flex-wrap items-center gap-3 text-sm">
              <button
                type="button"
                className="btn btn-outline border-base-300 btn-sm font-normal"
                onClick={() =>
                  navigator.clipboard.writeText(withRow(voiced(), groove)).then(
                    () => setCopied('Copied.'),
                    () => setCopied('The browser does not allow copying.'),
                  )
                }
              >
                Copy with voices
              </button>
              <span role="status" className="text-(--quiet)">
                {copied || 'The text has the voices, not the rules that gave them.'}
              </span>
            </p>
          )}
          <ul className="text-error text-sm">
            {issues.slice(0, 8).map((issue) => (
              <li key={`${issue.line} ${issue.column} ${issue.code}`}>
                Row {issue.line}, character {issue.column}: {faultWords(issue)}
              </li>
            ))}
          </ul>
        </>
      )}
    </details>
  )
})
