import { Plus } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useLive } from '~/live/use-live'
import { type Kept, liveSets, notSavedWords, restore, type SetRecord, saveRecord } from '~/storage'
import { LongList } from '~/ui/long-list'
import { Button, ErrorText, Part, TextBox } from '~/ui/parts'
import { plural } from '~/words/figures'
import { addLicksTo, minutesOfSet } from '~/workspace/documents/set-edits'
import { StoreTrouble } from '../shell'
import { createSet, deleteLicksOf, deleteSet } from './set-actions'
import { useProgress } from './use-progress'

/** Pixels of a row before it is measured. */
const USUAL_ROW = 70

/** All sets with how far each is; licks that come along are put into one of them. */
export function SetsPage() {
  const live = useLive(liveSets)
  const [params] = useSearchParams()
  const adding = (params.get('add') ?? '').split(',').filter(Boolean)
  const [deleted, setDeleted] = useState<SetRecord | null>(null)
  const [trouble, setTrouble] = useState('')
  if (live.kind === 'failed') return <StoreTrouble issue={live.issue} />
  return (
    <div className="mx-auto flex w-full max-w-5xl flex-col gap-6 px-4 py-7 sm:px-5">
      <h1 className="font-semibold text-3xl tracking-tight">Sets</h1>
      <ErrorText words={trouble} />
      {deleted && (
        <p role="status" className="flex items-center gap-3 text-sm">
          {deleted.name} is in the bin.
          <button
            type="button"
            className="link"
            onClick={() => {
              void restore([{ table: 'sets', id: deleted.id }])
              setDeleted(null)
            }}
          >
            Undo
          </button>
          {deleted.exercises.length > 0 && (
            <button
              type="button"
              className="link"
              onClick={() => {
                void deleteLicksOf(deleted).then(({ trouble: why }) => setTrouble(why))
                setDeleted(null)
              }}
            >
              Delete its {plural(deleted.exercises.length, 'lick')} too
            </button>
          )}
        </p>
      )}
      {adding.length > 0 ? (
        <AddTo sets={live.rows} lickIds={adding} />
      ) : (
        <>
          <NewSet lickIds={[]} label="New set" />
          {live.rows.length === 0 && (
            <p>
              A set is licks in an order, practised one after the other. Select licks in the{' '}
              <Link className="link" to="/">
                library
              </Link>{' '}
              and press “Add to a set”, or let a family on the bench become one.
            </p>
          )}
          <LongList rows={live.rows} usualRow={USUAL_ROW}>
            {(set) => (
              <SetRow
                set={set}
                onDelete={() =>
                  void deleteSet(set).then(({ trouble: why }) => {
                    setTrouble(why)
                    if (why === '') setDeleted(set)
                  })
                }
              />
            )}
          </LongList>
        </>
      )}
    </div>
  )
}

function SetRow({ set, onDelete }: { set: Kept<SetRecord>; onDelete: () => void }) {
  const { atGoal, count } = useProgress(set)
  return (
    <div className="relative grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-base-300 border-b px-2 py-2.5 hover:bg-base-100 sm:grid-cols-[minmax(0,1fr)_14rem_auto]">
      <div className="min-w-0">
        <Link
          to={`/sets/${set.id}`}
          dir="auto"
          className="block truncate text-start font-semibold text-lg after:absolute after:inset-0"
        >
          {set.name}
        </Link>
        <p className="truncate text-(--quiet) text-sm">
          {plural(count, 'exercise')}, {Math.round(minutesOfSet(set))} minutes
        </p>
      </div>
      <p className="hidden text-sm sm:block">
        {count > 0 && (
          <>
            <progress
              className="progress w-full"
              value={atGoal}
              max={count}
              aria-label={`At the goal: ${atGoal} of ${count}`}
            />
            <span className="text-(--quiet) text-xs">
              {atGoal} of {count} at the goal
            </span>
          </>
        )}
      </p>
      <span className="relative z-10">
        <Button label={`Delete ${set.name}`} onClick={onDelete}>
          Delete
        </Button>
      </span>
    </div>
  )
}

/** Licks from the library or the bench, into a set that is there or a new one. */
function AddTo({
  sets,
  lickIds,
}: {
  sets: readonly Kept<SetRecord>[]
  lickIds: readonly string[]
}) {
  const navigate = useNavigate()
  const [trouble, setTrouble] = useState('')
  const add = async (set: Kept<SetRecord>) => {
    const next = addLicksTo(set, lickIds)
    const saved =
      next === set ? { ok: true as const } : await saveRecord('sets', next, set.revision)
    if (saved.ok) navigate(`/sets/${set.id}`, { replace: true })
    else setTrouble(notSavedWords(saved.error))
  }
  return (
    <Part title={`Add ${plural(lickIds.length, 'lick')} to a set`} level={2}>
      <NewSet lickIds={lickIds} label="Make a new set" />
      {sets.length > 0 && (
        <p className="flex flex-wrap gap-2">
          {sets.map((set) => (
            <Button key={set.id} onClick={() => void add(set)}>
              {set.name}
            </Button>
          ))}
        </p>
      )}
      <ErrorText words={trouble} />
    </Part>
  )
}

function NewSet({ lickIds, label }: { lickIds: readonly string[]; label: string }) {
  const navigate = useNavigate()
  const [name, setName] = useState('')
  const [trouble, setTrouble] = useState('')
  const make = async () => {
    const made = await createSet(name, lickIds)
    if (made.id) navigate(`/sets/${made.id}`, { replace: lickIds.length > 0 })
    else setTrouble(made.trouble)
  }
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        void make()
      }}
    >
      <TextBox
        label="Name of the new set"
        className="w-60"
        placeholder="a name for it"
        maxLength={80}
        value={name}
        onType={setName}
      />
      <button type="submit" className="btn btn-primary btn-sm">
        <Plus size={16} aria-hidden /> {label}
      </button>
      <ErrorText words={trouble} />
    </form>
  )
}
