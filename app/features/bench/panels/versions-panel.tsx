import { useMemo, useState } from 'react'
import { findVoicedLick, formatVoicing } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import { useLive } from '~/live/use-live'
import { useSaving } from '~/live/use-saving'
import { type Kept, liveVersions, type VersionRecord } from '~/storage'
import { Act, Nothing, Part, TextBox, Trouble } from '~/ui/parts'
import { differenceWords } from '~/words/versions'
import { turnTexts } from '~/workspace/turned'
import { usePanel } from '../state/use-panel'
import { EndingsPart } from './endings-part'
import { changeVersions, type VersionCommand } from './saved-store'
import { SnapshotList } from './snapshot-list'
import { VersionsRow } from './versions-row'

/** States of the lick saved by name, each compared with what is on the bench. */
export function VersionsPanel() {
  const { id, text, voiced, voicing, turned, onRestore } = usePanel()
  const versions = useLive(liveVersions(id)).rows
  const { tell, trouble, busy } = useSaving(changeVersions)
  const [name, setName] = useState('')
  const row = useMemo(
    () => [
      { id: '', name: 'On the bench', lick: voiced },
      ...versions.flatMap((one) => {
        const lick = findVoicedLick(turnTexts({ ...one, draft: null }, turned))
        return lick && lick.line.slots.length > 0 ? [{ id: one.id, name: one.name, lick }] : []
      }),
    ],
    [versions, voiced, turned],
  )
  const texts = { text, draft: null, voicing: formatVoicing(voicing) }
  return (
    <div className="flex flex-col gap-4">
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          const version = { lickId: id, name, ...turnTexts(texts, turned) }
          void tell({ intent: 'save', ...version }).then((notice) => {
            if (notice.trouble === '') setName('')
          })
        }}
      >
        <TextBox
          label="Name of the version"
          className="w-52"
          placeholder="a name for it"
          maxLength={80}
          value={name}
          onType={setName}
        />
        <button
          type="submit"
          className="btn btn-outline border-base-300 btn-sm font-normal"
          disabled={name.trim() === '' || busy}
        >
          Save this version
        </button>
        <Trouble words={trouble} />
      </form>
      {versions.length === 0 ? (
        <Nothing>
          Save the line as it is now before you change it, and you can compare both.
        </Nothing>
      ) : (
        <Part title="Saved versions">
          <ul className="flex flex-col">
            {versions.map((version) => (
              <VersionRow
                key={version.id}
                version={version}
                turned={turned}
                lick={voiced}
                onRestore={onRestore}
                onTell={tell}
              />
            ))}
          </ul>
        </Part>
      )}
      {row.length > 1 && <VersionsRow versions={row} />}
      <EndingsPart
        onSave={(ending, of) => {
          const saved = turnTexts({ text: of, draft: null, voicing: '' }, turned)
          void tell({ intent: 'save', lickId: id, name: ending.slice(0, 80), ...saved })
        }}
      />
      <SnapshotList id={id} turned={turned} lick={voiced} onRestore={onRestore} />
    </div>
  )
}

interface VersionRowProps {
  readonly version: Kept<VersionRecord>
  readonly turned: boolean
  /** What is on the bench, voiced. */
  readonly lick: Lick
  readonly onRestore: (text: string, voicing: string) => void
  readonly onTell: (command: VersionCommand) => unknown
}

function VersionRow({ version, turned, lick, onRestore, onTell }: VersionRowProps) {
  const [name, setName] = useState(version.name)
  const { text, voicing } = turnTexts({ ...version, draft: null }, turned)
  const savedLick = findVoicedLick({ text, voicing })
  if (!savedLick) return null
  const { version: _version, updatedAt: _at, deletedAt: _gone, ...kept } = version
  const rename = () => {
    if (name.trim() !== '' && name !== version.name) onTell({ ...kept, intent: 'save', name })
    else setName(version.name)
  }
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-base-300 border-t py-1.5 text-sm">
      <PhraseStacks phrase={savedLick.line} />
      <div className="min-w-40 grow">
        <input
          aria-label={`Name of ${version.name}`}
          className="w-full rounded-field bg-transparent font-semibold hover:bg-base-200"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
          onBlur={rename}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur()
          }}
        />
        <p className="text-(--quiet)">{differenceWords(savedLick, lick)}</p>
      </div>
      <Act label={`Restore ${version.name}`} onClick={() => onRestore(text, voicing)}>
        Restore
      </Act>
      <Act
        label={`Delete ${version.name}`}
        onClick={() => onTell({ intent: 'delete', id: version.id })}
      >
        Delete
      </Act>
    </li>
  )
}
