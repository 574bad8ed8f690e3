import { useMemo, useState } from 'react'
import { formatLickText, withOwnGroove } from '~/codecs/lick-text'
import { isPlain } from '~/core/voicing'
import { Button } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { faultWords } from '~/words/fault-words'
import { usePanel } from '../state/use-panel'
import { useDocument, useWorkspace } from '../state/use-workspace'
import { FilesPart } from './files-part'
import { SoundFilePart } from './sound-file-part'

/** The whole lick as its open text: everything can be read, changed and copied here. */
export function TextPanel() {
  const workspace = useWorkspace()
  const { history, issues } = useDocument()
  const { lick, voiced, voicing, grooves } = usePanel()
  const { text } = history
  const whole = (written: string) => withOwnGroove(written, lick, grooves)
  // A file has no room for rules: what they give is written at the strokes.
  const withVoices = () => whole(isPlain(voicing) ? text : formatLickText(voiced))
  const carries = useMemo(() => withOwnGroove('', lick, grooves) !== '', [lick, grooves])
  const [copied, setCopied] = useState('')
  return (
    <>
      <textarea
        aria-label="Lick text"
        aria-invalid={issues.length > 0}
        className="w-full rounded-field border border-base-300 bg-base-100 p-2 font-mono text-sm leading-6 aria-invalid:border-error"
        rows={Math.min(20, text.split('\n').length + 1)}
        spellCheck={false}
        value={text}
        onChange={(event) => workspace.replaceText(event.target.value)}
      />
      <ul className="text-error text-sm">
        {issues.slice(0, 8).map((issue) => (
          <li key={`${issue.line} ${issue.column} ${issue.code}`}>
            Row {issue.line}, character {issue.column}: {faultWords(issue)}
          </li>
        ))}
      </ul>
      <p className="mt-1 flex flex-wrap items-center gap-3 text-sm">
        <Button
          onClick={() => saveFile(`${lick.title || 'lick'}.lick`, 'text/plain', withVoices())}
        >
          Save as a file
        </Button>
        {carries && <span className="text-(--quiet)">The file takes your groove along.</span>}
      </p>
      {!isPlain(voicing) && (
        <p className="mt-2 flex flex-wrap items-center gap-3 text-sm">
          <Button
            onClick={() =>
              void navigator.clipboard.writeText(withVoices()).then(
                () => setCopied('Copied.'),
                () => setCopied('The browser does not allow copying.'),
              )
            }
          >
            Copy with voices
          </Button>
          <span role="status" className="text-(--quiet)">
            {copied || 'A saved file and a copy have the voices, not the rules that gave them.'}
          </span>
        </p>
      )}
      <div className="mt-4 flex flex-col gap-4">
        <SoundFilePart />
        <FilesPart text={whole(workspace.session.texts().text)} withVoices={withVoices} />
      </div>
    </>
  )
}
