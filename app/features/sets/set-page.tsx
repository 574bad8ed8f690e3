import { Download, Play, Printer } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { formatSetLink, MAX_LINK } from '~/codecs/link'
import { findVoicedLick } from '~/codecs/voicing'
import { lineEvents } from '~/core/line'
import { speedLimit } from '~/core/playability'
import type { SetOrder } from '~/core/practice'
import { DocumentNotice } from '~/live/document-notice'
import { useDocument } from '~/live/use-document'
import { useLive } from '~/live/use-live'
import { useSettingFor } from '~/live/use-setting'
import { useSlices } from '~/live/use-slices'
import { type Kept, liveSummaries, loadLicks, notSavedWords, type SetRecord } from '~/storage'
import { AddSelect } from '~/ui/add-select'
import { NumberField } from '~/ui/number-field'
import { Button, ErrorText, TitleBox } from '~/ui/parts'
import { usePageTitle } from '~/ui/use-page-title'
import { plural } from '~/words/figures'
import { setDifferences } from '~/workspace/documents/set-differences'
import { setDocument } from '~/workspace/documents/set-document'
import { addLicksTo, minutesOfSet, reordered, sharePlan } from '~/workspace/documents/set-edits'
import { ExportButton } from '../backup'
import { ExerciseList } from './exercise-list'
import { type Placed, placeLike } from './set-actions'
import { SetPlanRow } from './set-plan-row'
import { useProgress } from './use-progress'

/** So many licks go on a sheet. */
const MAX_ON_SHEET = 64
const ANY_LICK = { kit: null, unknown: [] }

