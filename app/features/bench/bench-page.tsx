import { Copy, Redo2, Trash2, Undo2 } from 'lucide-react'
import { useCallback, useDeferredValue, useEffect, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { useFetcher, useSubmit } from 'react-router'
import { type Key, lineTextOf, normalTitle, splitTags, valuesOf } from '~/codecs/lick-text'
import { TEMPO_RANGE } from '~/core/line'
import { COUNTING_SCHOOLS, DEFAULT_SCHOOL, isCompound } from '~/core/time'
import type { LickRecord, Settings } from '~/storage'
import { DraftInput } from '~/ui/draft-input'
import { useWidth } from '~/ui/use-width'
import { useCursor } from '../player/cursor'
import { Transport } from '../player/transport'
import { type PlaySwitches, usePlayer } from '../player/use-player'
import type { Ruler } from '../ruler/layout'
import { RulerView } from '../ruler/ruler-view'
import { toAnswers } from './answers'
import { AnswersPanel } from './answers-panel'
import { ConflictNotice } from './conflict-notice'
import { caretAfter, runCommand, slotsAt } from './document'
import { FrameBar } from './frame-bar'
import { LayersPanel } from './layers-panel'
import { LineEditor } from './line-editor'
import { SaveMark } from './save-mark'
import { TextPanel } from './text-panel'
import { useBench } from './use-bench'

/** The bench: one lick, everything about it on one page, every change at once. */
export function BenchPage({ record, settings }: { record: LickRecord; settings: Settings }) {
  const { document, run, saveState, takeStored } = useBench(record)
  const { lick } = document.good
  const { text } = document.history
  const lineText = lineTextOf(text)
  const school = COUNTING_SCHOOLS.find(({ id }) => id === settings.school) ?? DEFAULT_SCHOOL

  const field = useRef<HTMLTextAreaElement>(null)
  const [caret, setCaret] = useState({ from: -1, to: -1 })
  const [tempo, setTempo] = useState(lick.frame.tempo)
  const [switches, setSwitches] = useState<PlaySwitches>(settings)
  const [beaming, setBeaming] = useState(settings.beaming)
  const preferences = useFetcher()
  const submit = useSubmit()
  const player = usePlayer(lick, tempo, switches)

  const rulerHost = useRef<HTMLDivElement>(null)
  const width = useWidth(rulerHost)
  const ruler = useRef<Ruler | null>(null)
  useCursor(player.playing, player.position, ruler, rulerHost)

  const set = useCallback(
    (key: Key, values: readonly string[]) => run({ kind: 'set', key, values }),
    [run],
  )
  const travel = (kind: 'undo' | 'redo') => {
    const after = runCommand(document, { kind })
    run({ kind })
    const at = caretAfter(document, after)
    requestAnimationFrame(() => {
      if (window.document.activeElement === field.current) field.current?.setSelectionRange(at, at)
    })
  }
  const remember = (changed: Partial<Settings>) =>
    preferences.submit(
      { ...settings, ...switches, beaming, ...changed },
      { method: 'post', action: '/settings', encType: 'application/json' },
    )

  useHotkeys('space', player.toggle, { preventDefault: true, ignoreEventWhen: onControl })
  useHotkeys('mod+z', () => travel('undo'), {
    preventDefault: true,
    enableOnFormTags: ['textarea'],
  })
  useHotkeys('mod+shift+z, mod+y', () => travel('redo'), {
    preventDefault: true,
    enableOnFormTags: ['textarea'],
  })
  useHotkeys('+, =, shift+=', () => setTempo((now) => Math.min(TEMPO_RANGE.most, now + 2)), {
    useKey: true,
  })
  useHotkeys('-', () => setTempo((now) => Math.max(TEMPO_RANGE.least, now - 2)), { useKey: true })

  const learning = lick.frame.tempo
  useEffect(() => setTempo(learning), [learning])

  const pick = useCallback((slot: number) => setPicked(slot), [])
  const [picked, setPicked] = useState(-1)
  useEffect(() => {
    const span = document.good.spans[picked]
    if (picked < 0 || !span) return
    setPicked(-1)
    field.current?.focus()
    field.current?.setSelectionRange(span.from, span.to)
  }, [picked, document.good.spans])

  const title = valuesOf(text, 'title')[0] ?? ''
  const selected = slotsAt(document, caret.from, caret.to)
  // The staff may come a moment after what is typed; everything else comes with the key.
  const staffBeaming = useDeferredValue(beaming)

  return (
    <>
      <div className="mx-auto grid w-full max-w-7xl grow grid-cols-1 content-start gap-x-8 gap-y-3 px-4 py-3.5 sm:px-5 lg:grid-cols-[minmax(0,1fr)_15.5rem]">
        <header className="flex flex-wrap items-center gap-x-4 gap-y-2 lg:col-span-2">
          <h1 className="min-w-0">
            <DraftInput
              label="Title"
              className="min-w-40 max-w-full truncate rounded-field bg-transparent font-semibold text-3xl tracking-tight [field-sizing:content] hover:bg-base-100"
              value={title}
              tidy={normalTitle}
              placeholder="Name this lick"
              onChange={(next) => set('title', next === '' ? [] : [next])}
            />
          </h1>
          <DraftInput
            label="Tags, with commas"
            className="mr-auto min-w-32 max-w-full rounded-field bg-transparent text-(--quiet) text-sm [field-sizing:content] hover:bg-base-100"
            value={splitTags(valuesOf(text, 'tags')[0] ?? '').join(', ')}
            tidy={tidyTags}
            placeholder="tags, with commas"
            onChange={(next) => set('tags', next === '' ? [] : [next])}
          />
          <SaveMark state={saveState} />
          <div className="flex gap-1">
            <IconButton
              label="Undo"
              disabled={document.history.past.length === 0}
              onClick={() => travel('undo')}
              icon={<Undo2 size={18} aria-hidden />}
            />
            <IconButton
              label="Redo"
              disabled={document.history.future.length === 0}
              onClick={() => travel('redo')}
              icon={<Redo2 size={18} aria-hidden />}
            />
            <IconButton
              label="Duplicate"
              onClick={() =>
                submit(
                  { intent: 'duplicate', id: record.id, text },
                  { method: 'post', action: '/?index' },
                )
              }
              icon={<Copy size={18} aria-hidden />}
            />
            <IconButton
              label="Delete"
              onClick={() =>
                submit(
                  { intent: 'delete', id: record.id, title },
                  { method: 'post', action: '/?index' },
                )
              }
              icon={<Trash2 size={18} aria-hidden />}
            />
          </div>
        </header>
        {saveState.kind === 'failed' && saveState.issue.code === 'conflict' && (
          <div className="lg:col-span-2">
            <ConflictNotice id={record.id} text={text} onTakeTheirs={takeStored} />
          </div>
        )}
        <div className="flex min-w-0 flex-col gap-3">
          <FrameBar lick={lick} onSet={set} />
          <LineEditor
            value={lineText}
            issues={document.issues}
            fieldRef={field}
            onType={(typed) => run({ kind: 'type-line', typed })}
            onSelect={(from, to) => setCaret({ from, to })}
            onPlay={player.toggle}
          />
          <div
            ref={rulerHost}
            className="min-w-0 rounded-box border border-base-300 bg-base-100 px-3 py-4 sm:px-4"
          >
            {width > 0 && (
              <RulerView
                lick={lick}
                width={width}
                school={school}
                staffView={{ beaming: staffBeaming, groove: settings.staffGroove }}
                selected={selected}
                onPick={pick}
                rulerRef={ruler}
              />
            )}
            <fieldset className="mt-3 flex flex-wrap items-center gap-2 text-sm">
              <legend className="sr-only">Beams</legend>
              <span className="text-(--quiet)">beams</span>
              {(['beat', 'group'] as const).map((choice) => (
                <button
                  key={choice}
                  type="button"
                  aria-pressed={beaming === choice}
                  className={`rounded-field px-2 py-1 ${beaming === choice ? 'bg-base-300 font-semibold' : 'hover:bg-base-200'}`}
                  onClick={() => {
                    setBeaming(choice)
                    remember({ beaming: choice })
                  }}
                >
                  by {choice}
                </button>
              ))}
            </fieldset>
          </div>
          <LayersPanel
            under={valuesOf(text, 'under')}
            underFill={valuesOf(text, 'under fill')}
            onSet={set}
          />
          <TextPanel
            text={text}
            issues={document.issues}
            onText={(next) => run({ kind: 'replace-text', text: next })}
          />
        </div>
        <AnswersPanel
          answers={toAnswers(lick, tempo, school)}
          onStart={(place) => set('start', [place])}
        />
      </div>
      <Transport
        playing={player.playing}
        trouble={player.trouble}
        tempo={tempo}
        learning={learning}
        goal={lick.frame.goal}
        least={TEMPO_RANGE.least}
        most={TEMPO_RANGE.most}
        beatName={beatName(lick.frame.meter)}
        switches={switches}
        onToggle={player.toggle}
        onTempo={setTempo}
        onVolume={player.setVolume}
        onSwitch={(next) => {
          setSwitches(next)
          remember(next)
        }}
      />
    </>
  )
}

function IconButton({
  label,
  icon,
  onClick,
  disabled = false,
}: {
  label: string
  icon: React.ReactNode
  onClick: () => void
  disabled?: boolean
}) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-square btn-sm"
      aria-label={label}
      title={label}
      onClick={onClick}
      disabled={disabled}
    >
      {icon}
    </button>
  )
}

function tidyTags(typed: string): string {
  return splitTags(typed).join(', ')
}

/** Space belongs to a button or a list that has the focus. */
function onControl({ target }: KeyboardEvent): boolean {
  return target instanceof HTMLElement && target.closest('button, a, select, summary') !== null
}

function beatName(meter: Parameters<typeof isCompound>[0]): string {
  if (isCompound(meter)) return meter.unit === 8 ? 'dotted quarters' : 'dotted eighths'
  return { 2: 'halves', 4: 'quarters', 8: 'eighths', 16: 'sixteenths' }[meter.unit]
}
