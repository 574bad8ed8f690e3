import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { formatLickText, type Key, lineTextOf, normalTitle, valuesOf } from '~/codecs/lick-text'
import { type Player, soundsOn, staffKeyOf } from '~/core/kit'
import { type Lick, TEMPO_RANGE } from '~/core/line'
import { landOnKit, movesOf } from '~/core/playing'
import type { Surface } from '~/core/sticking'
import { isCompound } from '~/core/time'
import { isPlain, type Voicing, voiceLick } from '~/core/voicing'
import type { Kept, LickRecord } from '~/storage'
import { Tick } from '~/ui/tick'
import { usePageTitle } from '~/ui/use-page-title'
import { useWidth } from '~/ui/use-width'
import { toAnswers } from '~/words/answers'
import { toFit } from '~/words/fit'
import { selectedSlots } from '~/workspace/document'
import { allKits, settingOf } from '~/workspace/setting'
import { FrameBar } from '../frame/frame-bar'
import { raisedSpeeds } from '../kit/speeds-of'
import { useSettings } from '../live/use-live'
import { useGroovesFor, useOwnKits } from '../live/use-own'
import { useCursor } from '../playback/cursor'
import { Transport } from '../playback/transport'
import { type PlaySwitches, usePlayback } from '../playback/use-playback'
import type { Ruler } from '../ruler/layout'
import { RulerView } from '../ruler/ruler-view'
import { selectionWords } from '../ruler/spoken'
import { countingOf } from '../settings/counting'
import { Workbench } from '../workbench/workbench'
import { FitAnswer, MoreAnswers } from './answers-panel'
import { BeamChoice } from './beam-choice'
import { BenchHeader } from './bench-header'
import { ConflictNotice } from './conflict-notice'
import { FeetPanel } from './feet-panel'
import { LineEditor } from './line-editor'
import { NoticeLine } from './notice-line'
import { grooveRow, TextPanel } from './text-panel'
import { useBench } from './use-bench'
import { useBenchKeys } from './use-bench-keys'
import { useCaret } from './use-caret'
import { useFrameSet } from './use-frame-set'
import { useGestures } from './use-gestures'
import { useNotice } from './use-notice'
import { usePlayedClean } from './use-played-clean'

