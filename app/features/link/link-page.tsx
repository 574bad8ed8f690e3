import { Download, Play } from 'lucide-react'
import { useMemo, useRef, useState } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import { valuesOf } from '~/codecs/lick-text'
import { type AnyLink, type LinkedLick, parseAnyLink } from '~/codecs/link'
import { findVoicedLick, parseVoicing } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { formatLine } from '~/core/notation'
import { soloLength } from '~/core/solo'
import { meterName } from '~/core/time'
import type { Ruler } from '~/drawing/ruler/layout'
import { RulerView } from '~/drawing/ruler/ruler-view'
import type { RulerGestures } from '~/drawing/ruler/use-slot-pointer'
import { useSettings } from '~/live/use-live'
import { useCounting, useSettingFor, useStaffView } from '~/live/use-setting'
import { useHearLick } from '~/session/use-hear-lick'
import { createLick, notSavedWords } from '~/storage'
import { ErrorText } from '~/ui/parts'
import { useMedia } from '~/ui/use-media'
import { usePageTitle } from '~/ui/use-page-title'
import { useWidth } from '~/ui/use-width'
import { plural, slotsWords } from '~/words/figures'
import { gridWords } from '~/words/grid-words'
import { capital } from '~/words/move-words'
import { spokenPlace, startPlace } from '~/words/places'
import { lengthWords, partName } from '~/words/solo-words'
import { landingVerdict } from '~/words/verdict'
import { turnTexts } from '~/workspace/turned'
import { saveLinkedSet } from '../sets'
import { createSolo } from '../solos'

/** What came in a link, a lick, a solo or a set: looked at, and saved where it is wanted. */
export function LinkPage() {
  const { hash } = useLocation()
  const read = useMemo(() => parseAnyLink(hash), [hash])
  return (
    <div className="mx-auto flex w-full max-w-5xl flex-col gap-4 px-4 py-7 pb-20 sm:px-5">
      {read.ok ? (
        <Linked link={read.value} />
      ) : (
        <>
          <h1 className="font-semibold text-3xl tracking-tight">No lick here</h1>
          <p>{read.error}</p>
          <p>
            <Link className="link" to="/">
              Go to your library
            </Link>
          </p>
        </>
      )}
    </div>
  )
}

function Linked({ link }: { link: AnyLink }) {
  if (link.kind === 'lick') return <LinkedView texts={link.lick} />
  return <LinkedMany link={link} />
}

/** A solo or a set: what is in it, and the way into the store. */
function LinkedMany({ link }: { link: Exclude<AnyLink, { kind: 'lick' }> }) {
  const navigate = useNavigate()
  const [trouble, setTrouble] = useState('')
  const solo = link.kind === 'solo' ? link.solo : null
  const title = link.kind === 'solo' ? link.solo.title : link.set.name
  usePageTitle(title, 'From a link')
  const length = useMemo(() => (solo ? soloLength(solo) : null), [solo])
  const { hear, player } = useHearLick()
  const { turnLetters } = useSettings().settings
  const linked = useMemo(
    () =>
      link.kind === 'solo'
        ? []
        : link.set.licks.map((texts) =>
            findVoicedLick(turnTexts({ ...texts, draft: null }, turnLetters)),
          ),
    [link, turnLetters],
  )
  const names =
    link.kind === 'solo'
      ? link.solo.parts.map(partName)
      : link.set.licks.map(({ text }) => valuesOf(text, 'title')[0] ?? 'Untitled')
  const save = async () => {
    if (link.kind === 'solo') {
      const made = await createSolo(link.solo)
      if (made.id) navigate(`/solos/${made.id}`)
      else setTrouble(made.trouble)
      return
    }
    const made = await saveLinkedSet(link.set)
    if (made.id) navigate(`/sets/${made.id}`)
    else setTrouble(made.trouble)
  }
  return (
    <>
      <header className="flex flex-wrap items-center gap-3">
        <h1 dir="auto" className="min-w-0 font-semibold text-3xl tracking-tight">
          {title || 'Untitled'}
        </h1>
        <button type="button" className="btn btn-primary ml-auto" onClick={() => void save()}>
          <Download size={16} aria-hidden />
          {link.kind === 'solo' ? 'Save to my solos' : 'Save to my sets'}
        </button>
      </header>
      <p className="text-(--quiet)">
        {solo && length
          ? `A solo: ${lengthWords(length.bars, length.seconds)}, at ${solo.tempo}.`
          : `A set of ${plural(names.length, 'exercise')}. Its licks go into your library.`}
      </p>
      <ol className="list-decimal pl-6">
        {names.map((name, i) => {
          const lick = linked[i]
          return (
            <li key={i}>
              {name}{' '}
              {lick && (
                <button
                  type="button"
                  className="btn btn-ghost btn-xs font-normal"
                  aria-label={`Hear ${name}`}
                  onClick={() => hear(lick)}
                >
                  <Play size={13} aria-hidden /> Hear
                </button>
              )}
            </li>
          )
        })}
      </ol>
      <p className="text-(--quiet) text-sm">
        Nothing is saved yet. All of it is in the address of this page; no server has it.
      </p>
      <ErrorText words={trouble} />
      {player}
    </>
  )
}

