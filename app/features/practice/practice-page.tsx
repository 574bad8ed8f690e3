import { Maximize2 } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import type { Channel } from '~/audio'
import type { SlotRange } from '~/core/changes'
import { soundsOn } from '~/core/kit'
import { frameTicks, sumOf } from '~/core/line'
import type { Rating } from '~/core/log'
import { onKit, type Position, toPerformance } from '~/core/performance'
import {
  findPulsed,
  findStep,
  loopPart,
  minutesSinceBreak,
  moveGridRung,
  type PracticeForm,
  seamRuns,
  slowerRung,
  strainsAt,
} from '~/core/practice'
import { gridName, sameGrid } from '~/core/time'
import { useLick } from '~/live/use-lick'
import { useSettings } from '~/live/use-live'
import { useGroovesFor, useOwnKits } from '~/live/use-own'
import { useSessionsSince } from '~/live/use-sessions'
import type { Kept, LickRecord, PlanRecord } from '~/storage'
import { late } from '~/ui/late'
import { Trouble } from '~/ui/parts'
import { usePageTitle } from '~/ui/use-page-title'
import { countingOf } from '~/workspace/counting'
import { notesIn } from '~/workspace/notes'
import { settingOf } from '~/workspace/setting'
import { BigCount } from './big-count'
import { Cautions } from './cautions'
import { DARK, litOf, type Phase, phaseAt } from './lights'
import { LoopFields } from './loop-fields'
import { LostNotice } from './lost-notice'
import { MOST_SLOTS, PartFigure } from './part-figure'
import { PlanAside } from './plan-aside'
import { PlanConflict } from './plan-conflict-notice'
import { lickOf, logOf, voicingOf } from './practised-lick'
import { type Rated, RatedNotice } from './rated-notice'
import { Ratings } from './ratings'
import { LIMB_KEYS, SoundStrip } from './sound-strip'
import { stretchesOf, widthOf } from './stage/pages'
import { usePage } from './stage/use-page'
import { planMinutes, rungsAbove, stepLimit, toStep } from './step-view'
import { stillWords } from './still-words'
import { useLights } from './use-lights'
import { usePads } from './use-pads'
import { usePlan } from './use-plan'
import { usePracticeKeys } from './use-practice-keys'
import { useStored } from './use-stored'
import { useTrainer } from './use-trainer'
import { useHasVoice, useVoiceCount } from './use-voice-count'
import {
  breakWords,
  figure,
  jumpWords,
  logWords,
  phaseWords,
  seamWords,
  speedWords,
  strainWords,
  voiceCount,
} from './words'

/** Fetched when the stage is entered first. */
const Stage = late(async () => (await import('./stage/stage')).default)

interface PracticePageProps {
  /** The lick as it was stored when the page was opened. */
  readonly opened: Kept<LickRecord>
  /** How it is practised; null where nothing was chosen yet. */
  readonly stored: Kept<PlanRecord> | null
}

/** How far back sessions count as one stretch of practice. */
const STRETCH_MS = 12 * 60 * 60_000

