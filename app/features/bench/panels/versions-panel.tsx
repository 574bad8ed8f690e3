import { useMemo, useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import { useLive } from '~/live/use-live'
import { useSaving } from '~/live/use-saving'
import { type Kept, liveVersions, type VersionRecord } from '~/storage'
import { Button, EmptyState, ErrorText, Part } from '~/ui/parts'
import { differenceWords } from '~/words/versions'
import { turnTexts } from '~/workspace/turned'
import { usePanel } from '../state/use-panel'
import { SaveVersion } from './save-version'
import { changeVersions, type VersionCommand } from './saved-store'
import { SnapshotList } from './snapshot-list'
import { VersionsRow } from './versions-row'

/** States of the lick saved by name, each compared with what is on the bench. */
export function VersionsPanel() {
  const { id, voiced, turned, onRestore } = usePanel()
  const versions = useLive(liveVersions(id)).rows
  const { tell, trouble } = useSaving(changeVersions)
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
  return (
    <div className="flex flex-col gap-4">
      <SaveVersion />
      {versions.length === 0 ? (
        <EmptyState>
          Save the line as it is now before you change it, and you can compare both.
        </EmptyState>
      ) : (
        <Part title="Saved versions">
          <ul className="flex flex-col">
            {versions.map((version, i) => (
              <VersionRow
                key={version.id}
                version={version}
                turned={turned}
                before={versions[i - 1] ?? null}
                lick={voiced}
                onRestore={onRestore}
                onTell={tell}
              />
            ))}
          </ul>
        </Part>
      )}
      <ErrorText words={trouble} />
      {row.length > 1 && <VersionsRow versions={row} />}
      <SnapshotList id={id} turned={turned} lick={voiced} onRestore={onRestore} />
    </div>
  )
}

interface VersionRowProps {
  readonly version: Kept<VersionRecord>
  readonly turned: boolean
  /** What is on the bench, voiced. */
  readonly lick: Lick
  /** The one that was saved before it. */
  readonly before: Kept<VersionRecord> | null
  readonly onRestore: (text: string, voicing: string, name: string) => void
  readonly onTell: (command: VersionCommand) => unknown
}

function VersionRow({ version, turned, lick, before, onRestore, onTell }: VersionRowProps) {
  const [name, setName] = useState(version.name)
  const { text, voicing } = turnTexts({ ...version, draft: null }, turned)
  const savedLick = findVoicedLick({ text, voicing })
  const lickBefore = before && findVoicedLick(turnTexts({ ...before, draft: null }, turned))
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
        <p className="text-(--quiet)">
          {lickBefore
            ? `After ${before.name}: ${differenceWords(lickBefore, savedLick, 'nothing changed')}`
            : 'The first version'}
          {differenceWords(savedLick, lick, '') === '' && ' · on the bench now'}
        </p>
      </div>
      <Button
        label={`Restore ${version.name}`}
        onClick={() => onRestore(text, voicing, version.name)}
      >
        Restore
      </Button>
      <Button
        label={`Delete ${version.name}`}
        onClick={() => onTell({ intent: 'delete', id: version.id })}
      >
        Delete
      </Button>
    </li>
  )
}