function LinkedView({ texts }: { texts: LinkedLick }) {
  const counting = useCounting()
  const { turnLetters } = useSettings().settings
  const lick = useMemo(
    () => findVoicedLick(turnTexts({ ...texts, draft: null }, turnLetters)),
    [texts, turnLetters],
  )
  const { hear, player } = useHearLick()
  const navigate = useNavigate()
  const [trouble, setTrouble] = useState('')
  usePageTitle(lick?.title ?? '', 'From a link')
  if (!lick) return <p>The lick in this link cannot be read.</p>
  const { frame } = lick
  const lands = landingVerdict(lick)
  const save = async () => {
    const made = await createLick({ ...texts, draft: null })
    if (made.ok) navigate(`/bench/${made.value}`)
    else setTrouble(notSavedWords(made.error))
  }
  return (
    <>
      <header className="flex flex-wrap items-center gap-3">
        <h1 dir="auto" className="min-w-0 font-semibold text-3xl tracking-tight">
          {lick.title || 'Untitled'}
        </h1>
        <span className="ml-auto flex gap-2">
          <button
            type="button"
            className="btn btn-outline border-base-300 font-normal"
            onClick={() => hear(lick)}
          >
            <Play size={16} aria-hidden /> Hear it
          </button>
          <button type="button" className="btn btn-primary" onClick={() => void save()}>
            <Download size={16} aria-hidden /> Save to my library
          </button>
        </span>
      </header>
      <p className="text-(--quiet)">
        {meterName(frame.meter)}, {gridWords(frame.grid)}, from{' '}
        {spokenPlace(startPlace({ frame }, counting))}, {frame.tempo}
        {frame.goal !== null && ` to ${frame.goal}`} bpm.{' '}
        {[lands.rest, lands.first].filter(Boolean).join(', ')}.
      </p>
      <p className="break-words rounded-field border border-base-300 bg-base-100 px-3 py-2 font-mono text-lg">
        {formatLine(lick.line)}
      </p>
      <LinkedNotes texts={texts} />
      <ShownRuler lick={lick} />
      <p className="text-(--quiet) text-sm">
        Nothing is saved yet. The whole lick is in the address of this page; no server has it.
      </p>
      <ErrorText words={trouble} />
      {player}
    </>
  )
}

/** What whoever sent it wrote to it: for the whole lick, and at single strokes. */
function LinkedNotes({ texts }: { texts: LinkedLick }) {
  const read = parseVoicing(texts.voicing)
  if (!read.ok) return null
  const { about = '', notes = [] } = read.value
  if (about === '' && notes.length === 0) return null
  return (
    <section aria-label="Notes" className="text-sm">
      {about !== '' && (
        <p dir="auto" className="whitespace-pre-line">
          {about}
        </p>
      )}
      <ul>
        {notes.map(({ slot, text }) => (
          <li key={slot} dir="auto">
            {capital(slotsWords({ from: slot, to: slot + 1 }))}: {text}
          </li>
        ))}
      </ul>
    </section>
  )
}

const NO_ENDINGS: readonly never[] = []
const NOTHING: RulerGestures = {
  onMark: () => {},
  onPattern: () => {},
  onGroup: () => {},
  onShift: () => 0,
  onMoveGroup: () => {},
  onDropText: () => {},
  onDraw: null,
}

/** The lick on its ruler, to be looked at. */
function ShownRuler({ lick }: { lick: Lick }) {
  const host = useRef<HTMLDivElement>(null)
  const ruler = useRef<Ruler | null>(null)
  const width = useWidth(host)
  const counting = useCounting()
  const setting = useSettingFor(lick)
  const compact = useMedia('(width < 640px)')
  const staffView = useStaffView(setting)
  const under = useMemo(
    () => ({ ids: lick.ostinatos.map((_, i) => i), grooves: setting.grooves ?? [] }),
    [lick, setting],
  )
  return (
    <div className="rounded-box border border-base-300 bg-base-100 p-3">
      <div ref={host} className="min-w-0">
        {width > 0 && (
          <RulerView
            lick={lick}
            width={width}
            compact={compact}
            ghost={false}
            edited={null}
            place={null}
            under={under}
            counting={counting}
            staffView={staffView}
            selection={null}
            gestures={NOTHING}
            bottleneck={null}
            headroom={null}
            contour={null}
            endings={NO_ENDINGS}
            rulerRef={ruler}
          />
        )}
      </div>
    </div>
  )
}