/** A lick to be practised: its build-up step by step, up a ladder of tempos, seen from two metres. */
export function PracticePage({ opened, stored }: PracticePageProps) {
  const live = useLick(opened)
  const record = live ?? opened
  const { settings, change: changeSettings } = useSettings()
  const { turnLetters } = settings
  const lick = useMemo(() => lickOf(record, turnLetters), [record, turnLetters])
  usePageTitle(lick.title, 'Practice')
  const voicing = useMemo(() => voicingOf(record), [record])
  const grooves = useGroovesFor(lick)
  const kits = useOwnKits()
  const setting = useMemo(
    () => settingOf(settings, kits, lick.kit, grooves),
    [settings, kits, lick.kit, grooves],
  )
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const { sessions: own, saveSession, savePlan, setPlan, ...kept } = useStored(record.id, stored)
  const [since] = useState(() => Date.now() - STRETCH_MS)
  const recent = useSessionsSince(since)
  const log = useMemo(() => logOf(own, lick), [own, lick])
  const [grid, setGrid] = useState(lick.frame.grid)
  const { plan, played, planned, steps, rungs, change, setRungs, arrange } = usePlan({
    lickId: record.id,
    lick,
    grid,
    setting,
    log,
    plan: kept.plan,
    onSave: savePlan,
  })
  const tempos = useMemo(() => rungs.map(({ tempo }) => tempo), [rungs])

  const [index, setIndex] = useState(() => Math.max(0, findStep(planned, -1, 1) ?? 0))
  const [loop, setLoop] = useState<SlotRange | null>(null)
  const [loopForm, setLoopForm] = useState<PracticeForm>({ kind: 'over' })
  const at = Math.min(index, steps.length - 1)
  const listed = steps[at]
  const step = useMemo(() => {
    if (!loop) return listed
    return toStep(loopPart(played, loop), loopForm, played)
  }, [loop, loopForm, played, listed])

  const pulsed = useMemo(() => step && findPulsed(step.played), [step])
  const heard = (settings.pulse ? pulsed : undefined) ?? step?.played ?? lick
  const countsEach = settings.practiceCountIn === 'each' && step?.form.kind !== 'over'
  const compose = useCallback(
    () =>
      onKit(
        toPerformance(heard, {
          loop: true,
          countIn: countsEach ? 'each' : settings.practiceCountIn !== 'off',
          click: {
            marks: settings.clickMarks === 'off' ? 'beats' : settings.clickMarks,
            dropOut: settings.dropOut,
            inEighths: settings.sextupletsInEighths,
          },
          grooves,
          swapsGroove: setting.player.swapsGroove ?? false,
        }),
        sounds,
      ),
    [heard, countsEach, settings, grooves, setting, sounds],
  )
  const trainer = useTrainer({
    lickId: record.id,
    step,
    rungs: tempos,
    repeats: plan.repeats,
    climbs: plan.climbs,
    countsEach,
    compose,
    onSave: saveSession,
  })
  const { playing, position, begin, stop, setMuted: setMutedNow, go, rung, tempo } = trainer
  const rungGrid = rungs[rung]?.grid
  useEffect(() => {
    if (rungGrid) setGrid((now) => (sameGrid(now, rungGrid) ? now : rungGrid))
  }, [rungGrid])
  const play = useCallback(() => (playing ? stop() : begin()), [playing, stop, begin])
  const [lost, setLost] = useState<number | null>(null)
  const [rated, setRated] = useState<Rated | null>(null)
  const [onStage, setOnStage] = useState(false)
  const { rate: rateRung } = trainer
  const rate = useCallback(
    (rating: Rating) => {
      setRated({ rating, tempo, rung })
      rateRung(rating)
      const slower = rating === 'lost' && rung === 0 ? slowerRung(tempos) : tempos
      const added = slower.length > tempos.length ? slower[0] : undefined
      setLost(added ?? null)
      if (added !== undefined) setRungs([{ tempo: added, grid: rungs[0]?.grid ?? grid }, ...rungs])
    },
    [rateRung, rung, rungs, tempo, tempos, grid, setRungs],
  )

  // Another step, form, grid or way of counting in begins anew: what sounded was another music.
  const restart = useRef(begin)
  restart.current = begin
  const music = `${step?.key} ${step?.words} ${settings.practiceCountIn} ${gridName(grid)}`
  const sounding = useRef(music)
  useEffect(() => {
    if (sounding.current === music) return
    sounding.current = music
    if (playing) restart.current()
  }, [music, playing])

  const [muted, setMuted] = useState<ReadonlySet<Channel>>(new Set())
  const mute = useCallback(
    (channel: Channel) =>
      setMuted(
        (now) =>
          new Set(now.has(channel) ? [...now].filter((one) => one !== channel) : [...now, channel]),
      ),
    [],
  )
  useEffect(() => {
    for (const [channel] of LIMB_KEYS) setMutedNow(channel, muted.has(channel))
  }, [muted, setMutedNow])
  useEffect(
    () => setMutedNow('click', settings.clickMarks === 'off'),
    [settings.clickMarks, setMutedNow],
  )

  const goStep = useCallback(
    (way: 1 | -1) => {
      setLoop(null)
      setIndex((now) => findStep(planned, Math.min(now, planned.length - 1), way) ?? now)
    },
    [planned],
  )
  const canSpeak = useHasVoice()
  const { beat, bar } = frameTicks(heard.frame)
  const counting = useMemo(() => countingOf(settings), [settings])
  const counted = useMemo(
    () => voiceCount(heard, tempo, counting, settings),
    [heard, tempo, counting, settings],
  )
  useVoiceCount(playing && settings.voiceCount && canSpeak, position, counted)
  usePracticeKeys(
    {
      onPlay: play,
      onRate: rate,
      onStep: goStep,
      onTempo: (by) => setRungs(moveGridRung(rungs, rung, (tempos[rung] ?? tempo) + by)),
      onLimb: (i) => LIMB_KEYS[i] && mute(LIMB_KEYS[i][0]),
      onClick: () =>
        changeSettings({ clickMarks: settings.clickMarks === 'off' ? 'beats' : 'off' }),
      onPulse: () => changeSettings({ pulse: !settings.pulse }),
      onTense: trainer.feelsTense,
      onLeave: () => (onStage ? setOnStage(false) : setLoop(null)),
      onStage: () => setOnStage(!onStage),
    },
    { playing, shortcuts: settings.singleKeys },
  )
  const [watched, setWatched] = useState({ open: false, learning: false })
  usePads(settings.pads, watched, playing, play, rate)

  const host = useRef<HTMLDivElement>(null)
  const lit = useMemo(() => step && litOf(step, heard, countsEach), [step, heard, countsEach])
  const bars = step?.form.kind === 'over' ? 0 : (heard.frame.bars ?? sumOf(heard).bars)
  const says = useCallback((phase: Phase) => phaseWords(phase, heard, bars), [heard, bars])
  const phaseOf = useCallback((now: Position | undefined) => phaseAt(now, lit ?? DARK), [lit])
  useLights(playing, position, phaseOf, says, host)
  const stretches = useMemo(() => (step ? stretchesOf(step.part.lick, MOST_SLOTS) : []), [step])
  const stretch = usePage(stretches, playing, position, phaseOf)

  const limit = useMemo(
    () => (step ? stepLimit(step, played, setting) : null),
    [step, played, setting],
  )
  const past = useMemo(() => rungsAbove(rungs, grid, limit), [rungs, grid, limit])
  const seam = useMemo(
    () => (step ? seamWords(seamRuns(step.played, { grooves })) : ''),
    [step, grooves],
  )
  const strains = useMemo(
    () => strainsAt(heard, tempo, setting, limit).map(strainWords),
    [heard, tempo, setting, limit],
  )
  const minutes = useMemo(() => planMinutes(steps, tempos, plan.repeats), [steps, tempos, plan])
  if (!step || !listed) return <NothingYet id={record.id} />
  const together = steps.findIndex(({ part, skipped }) => part.kind === 'together' && !skipped)
  const rest = breakWords(
    minutesSinceBreak(
      recent.map(({ createdAt, seconds }) => ({ at: createdAt, seconds })),
      Date.now(),
    ),
    settings.breakAfter,
  )
  const jump = jumpWords(played, tempo, own)
  return (
    <div
      ref={host}
      data-phase="still"
      className="group mx-auto grid w-full max-w-7xl grow grid-cols-1 content-start gap-x-8 gap-y-3 px-4 py-3 sm:px-5 lg:grid-cols-[minmax(0,1fr)_20rem]"
    >
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1 lg:col-span-2">
        <h1 dir="auto" className="font-semibold text-2xl tracking-tight">
          <Link to={`/bench/${record.id}`}>{lick.title || 'Untitled'}</Link>
        </h1>
        <p className="text-(--quiet)">
          {loop ? step.words : `step ${at + 1} of ${steps.length}: ${step.words}`}
        </p>
        {log && <p className="text-sm">{logWords(log)}</p>}
        {voicing.about && (
          <p dir="auto" className="w-full whitespace-pre-line text-sm">
            {voicing.about}
          </p>
        )}
        <p
          role="status"
          className={`text-sm tabular-nums ${rest.due ? 'font-semibold text-warning' : 'text-(--quiet)'}`}
        >
          {rest.text}
        </p>
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm ml-auto font-normal"
          aria-keyshortcuts="s"
          onClick={() => setOnStage(true)}
        >
          <Maximize2 size={15} aria-hidden /> Stage
        </button>
      </header>
      <div className="flex min-w-0 flex-col gap-3">
        <BigCount beats={Math.max(1, Math.round(bar / beat))} playing={playing} onTap={play} />
        <div className="flex flex-wrap items-baseline justify-between gap-x-6">
          <p data-phase-words className="font-semibold text-lg text-primary">
            {stillWords()}
          </p>
          <p className="font-semibold text-lg tabular-nums" role="status">
            {figure(tempo)} bpm
            {trainer.nextTempo !== null && `, next ${figure(trainer.nextTempo)}`}
          </p>
          <p className="font-semibold text-lg tabular-nums">
            repeat {Math.min(trainer.done + 1, plan.repeats)} of {plan.repeats}
          </p>
        </div>
        <div className="rounded-box bg-base-100 px-4 py-3">
          <PartFigure
            lick={step.part.lick}
            counting={counting}
            first={stretches[stretch]?.from ?? 0}
            most={widthOf(stretches, stretch, MOST_SLOTS)}
            onSelect={({ from, to }) => {
              const { range } = step.part
              setLoop({ from: range.from + from, to: range.from + to })
            }}
          />
          <p className="mt-1 flex flex-wrap gap-x-4 text-(--quiet) text-sm">
            <span>{speedWords(step.part.lick, tempo)}</span>
            {seam && <span>{seam}</span>}
            {notesIn(voicing, step.part.range).map(({ slot, text }) => (
              <span key={slot} className="text-base-content">
                slot {slot - step.part.range.from + 1}: {text}
              </span>
            ))}
            <LoopFields lick={lick} loop={loop} onLoop={setLoop} />
          </p>
        </div>
        {[...(jump ? [jump] : []), ...strains].map((words) => (
          <p key={words} className="text-sm text-warning first-letter:uppercase">
            {words}
          </p>
        ))}
        {rated && (
          <RatedNotice
            rated={rated}
            onUndo={() => {
              trainer.unrate(rated.rung)
              setRated(null)
            }}
          />
        )}
        {lost !== null && (
          <LostNotice
            tempo={lost}
            onOneSurface={
              together >= 0 && together !== at
                ? () => {
                    setLost(null)
                    setLoop(null)
                    setIndex(together)
                  }
                : undefined
            }
          />
        )}
        <Ratings playing={playing} onPlay={play} onRate={rate} />
        <SoundStrip
          sound={settings}
          form={step.form}
          muted={muted}
          canPulse={pulsed !== undefined}
          canSpeak={canSpeak}
          onSound={changeSettings}
          onForm={(form: PracticeForm) =>
            loop
              ? setLoopForm(form)
              : arrange(planned.map((one, i) => (i === at ? { ...one, form } : one)))
          }
          onMute={mute}
        />
        <Trouble words={trainer.trouble || kept.refused} />
        <Trouble words={live ? '' : 'This lick was deleted in another tab. It is in the bin.'} />
        <PlanConflict saver={kept.planSaver} plan={plan} onTake={setPlan} onSave={savePlan} />
        <Cautions />
        <p className="hidden font-mono text-(--quiet) text-xs lg:block">
          Space play · → clean · ↓ rough · ← lost · T tense · S stage · N P step · + − tempo · 1 2 3
          4 limbs · C click · H hi-hat foot
        </p>
      </div>
      {onStage && (
        <Stage
          lick={step.part.lick}
          title={`${lick.title || 'Untitled'}: ${step.words}`}
          counting={counting}
          beats={Math.max(1, Math.round(bar / beat))}
          tempo={tempo}
          nextTempo={trainer.nextTempo}
          repeat={`${Math.min(trainer.done + 1, plan.repeats)} of ${plan.repeats}`}
          playing={playing}
          position={position}
          phaseOf={phaseOf}
          onPlay={play}
          onRate={rate}
          onLeave={() => setOnStage(false)}
        />
      )}
      <PlanAside
        plan={plan}
        planned={planned}
        steps={steps}
        index={loop ? -1 : at}
        rungs={rungs}
        rung={rung}
        lick={lick}
        log={log}
        past={past}
        sessions={own}
        minutes={minutes}
        settings={settings}
        onGoRung={go}
        onGoStep={(next) => {
          setLoop(null)
          setIndex(next)
        }}
        onChange={change}
        onRungs={setRungs}
        onArrange={arrange}
        onSettings={changeSettings}
        onWatch={setWatched}
      />
    </div>
  )
}

function NothingYet({ id }: { id: string }) {
  return (
    <p className="p-8">
      There is nothing to practise yet.{' '}
      <Link className="link" to={`/bench/${id}`}>
        Type a sticking on the bench
      </Link>
      .
    </p>
  )
}
