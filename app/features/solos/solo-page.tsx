import { Redo2, Undo2 } from 'lucide-react'
import { nanoid } from 'nanoid'
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { staffKeyOf } from '~/core/kit'
import { TEMPO_RANGE } from '~/core/line'
import {
  type Column,
  columnsOf,
  type Join,
  judgeSolo,
  type Section,
  type Solo,
  shapeOf,
  soloLength,
  toSections,
} from '~/core/solo'
import { findMeter, meterName } from '~/core/time'
import { DocumentNotice } from '~/live/document-notice'
import { useDocument } from '~/live/use-document'
import { useSettings } from '~/live/use-live'
import { useSettingFor } from '~/live/use-setting'
import { useSlices } from '~/live/use-slices'
import { Transport } from '~/session/transport'
import { clickedMarks, type Kept, type SoloRecord } from '~/storage'
import { Labelled, SelectField } from '~/ui/field'
import { IconButton } from '~/ui/icon-button'
import { NumberField } from '~/ui/number-field'
import { Choice, Part, TitleBox } from '~/ui/parts'
import { usePageTitle } from '~/ui/use-page-title'
import { useSettled } from '~/ui/use-settled'
import { useSpace } from '~/ui/use-space'
import { joinName, lengthWords, limitWords, partName } from '~/words/solo-words'
import { soloDifferences } from '~/workspace/documents/solo-differences'
import { openPart, soloDocument } from '~/workspace/documents/solo-document'
import { AddPart } from './add-part'
import { JoinList } from './join-list'
import { LongRuler } from './long-ruler-view'
import { METRES } from './metres'
import { PartEditor } from './part-editor'
import { SoloRoom } from './room/solo-room'
import { ShapeTable } from './shape-table'
import { NEW_SOLO } from './solo-actions'
import { SoloFiles } from './solo-files'
import { type Stretch, useSoloSound, WHOLE } from './use-solo-sound'
import { useVersionsOf } from './use-versions-of'

const COLUMN_WORDS: readonly (readonly [Column, string])[] = [
  ['weight', 'Strokes and loudness'],
  ['strokes', 'Strokes'],
  ['loudness', 'Loudness'],
  ['kicks', 'Kicks'],
  ['register', 'Register'],
]
const ANY_LICK = { kit: null, unknown: [] }
/** Before a page that has just been opened is painted. */
const NOT_JUDGED: { readonly solo: Solo; readonly sections: readonly Section[] } = {
  solo: { ...NEW_SOLO, parts: [] },
  sections: [],
}
/** While the ruler shows what is not judged yet. */
const NO_JOINS: readonly Join[] = []
const newId = () => nanoid(8)

