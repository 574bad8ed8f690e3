import { Download, Play } from 'lucide-react'
import { useMemo, useRef, useState } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import { canonicalValues } from '~/codecs/lick-text'
import { type LinkedLick, parseLink } from '~/codecs/link'
import { findVoicedLick } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { meterName, placeName } from '~/core/time'
import type { Ruler } from '~/drawing/ruler/layout'
import { RulerView } from '~/drawing/ruler/ruler-view'
import type { RulerGestures } from '~/drawing/ruler/use-slot-pointer'
import { useSettings } from '~/live/use-live'
import { useCounting, useSettingFor, useStaffView } from '~/live/use-setting'
import { useHearLick } from '~/playback/use-hear-lick'
import { createLick, notSavedWords } from '~/storage'
import { Trouble } from '~/ui/parts'
import { useMedia } from '~/ui/use-media'
import { usePageTitle } from '~/ui/use-page-title'
import { useWidth } from '~/ui/use-width'
import { gridWords } from '~/words/grid-words'
import { spokenPlace } from '~/words/places'
import { landingVerdict } from '~/words/verdict'
import { turnTexts } from '~/workspace/turned'

/** A lick that came in a link: looked at and heard, and saved where it is wanted. */
export function LinkPage() {
  const { hash } = useLocation()
  const read = useMemo(() => parseLink(hash), [hash])
  return (
    <div className="mx-auto flex w-full max-w-5xl flex-col gap-4 px-4 py-7 pb-20 sm:px-5">
      {read.ok ? (
        <LinkedView texts={read.value} />
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

function LinkedView({ texts }: { texts: LinkedLick }) {
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
        {spokenPlace(placeName(frame.start, frame.meter))}, {frame.tempo}
        {frame.goal !== null && ` to ${frame.goal}`} bpm.{' '}
        {[lands.rest, lands.first].filter(Boolean).join(', ')}.
      </p>
      <p className="break-words rounded-field border border-base-300 bg-base-100 px-3 py-2 font-mono text-lg">
        {canonicalValues(lick, 'line').join(' ')}
      </p>
      <ShownRuler lick={lick} />
      <p className="text-(--quiet) text-sm">
        Nothing is saved yet. The whole lick is in the address of this page; no server has it.
      </p>
      <Trouble words={trouble} />
      {player}
    </>
  )
}

const NOTHING: RulerGestures = {
  onMark: () => {},
  onPattern: () => {},
  onGroup: () => {},
  onShift: () => 0,
  onMoveGroup: () => {},
  onDropText: () => {},
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
            rulerRef={ruler}
          />
        )}
      </div>
    </div>
  )
}