/** A set: its exercises in their order, how far each is, and the way into practice. */
export function SetPage({ opened }: { opened: Kept<SetRecord> }) {
  const document = useDocument(() => setDocument(opened))
  const { content: set, steps } = useSlices(document)
  const { edit } = document
  usePageTitle(set.name, 'Set')
  const { progress, atGoal, count } = useProgress(set)
  const summaries = useLive(liveSummaries).rows
  const setting = useSettingFor(ANY_LICK)
  const [trouble, setTrouble] = useState('')
  const [placed, setPlaced] = useState<Placed | null>(null)
  const ids = set.exercises.map(({ lickId }) => lickId)
  const others = summaries.filter(({ id }) => !ids.includes(id))
  const there = progress.filter(({ summary }) => summary !== undefined)
  const due = there.find(({ overdue }) => overdue === null || overdue >= 0) ?? there[0]
  const reorder = async (order: SetOrder) => {
    const read = await loadLicks(ids)
    if (!read.ok) {
      setTrouble(notSavedWords(read.error))
      return
    }
    const licks = new Map(read.value.map((record) => [record.id, findVoicedLick(record)]))
    const known = new Map(
      progress.map(({ lickId, overdue }) => {
        const lick = licks.get(lickId)
        const limit = lick ? speedLimit(lick, 'line', setting).bpm : null
        const kicks = lick ? lineEvents(lick).filter(({ limb }) => limb === 'RF').length : 0
        return [lickId, { limit, kicks, overdue }]
      }),
    )
    edit((now) => reordered(now, known, order, Date.now() % 1_000_000))
  }
  return (
    <div className="mx-auto flex w-full max-w-5xl flex-col gap-5 px-4 py-7 sm:px-5">
      <header className="flex flex-wrap items-center gap-3">
        <h1 className="sr-only">{set.name}</h1>
        <div className="min-w-0 grow">
          <TitleBox
            label="Name of the set"
            most={80}
            value={set.name}
            onType={(name) => name.trim() !== '' && edit((now) => ({ ...now, name }), 'name')}
          />
        </div>
        {due && (
          <Link to={`/practice/${due.lickId}?set=${set.id}`} className="btn btn-primary">
            <Play size={18} aria-hidden /> Practise
          </Link>
        )}
      </header>
      <ErrorText words={trouble} />
      <DocumentNotice document={document} what="set" differences={setDifferences} />
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
        <span className="font-semibold">
          {plural(count, 'exercise')}, {Math.round(minutesOfSet(set) * 10) / 10} minutes
        </span>
        <span>
          {atGoal} of {count} clean at the goal
        </span>
        <span className="flex items-center gap-1.5">
          <NumberField
            label="Minutes on each exercise"
            className="w-14 text-right"
            min={0.5}
            max={60}
            whole={false}
            value={set.minutes}
            onChange={(minutes) => edit((now) => ({ ...now, minutes }), 'minutes')}
          />
          minutes each
        </span>
      </p>
      <SetPlanRow plan={set.plan} onPlan={(plan) => edit((now) => sharePlan(now, plan))} />
      <div className="flex flex-wrap items-center gap-1.5">
        <Button disabled={count < 2} onClick={() => void reorder('easiest')}>
          Easiest first
        </Button>
        <Button disabled={count < 2} onClick={() => void reorder('due')}>
          Due first
        </Button>
        <Button disabled={count < 2} onClick={() => void reorder('shuffled')}>
          Shuffle
        </Button>
        {count > 1 && (
          <AddSelect
            label="Bar settings of all exercises like those of"
            words="All in the bar of …"
            className="w-52"
            onAdd={(id) => void placeLike(ids, id).then(setPlaced)}
          >
            {there.slice(0, 500).map(({ lickId, summary }) => (
              <option key={lickId} value={lickId}>
                {summary?.title}
              </option>
            ))}
          </AddSelect>
        )}
        {steps.past.length > 0 && <Button onClick={document.undo}>Undo</Button>}
        {steps.future.length > 0 && <Button onClick={document.redo}>Redo</Button>}
        <span className="grow" />
        {count > 0 && (
          <Link
            to={`/sheet?licks=${ids.slice(0, MAX_ON_SHEET).join(',')}&title=${encodeURIComponent(set.name)}`}
            className="btn btn-outline border-base-300 btn-sm font-normal"
          >
            <Printer size={14} aria-hidden />
            {count > MAX_ON_SHEET ? `Sheet of the first ${MAX_ON_SHEET}` : 'Sheet'}
          </Link>
        )}
        {count > 0 && (
          <ExportButton
            lickIds={ids}
            setIds={[set.id]}
            className="btn btn-outline border-base-300 btn-sm font-normal"
          >
            <Download size={14} aria-hidden /> Export
          </ExportButton>
        )}
        {count > 0 && <ShareSet set={set} />}
      </div>
      {placed && (
        <p role="status" className="text-sm">
          {placed.words}{' '}
          {placed.undo && (
            <button
              type="button"
              className="link"
              onClick={() => void placed.undo?.().then((words) => setPlaced({ words, undo: null }))}
            >
              Undo
            </button>
          )}
        </p>
      )}
      <ExerciseList set={set} progress={progress} onEdit={edit} />
      <AddSelect
        label="Add a lick to the set"
        words="Add a lick …"
        className="w-72 max-w-full"
        onAdd={(id) => edit((now) => addLicksTo(now, [id]))}
      >
        {others.slice(0, 500).map(({ id, title }) => (
          <option key={id} value={id}>
            {title}
          </option>
        ))}
      </AddSelect>
      <label className="flex flex-col gap-1 text-(--quiet) text-xs">
        Note
        <textarea
          className="rounded-field border border-base-300 bg-base-100 px-2 py-1.5 text-base-content text-sm"
          rows={2}
          maxLength={500}
          value={set.note}
          onChange={(event) => edit((now) => ({ ...now, note: event.target.value }), 'note')}
        />
      </label>
    </div>
  )
}

/** Copies a link with the whole set in it. */
function ShareSet({ set }: { set: SetRecord }) {
  const [said, setSaid] = useState('')
  const copy = async () => {
    const read = await loadLicks(set.exercises.map(({ lickId }) => lickId))
    if (!read.ok || read.value.length === 0) {
      setSaid('The licks of this set cannot be read.')
      return
    }
    const { name, minutes, plan } = set
    const licks = read.value.map(({ text, voicing }) => ({ text, voicing }))
    const link = `${location.origin}/link#${formatSetLink({ name, minutes, plan, licks })}`
    if (link.length > MAX_LINK) {
      setSaid('The set is too large for a link: export it as a file.')
      return
    }
    await navigator.clipboard.writeText(link).then(
      () => setSaid('The link is copied. All licks are in it; no server has them.'),
      () => setSaid('The browser does not allow copying.'),
    )
  }
  return (
    <>
      <Button onClick={() => void copy()}>Copy a link</Button>
      <span role="status" className="w-full text-right text-(--quiet) text-sm empty:hidden">
        {said}
      </span>
    </>
  )
}