/** A whole solo: its parts in a row, how they meet, what they come to, and playing it. */
export function SoloPage({ opened, read }: { opened: Kept<SoloRecord>; read: Solo }) {
  const document = useDocument(() => soloDocument(opened, read))
  const { content: solo, steps, view } = useSlices(document)
  const chosen = openPart(solo, view)
  usePageTitle(solo.title, 'Solo')
  const { settings, change: changeSettings } = useSettings()
  const setting = useSettingFor(ANY_LICK)
  const versions = useVersionsOf(solo)
  const sections = useMemo(() => toSections(solo), [solo])
  // What is judged follows a moment after the last change: 128 bars are thousands of moves.
  const whole = useMemo(() => ({ solo, sections }), [solo, sections])
  const judged = useDeferredValue(useSettled(whole), NOT_JUDGED)
  // The ruler is drawn after what was typed is shown.
  const ruled = useDeferredValue(whole)
  const judgement = useMemo(
    () => judgeSolo(judged.solo, judged.sections, setting),
    [judged, setting],
  )
  const shape = useMemo(
    () => shapeOf(judgement.sections, judgement.strokes, staffKeyOf(setting.kit)),
    [judgement, setting.kit],
  )
  const [column, setColumn] = useState<Column>('weight')
  const columns = useMemo(() => columnsOf(shape, column), [shape, column])
  const length = soloLength(solo, sections)
  const [tempo, setTempo] = useState<number | null>(null)
  const [stretch, setStretch] = useState<Stretch>(WHOLE)
  const [loops, setLoops] = useState(false)
  const host = useRef<HTMLDivElement>(null)
  const switches = useMemo(
    () => ({
      loop: loops,
      countIn: settings.countIn,
      click: settings.click,
      clickMarks: clickedMarks(settings),
      inEighths: settings.sextupletsInEighths,
    }),
    [loops, settings],
  )
  const sound = useSoloSound({
    id: opened.id,
    solo,
    sections,
    stretch,
    setting,
    tempo: tempo ?? solo.tempo,
    switches,
    host,
  })
  const { playing, toggle, start, stop } = sound
  const [search] = useSearchParams()
  const navigate = useNavigate()
  const inRoom = search.has('room')
  useSpace(toggle)
  useHotkeys('mod+z', () => document.undo(), { preventDefault: true })
  useHotkeys('mod+shift+z, mod+y', () => document.redo(), { preventDefault: true })
  const keys = { enabled: settings.singleKeys && !inRoom }
  useHotkeys('left', () => document.step(-1), keys)
  useHotkeys('right', () => document.step(1), keys)

  // Another stretch begins anew.
  const begin = useRef(start)
  begin.current = start
  const waits = useRef(false)
  const play = (next: Stretch, loop: boolean) => {
    stop()
    setStretch(next)
    setLoops(loop)
    waits.current = true
  }
  useEffect(() => {
    if (!waits.current) return
    waits.current = false
    begin.current()
  })
  const at = solo.parts.findIndex(({ id }) => id === chosen)
  const part = solo.parts[at]
  const playPart = () => {
    const from = sections.findIndex((section) => section.part === at)
    if (part && from >= 0)
      play({ ...WHOLE, from, part: `from ${part.id}`, words: `from ${partName(part)}` }, false)
  }
  const loopJoin = (number: number) => {
    const join = judgement.joins[number]
    if (!join) return
    const words = `join at ${joinName(join, judgement.sections, solo)}`
    play(
      { from: join.section - 1, to: join.section + 1, part: `join ${join.section}`, words },
      true,
    )
  }
  const [openJoin, setOpenJoin] = useState<number | null>(null)
  const draw = useCallback((bar: number, value: number) => document.draw(bar, value), [document])
  const lift = useCallback(() => document.endStep(), [document])
  const choose = useCallback(
    (index: number) => document.choose(document.content.parts[index]?.id ?? null),
    [document],
  )
  if (inRoom) {
    return (
      <SoloRoom
        solo={solo}
        sections={sections}
        sound={sound}
        stretch={stretch}
        tempo={tempo ?? solo.tempo}
        loops={loops}
        host={host}
        onTempo={setTempo}
        onLoops={setLoops}
        onPlay={play}
        onLeave={() => void navigate('?', { replace: true })}
      >
        <DocumentNotice document={document} what="solo" differences={soloDifferences} />
      </SoloRoom>
    )
  }
  const playsWhole = stretch.from === 0 && stretch.to === Number.POSITIVE_INFINITY
  return (
    <div ref={host} className="flex grow flex-col">
      <div className="mx-auto flex w-full max-w-7xl grow flex-col gap-4 px-4 py-4 sm:px-5">
        <header className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <h1 className="sr-only">{solo.title || 'Untitled solo'}</h1>
          <div className="w-full sm:w-auto sm:grow">
            <TitleBox
              label="Title of the solo"
              most={200}
              value={solo.title}
              onType={(title) => document.edit((now) => ({ ...now, title }), 'title')}
            />
          </div>
          <Labelled words="Tempo">
            <NumberField
              label="Tempo of the solo"
              className="w-16"
              min={TEMPO_RANGE.least}
              max={TEMPO_RANGE.most}
              whole={false}
              value={solo.tempo}
              onChange={(next) => document.edit((now) => ({ ...now, tempo: next }), 'tempo')}
            />
          </Labelled>
          <SelectField
            label="in beats of"
            className="w-20"
            value={meterName(solo.meter)}
            options={[...new Set([meterName(solo.meter), ...METRES])].map((one) => ({
              value: one,
              label: one,
            }))}
            onChange={(value) => {
              const meter = findMeter(value)
              if (meter) document.edit((now) => ({ ...now, meter }))
            }}
          />
          <Labelled words="Goal">
            <NumberField
              label="Goal of the solo"
              className="w-16"
              min={TEMPO_RANGE.least}
              max={TEMPO_RANGE.most}
              whole={false}
              value={solo.goal ?? solo.tempo}
              onChange={(goal) => document.edit((now) => ({ ...now, goal }), 'goal')}
            />
          </Labelled>
          <p className="pb-1 font-semibold tabular-nums">
            {lengthWords(length.bars, length.seconds)}
          </p>
          <span className="ml-auto flex items-center">
            <IconButton
              label="Undo"
              disabled={steps.past.length === 0}
              onClick={() => document.undo()}
            >
              <Undo2 size={17} aria-hidden />
            </IconButton>
            <IconButton
              label="Redo"
              disabled={steps.future.length === 0}
              onClick={() => document.redo()}
            >
              <Redo2 size={17} aria-hidden />
            </IconButton>
          </span>
        </header>
        <DocumentNotice document={document} what="solo" differences={soloDifferences} />
        <p className="text-sm">
          <span className="font-semibold">The whole</span>{' '}
          {judged === NOT_JUDGED ? '…' : limitWords(judgement)}
        </p>
        <div className="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_23rem]">
          <div className="flex min-w-0 flex-col gap-4">
            <LongRuler
              solo={ruled.solo}
              sections={ruled.sections}
              joins={judged === ruled ? judgement.joins : NO_JOINS}
              columns={columns}
              chosen={chosen}
              onChoose={choose}
              onJoin={setOpenJoin}
              onDraw={draw}
              onLift={lift}
            />
            <div className="flex flex-wrap items-center gap-x-3 text-(--quiet) text-xs">
              <Choice
                legend="What the columns show"
                options={COLUMN_WORDS}
                value={column}
                onChoose={setColumn}
              />
              <span>bar by bar. Drag to set targets.</span>
            </div>
            <AddPart solo={solo} newId={newId} onAdd={(next) => document.add(next)} />
            {part && (
              <PartEditor
                part={part}
                at={at}
                count={solo.parts.length}
                onChange={(change, about) => document.changePart(part.id, change, about)}
                onMove={(to) => document.move(part.id, to)}
                onDuplicate={() => document.duplicate(part.id, newId())}
                onRemove={() => document.remove(part.id)}
              />
            )}
          </div>
          <aside className="flex min-w-0 flex-col gap-6">
            <Part title="Play" level={2}>
              <div className="flex flex-wrap gap-1.5">
                <Link to="?room" replace className="btn btn-primary btn-sm">
                  Practise
                </Link>
                {part && at > 0 && (
                  <button
                    type="button"
                    className="btn btn-outline border-base-300 btn-sm font-normal"
                    onClick={playPart}
                  >
                    From {partName(part)}
                  </button>
                )}
              </div>
              {!playsWhole && (
                <p className="text-(--quiet) text-sm">
                  Space plays {stretch.words}.{' '}
                  <button type="button" className="link" onClick={() => setStretch({ ...WHOLE })}>
                    Back to the whole
                  </button>
                </p>
              )}
            </Part>
            <Part title="Joins" level={2}>
              <JoinList
                solo={judged.solo}
                judgement={judgement}
                setting={setting}
                opened={openJoin}
                versions={versions}
                newId={newId}
                onOpen={setOpenJoin}
                // What was judged may have been changed a moment ago: then there is something else to mend.
                onMend={(parts) =>
                  document.edit((now) =>
                    now.parts === judged.solo.parts ? { ...now, parts } : now,
                  )
                }
                onLoop={loopJoin}
              />
            </Part>
            <ShapeTable
              shape={shape}
              wish={solo.wish}
              onWish={(bar, value) => {
                document.draw(bar, value)
                document.endStep()
              }}
              onClear={() => document.edit((now) => ({ ...now, wish: [] }))}
            />
            <SoloFiles id={opened.id} solo={solo} sections={sections} setting={setting} />
          </aside>
        </div>
      </div>
      <div className="sticky bottom-0">
        <Transport
          playing={playing}
          trouble={sound.trouble}
          tempo={tempo ?? solo.tempo}
          learning={solo.tempo}
          goal={solo.goal}
          meter={solo.meter}
          switches={switches}
          least={TEMPO_RANGE.least}
          most={TEMPO_RANGE.most}
          onToggle={toggle}
          onTempo={setTempo}
          onSwitch={({ loop, ...heard }) => {
            if (loop !== undefined) setLoops(loop)
            changeSettings(heard)
          }}
          onVolume={sound.setVolume}
          level={sound.level}
        />
      </div>
    </div>
  )
}
