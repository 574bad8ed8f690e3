import { Copy, Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { parseSolo } from '~/codecs/solo'
import { soloLength, toSections } from '~/core/solo'
import { useLive } from '~/live/use-live'
import { type Kept, liveSolos, restore, type SoloRecord } from '~/storage'
import { IconButton } from '~/ui/icon-button'
import { LongList } from '~/ui/long-list'
import { ErrorText } from '~/ui/parts'
import { lengthWords, partName } from '~/words/solo-words'
import { oncePer } from '~/workspace/memoize'
import { StoreTrouble } from '../shell'
import { IdeaForm } from './idea-form'
import { createSolo, deleteSolo, duplicateSolo, NEW_SOLO, type SoloOutcome } from './solo-actions'

/** Pixels of a row before it is measured. */
const USUAL_ROW = 70

/** All solos, and how to begin one: from groove, or from one idea. */
export function SolosPage() {
  const live = useLive(liveSolos)
  const navigate = useNavigate()
  const [trouble, setTrouble] = useState('')
  const [deleted, setDeleted] = useState<{ id: string; name: string } | null>(null)
  const go = async (work: Promise<SoloOutcome>) => {
    const { id, trouble: why } = await work
    setTrouble(why)
    if (id) navigate(`/solos/${id}`)
  }
  if (live.kind === 'failed') return <StoreTrouble issue={live.issue} />
  return (
    <div className="mx-auto flex w-full max-w-5xl flex-col gap-8 px-4 py-7 sm:px-5">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto font-semibold text-3xl tracking-tight">Solos</h1>
        <button
          type="button"
          className="btn btn-primary btn-sm"
          onClick={() => void go(createSolo(NEW_SOLO))}
        >
          <Plus size={16} aria-hidden /> New solo
        </button>
      </div>
      <ErrorText words={trouble} />
      {deleted && (
        <p role="status" className="flex items-center gap-3 text-sm">
          {deleted.name || 'The solo'} is in the bin.
          <button
            type="button"
            className="link"
            onClick={() => {
              void restore([{ table: 'solos', id: deleted.id }])
              setDeleted(null)
            }}
          >
            Undo
          </button>
        </p>
      )}
      {live.rows.length === 0 ? (
        <p>
          A solo is parts in a row: groove, licks, bars left to the others, cells that run over the
          barline. Start with a new one, or let one cell become a whole solo.
        </p>
      ) : (
        <LongList rows={live.rows} usualRow={USUAL_ROW}>
          {(row) => (
            <SoloRow
              row={row}
              onDuplicate={() => void go(duplicateSolo(row))}
              onDelete={() =>
                void deleteSolo(row.id).then(({ trouble: why }) => {
                  setTrouble(why)
                  if (why === '') setDeleted({ id: row.id, name: row.name })
                })
              }
            />
          )}
        </LongList>
      )}
      <IdeaForm />
    </div>
  )
}

/** What a row says of its solo, worked out once for it, however often it comes into sight. */
const factsOf = oncePer((row: SoloRecord): string => {
  const read = parseSolo(row.solo)
  if (!read.ok) return 'This solo can’t be read by this version.'
  const { bars, seconds } = soloLength(read.value, toSections(read.value))
  const parts = read.value.parts.map(partName).join(', ')
  return `${lengthWords(bars, seconds)} at ${read.value.tempo}: ${parts}`
})

function SoloRow({
  row,
  onDuplicate,
  onDelete,
}: {
  row: Kept<SoloRecord>
  onDuplicate: () => void
  onDelete: () => void
}) {
  return (
    <div className="relative grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-base-300 border-b px-2 py-2.5 hover:bg-base-100">
      <div className="min-w-0">
        <Link
          to={`/solos/${row.id}`}
          dir="auto"
          className="block truncate text-start font-semibold text-lg after:absolute after:inset-0"
        >
          {row.name || 'Untitled'}
        </Link>
        <p className="truncate text-(--quiet) text-sm">{factsOf(row)}</p>
      </div>
      <span className="relative z-10 flex">
        <IconButton label={`Duplicate ${row.name}`} onClick={onDuplicate}>
          <Copy size={16} aria-hidden />
        </IconButton>
        <IconButton label={`Delete ${row.name}`} onClick={onDelete}>
          <Trash2 size={16} aria-hidden />
        </IconButton>
      </span>
    </div>
  )
}
