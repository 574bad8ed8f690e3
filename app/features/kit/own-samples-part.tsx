import { nanoid } from 'nanoid'
import { useRef, useState } from 'react'
import type { Kit } from '~/core/kit'
import type { SampleMap } from '~/core/sound'
import { SURFACE_NAMES } from '~/core/sticking'
import { type Concerns, useRead } from '~/live/use-read'
import { notSavedWords, type Settings } from '~/storage'
import { deleteSampleMap, listSampleMaps, saveSampleMap } from '~/storage/samples'
import { SelectField } from '~/ui/field'
import { Button, ErrorText } from '~/ui/parts'
import { listWords, plural } from '~/words/figures'

const ofMaps: Concerns = (table) => table === 'sampleMaps'
const NONE: readonly SampleMap[] = []
/** Names that are listed at the most, of what was passed over. */
const LISTED = 8

type State =
  | { readonly kind: 'idle'; readonly said: readonly string[]; readonly trouble: string }
  | { readonly kind: 'reading'; readonly control: AbortController; readonly share: number }
const IDLE: State = { kind: 'idle', said: [], trouble: '' }

/** Sounds of the player's own in place of the kit's: read from files or a folder, chosen, and deleted. */
export function OwnSamplesPart({
  kit,
  sound,
  onChange,
}: {
  kit: Kit
  sound: Settings['sound']
  onChange: (changed: Partial<Settings>) => void
}) {
  const maps = useRead(listSampleMaps, ofMaps, NONE)
  const [state, setState] = useState<State>(IDLE)
  const files = useRef<HTMLInputElement>(null)
  const folder = useRef<HTMLInputElement>(null)
  const choose = (samples: string) => onChange({ sound: { ...sound, samples } })
  const read = async (list: FileList | null) => {
    const chosen = [...(list ?? [])].map((file) => ({
      path: file.webkitRelativePath || file.name,
      file,
    }))
    if (chosen.length === 0) return
    const control = new AbortController()
    setState({ kind: 'reading', control, share: 0 })
    const id = nanoid()
    const read = await readOwn(id, chosen, kit, control.signal, (share) =>
      setState({ kind: 'reading', control, share }),
    )
    setState({ kind: 'idle', ...read })
    if (read.trouble === '') choose(id)
    else await deleteSampleMap(id)
  }
  const chosen = maps.find(({ id }) => id === sound.samples)
  const fields = { type: 'file', multiple: true, className: 'hidden', tabIndex: -1 } as const
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label="Sounds"
          className="min-w-48 grow"
          value={chosen?.id ?? ''}
          options={[
            { value: '', label: 'the app’s own kit' },
            ...maps.map(({ id, name }) => ({ value: id, label: `yours: ${name}` })),
          ]}
          onChange={choose}
        />
        {state.kind === 'reading' ? (
          <Button onClick={() => state.control.abort()}>
            Reading, {Math.round(state.share * 100)} % … Cancel
          </Button>
        ) : (
          <>
            <Button onClick={() => folder.current?.click()}>Read a folder</Button>
            <Button onClick={() => files.current?.click()}>Read files</Button>
          </>
        )}
        {chosen && (
          <Button
            onClick={() => {
              choose('')
              void deleteSampleMap(chosen.id)
            }}
          >
            Delete these
          </Button>
        )}
        <input
          {...fields}
          ref={files}
          aria-label="Sound files, a map, or a zip of them"
          accept=".zip,.sfz,audio/*"
          onChange={({ target }) => {
            void read(target.files).then(() => {
              target.value = ''
            })
          }}
        />
        <input
          {...fields}
          ref={folder}
          aria-label="A folder of sound files"
          {...{ webkitdirectory: '' }}
          onChange={({ target }) => {
            void read(target.files).then(() => {
              target.value = ''
            })
          }}
        />
      </div>
      {chosen && <p className="text-(--quiet) text-sm">{laidWords(chosen)}</p>}
      {state.kind === 'idle' && (
        <>
          <div role="status" className="text-sm empty:hidden">
            {state.said.map((words) => (
              <p key={words}>{words}</p>
            ))}
          </div>
          <ErrorText words={state.trouble} />
        </>
      )}
    </div>
  )
}

/** Reads what was chosen and keeps it; tells what came of it, or why it could not be. */
async function readOwn(
  id: string,
  chosen: readonly { path: string; file: File }[],
  kit: Kit,
  signal: AbortSignal,
  onShare: (share: number) => void,
): Promise<{ readonly said: readonly string[]; readonly trouble: string }> {
  try {
    const { filesWorker } = await import('~/workers')
    const { regions, passedOver, unlaid, faults } = await filesWorker.ask(
      'read-samples',
      { id, chosen, kit },
      { signal, onTold: ({ done, all }) => onShare(all === 0 ? 0 : done / all) },
    )
    if (regions.length === 0) return { said: [], trouble: nothingLaid(faults) }
    const saved = await saveSampleMap({ id, name: nameOfChosen(chosen), regions })
    if (!saved.ok) return { said: [], trouble: notSavedWords(saved.error) }
    return {
      said: [
        ...(passedOver.length > 0 ? [`Not understood, and passed over: ${some(passedOver)}.`] : []),
        ...(unlaid.length > 0 ? [`Laid on no piece: ${some(unlaid)}.`] : []),
        ...faults.slice(0, LISTED),
      ],
      trouble: '',
    }
  } catch (error) {
    if (signal.aborted) return { said: [], trouble: 'Cancelled.' }
    const told = error instanceof Error && error.message.endsWith('.') ? error.message : ''
    return { said: [], trouble: told || 'These files cannot be read.' }
  }
}

/** What a map is called: the folder or the file that it was read from. */
function nameOfChosen([first]: readonly { path: string }[]): string {
  const path = first?.path ?? ''
  const folder = path.includes('/') ? path.slice(0, path.indexOf('/')) : path
  return folder.replace(/\.\w+$/, '').slice(0, 120) || 'own samples'
}

function nothingLaid(faults: readonly string[]): string {
  const why = 'None of these sounds is for a piece of this kit: name them as the pieces are called.'
  return faults[0] ?? why
}

/** Names, and how many more there are. */
function some(names: readonly string[]): string {
  const more = names.length - LISTED
  return more > 0
    ? `${names.slice(0, LISTED).join(', ')} and ${plural(more, 'other')}`
    : listWords(names)
}

/** What of a kit sounds by a map: `28 sounds for snare, hi-hat and kick`. */
function laidWords({ regions }: SampleMap): string {
  const sounds = new Set(regions.map(({ file }) => file)).size
  const surfaces = [...new Set(regions.map(({ surface }) => SURFACE_NAMES[surface]))]
  return `${plural(sounds, 'sound')} for ${listWords(surfaces)}. What has none sounds by the app’s own kit, and so do sound files that are saved.`
}