/** The bench: one lick, everything about it on one page, every change at once. */
export function BenchPage({
  record,
}: {
  /** The lick as it was stored when the bench was opened; what happens to it since is in the session. */
  record: Kept<LickRecord>
}) {
  const { settings, change: remember } = useSettings()
  const { turnLetters } = settings
  const tellRefused = useRef((_message: string) => {})
  const refuse = useCallback((message: string) => tellRefused.current(message), [])
  const { document, run, session } = useBench(record, turnLetters, refuse)
  const { lick } = document.good
  usePageTitle(lick.title, 'Bench')
  const grooves = useGroovesFor(lick)
  const { voicing } = document
  const { text } = document.history
  // What is heard and what is chosen from lists may come a moment after what is typed.
  const later = useDeferredValue(document)
  const own = useOwnKits()
  const kits = useMemo(() => allKits(own), [own])
  const setting = useMemo(
    () => settingOf(settings, own, lick.kit, grooves),
    [settings, own, lick.kit, grooves],
  )
  // What is voiced lands where this kit's crash is.
  const laid = useMemo(() => voiceLick(lick, voicing), [lick, voicing])
  const laterLaid = useDeferredValue(laid)
  const { landing } = useMemo(() => landOnKit(laterLaid, setting), [laterLaid, setting]).frame
  const crash = landing.kind === 'crash' || landing.kind === 'stop' ? landing.crash : undefined
  const voiced = useMemo(() => withCrash(laid, crash), [laid, crash])
  const laterVoiced = useDeferredValue(voiced)
  const counting = useMemo(() => countingOf(settings), [settings])

  const [tempo, setTempo] = useState(lick.frame.tempo)
  const learning = lick.frame.tempo
  useEffect(() => setTempo(learning), [learning])
  const { beaming } = settings
  const raise = useCallback(
    (player: Player) => remember(raisedSpeeds(settings, player)),
    [remember, settings],
  )
  const { loop, countIn, click } = settings
  const switches = useMemo((): PlaySwitches => ({ loop, countIn, click }), [loop, countIn, click])

  const [solo, setSolo] = useState<Lick | null>(null)
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const player = usePlayback(laterVoiced, tempo, switches, solo, {
    grooves,
    sounds,
    swapsGroove: setting.player.swapsGroove ?? false,
  })
  const { playing, toggle } = player
  // What is heard by itself ends with the music; the lick is next.
  useEffect(() => {
    if (!playing) setSolo(null)
  }, [playing])
  const play = useCallback(() => toggle(), [toggle])
  const hear = useCallback(
    (lick: Lick) => {
      setSolo(lick)
      if (!playing) toggle(lick)
    },
    [playing, toggle],
  )
  const rulerHost = useRef<HTMLDivElement>(null)
  const width = useWidth(rulerHost)
  const ruler = useRef<Ruler | null>(null)
  useCursor(playing && solo === null, player.position, ruler, rulerHost)

  const newest = useRef(text)
  useEffect(() => {
    newest.current = text
  }, [text])
  const textNow = useCallback(() => newest.current, [])
  const { notice, tell, tellNext, dismiss } = useNotice(text)
  tellRefused.current = (message) => tell({ message })
  const playedClean = usePlayedClean(record.id, later.good.lick.frame.grid)
  const { field, caret, tellCaret, pick, travel, edit: change } = useCaret(document, run, refuse)
  const { setRows: setFrame, edit } = useFrameSet(document, run, tellNext, change)
  const set = useCallback(
    (key: Key, values: readonly string[]) => setFrame([[key, values]]),
    [setFrame],
  )
  const storedNow = useCallback(() => session.texts(), [session])
  const voice = useCallback(
    (label: string, next: Voicing) => run({ kind: 'voice', label, voicing: next }),
    [run],
  )
  const voicedText = useCallback(() => formatLickText(voiced), [voiced])
  const chooseKit = useCallback((id: string | null) => set('kit', id ? [id] : []), [set])
  const restore = useCallback(
    (next: string, laid: string) => run({ kind: 'restore', text: next, voicing: laid }),
    [run],
  )
  const replaceText = useCallback(
    (next: string) => run({ kind: 'replace-text', text: next }),
    [run],
  )
  const [under, underFill] = [useValues(text, 'under'), useValues(text, 'under fill')]
  const carried = useMemo(() => grooveRow(lick, grooves), [lick, grooves])
  useBenchKeys({ onPlay: play, onTravel: travel, onTempo: setTempo })

  const gestures = useGestures(lick, pick, edit, refuse)
  const staffView = useMemo(
    () => ({ beaming, groove: settings.staffGroove, grooves, key: staffKeyOf(setting.kit) }),
    [beaming, settings.staffGroove, grooves, setting],
  )
  const fit = useMemo(() => toFit(lick, counting), [lick, counting])
  const answers = useMemo(
    () => toAnswers(laterVoiced, tempo, setting, playedClean),
    [laterVoiced, tempo, setting, playedClean],
  )
  const [showsHeadroom, setShowsHeadroom] = useState(false)
  const headroom = useMemo(
    () => (showsHeadroom ? { moves: movesOf(laterVoiced, 'landing', setting), tempo } : null),
    [showsHeadroom, laterVoiced, setting, tempo],
  )
  const selection = useMemo(() => selectedSlots(document, caret.from, caret.to), [document, caret])

  const laterSelection = useDeferredValue(selection)

  return (
    <>
      <div className="mx-auto grid w-full max-w-7xl grow grid-cols-1 content-start gap-x-8 gap-y-3 px-4 py-3.5 sm:px-5 lg:grid-cols-[minmax(0,1fr)_15.5rem]">
        <BenchHeader
          id={record.id}
          title={normalTitle(valuesOf(text, 'title')[0] ?? '')}
          tags={valuesOf(text, 'tags')[0] ?? ''}
          textsNow={storedNow}
          saver={session.saver}
          onRefuse={refuse}
          canUndo={document.history.past.length > 0}
          canRedo={document.history.future.length > 0}
          onSet={set}
          onTravel={travel}
        />
        <ConflictNotice session={session} turned={turnLetters} />
        <div className="flex min-w-0 flex-col gap-3">
          <FrameBar
            lick={later.good.lick}
            text={later.history.text}
            textNow={textNow}
            issues={later.issues}
            grooves={grooves}
            onSet={setFrame}
          />
          <LineEditor
            value={lineTextOf(text)}
            issues={document.issues}
            fieldRef={field}
            onType={(typed, caret) => run({ kind: 'type-line', typed, caret })}
            onSelect={tellCaret}
            onPlay={play}
          />
          <NoticeLine notice={notice} onDismiss={dismiss} />
          <Workbench
            id={record.id}
            text={document.goodText}
            lick={lick}
            voiced={voiced}
            voicing={voicing}
            setting={setting}
            turned={turnLetters}
            playing={playing && solo === null}
            position={player.position}
            selection={selection}
            counting={counting}
            tempo={tempo}
            onEdit={edit}
            onRefuse={refuse}
            playedClean={playedClean}
            onRaise={raise}
            kits={kits}
            onKit={chooseKit}
            onVoice={voice}
            onRestore={restore}
            grooves={grooves}
            onHear={hear}
          />
          <p className="sr-only" aria-live="polite">
            {selectionWords(later.good.lick, laterSelection, counting)}
          </p>
          <div
            ref={rulerHost}
            className="min-w-0 rounded-box border border-base-300 bg-base-100 px-3 py-4 sm:px-4"
          >
            {width > 0 && (
              <RulerView
                lick={voiced}
                width={width}
                counting={counting}
                staffView={staffView}
                selection={selection}
                gestures={gestures}
                bottleneck={answers.bottleneck}
                headroom={headroom}
                rulerRef={ruler}
              />
            )}
            <div className="mt-3 flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
              <Tick checked={showsHeadroom} onTick={setShowsHeadroom}>
                Headroom at {tempo} bpm
              </Tick>
              <BeamChoice beaming={beaming} onChoose={(choice) => remember({ beaming: choice })} />
            </div>
          </div>
          <FeetPanel under={under} underFill={underFill} onSet={setFrame} />
          <TextPanel
            text={text}
            title={lick.title}
            groove={carried}
            issues={document.issues}
            voiced={isPlain(voicing) ? null : voicedText}
            onText={replaceText}
          />
        </div>
        <aside aria-label="Answers" className="paint-alone flex flex-col gap-5 text-sm">
          <FitAnswer fit={fit} onStart={(place) => set('start', [place])} />
          <MoreAnswers answers={answers} />
        </aside>
      </div>
      <Transport
        playing={playing}
        trouble={player.trouble}
        tempo={tempo}
        learning={learning}
        goal={lick.frame.goal}
        least={TEMPO_RANGE.least}
        most={TEMPO_RANGE.most}
        beatName={beatName(lick.frame.meter)}
        switches={switches}
        onToggle={play}
        onTempo={setTempo}
        onVolume={player.setVolume}
        onSwitch={remember}
      />
    </>
  )
}

/** A lick that lands on a crash that was chosen for it a moment ago: which one costs more than a key. */
function withCrash(lick: Lick, crash: Surface | undefined): Lick {
  const { landing } = lick.frame
  if (!crash || (landing.kind !== 'crash' && landing.kind !== 'stop')) return lick
  return { ...lick, frame: { ...lick.frame, landing: { ...landing, crash } } }
}

/** The values of a key, the same list while they are the same. */
function useValues(text: string, key: Key): readonly string[] {
  const joined = valuesOf(text, key).join('\n')
  return useMemo(() => (joined === '' ? [] : joined.split('\n')), [joined])
}

function beatName(meter: Parameters<typeof isCompound>[0]): string {
  if (isCompound(meter)) return meter.unit === 8 ? 'dotted quarters' : 'dotted eighths'
  return { 2: 'halves', 4: 'quarters', 8: 'eighths', 16: 'sixteenths' }[meter.unit]
}
