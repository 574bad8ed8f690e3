import { memo, useState } from 'react'
import type { TextIssue } from '~/codecs/lick-text'
import { faultWords } from './fault-words'

/** The whole lick as its open text: everything can be read, changed and copied here. */
export const TextPanel = memo(function TextPanel({
  text,
  issues,
  voiced,
  onText,
}: {
  text: string
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
          {voiced && (
            <p className="flex flex-wrap items-center gap-3 text-sm">
              <button
                type="button"
                className="btn btn-outline border-base-300 btn-sm font-normal"
                onClick={() =>
                  navigator.clipboard.writeText(voiced()).then(
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
