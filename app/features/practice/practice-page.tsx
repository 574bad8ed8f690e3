import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { frameTicks, type Lick, sumOf } from '~/core/line'
import type { Rating } from '~/core/log'
import type { Position } from '~/core/performance'
import { moveGridRung, type PracticeForm } from '~/core/practice'
import { gridName } from '~/core/time'
import { useLick } from '~/live/use-lick'
import { useSettings } from '~/live/use-live'
import { useCounting, useSettingFor } from '~/live/use-setting'
import { useSlices } from '~/live/use-slices'
import type { Kept, LickRecord, PlanRecord } from '~/storage'
import { late } from '~/ui/late'
import { Trouble } from '~/ui/parts'
import { usePageTitle } from '~/ui/use-page-title'
import { tempoFigure } from '~/words/figures'
import { PracticeDesk, stepAt } from '~/workspace/practice-desk'
import { type InSet, SetBar } from '../sets'
import { AlongPart } from './along-part'
import { BigCount } from './big-count'
import { Cautions } from './cautions'
import { ImprovisePart } from './improvise-part'
import { DARK, litOf, type Phase, phaseAt } from './lights'
import { LostNotice } from './lost-notice'
import { NothingYet } from './nothing-yet'
import { MOST_SLOTS } from './part-figure'
import { PlanAside } from './plan-aside'
import { PlanConflict } from './plan-conflict-notice'
import { PracticeHeader } from './practice-header'
import { lickOf, logOf, secondsToday, voicingOf } from './practised-lick'
import { RatedNotice } from './rated-notice'
import { Ratings } from './ratings'
import { LIMB_KEYS, SoundStrip } from './sound-strip'
import { stretchesOf, widthOf } from './stage/pages'
import { usePage } from './stage/use-page'
import { useStage } from './stage/use-stage'
import { StepPart } from './step-part'
import { partKeyOf, planMinutes } from './step-view'
import { stillWords } from './still-words'
import { useAlong } from './use-along'
import { useBeginsAtOnce } from './use-begins-at-once'
import { useImprovising } from './use-improvising'
import { useLights } from './use-lights'
import { usePads } from './use-pads'
import { usePlan } from './use-plan'
import { usePracticeKeys } from './use-practice-keys'
import { useSavedVersions } from './use-saved-versions'
import { useSetPlan } from './use-set-plan'
import { useStep } from './use-step'
import { useStored } from './use-stored'
import { useTrainer } from './use-trainer'
import { useHasVoice, useVoiceCount } from './use-voice-count'
import { useWarnings } from './use-warnings'
import { phaseWords, voiceCount } from './words'

const NONE: readonly Lick[] = []

/** Fetched when the stage is entered first. */
const Stage = late(async () => (await import('./stage/stage')).default)

interface PracticePageProps {
  /** The lick as it was stored when the page was opened. */
  readonly opened: Kept<LickRecord>
  /** How it is practised; null where nothing was chosen yet. */
  readonly stored: Kept<PlanRecord> | null
  /** The set that it is practised in; null for none. */
  readonly inSet: InSet | null
}

/** A lick to be practised: its build-up step by step, up a ladder of tempos, seen from two metres. */
export function PracticePage({ opened, stored, inSet }: PracticePageProps) {
  const live = useLick(opened)
  const record = live ?? opened
  const { settings, change: changeSettings } = useSettings()
  const { turnLetters } = settings
  const lick = useMemo(() => lickOf(record, turnLetters), [record, turnLetters])
  usePageTitle(lick.title, 'Practice')
  const voicing = useMemo(() => voicingOf(record), [record])
  const setting = useSettingFor(lick)
  const counting = useCounting()
  const { sessions: own, saveSession, savePlan, takePlan, ...kept } = useStored(record.id, stored)
  const log = useMemo(() => logOf(own, lick), [own, lick])
  const setPlan = useSetPlan(inSet, record.id)
  const [desk] = useState(() => new PracticeDesk(lick.frame.grid))
  const [onStage, showStage] = useStage()
  const { loop, grid, muted, rated, lost, ...now } = useSlices(desk)
  const versions = useSavedVersions(record.id, turnLetters, grid, lick.frame.grid)
  const { plan, played, planned, steps, rungs, change, setRungs, arrange, ...more } = usePlan({
    lickId: record.id,
    lick,
    grid,
    setting,
    log,
    plan: kept.plan,
    setPlan,
    versions,
    onSave: savePlan,
  })
  const tempos = useMemo(() => rungs.map(({ tempo }) => tempo), [rungs])
  const at = stepAt(now, planned)
  const listed = steps[at]
  const chosen = { loop, loopForm: now.loopForm }
  const versionLicks = useMemo(() => versions.map((one) => one.lick), [versions])
  const improvising = useImprovising({
    lickId: record.id,
    lick,
    tempo: Math.max(...tempos),
    setting,
    turned: turnLetters,
  })
  const { step, heard, pulsed, countsEach, compose, drawable } = useStep({
    lick,
    played,
    listed,
    desk: chosen,
    settings,
    setting,
    bounds: improvising.bounds,
    others: improvising.choice.drawn === 'versions' ? versionLicks : NONE,
  })
  const [byEar, setByEar] = useState(false)
  const trainer = useTrainer({
    lickId: record.id,
    step,
    rungs: tempos,
    repeats: plan.repeats,
    // By ear or by the count, never both.
    climbs: plan.climbs && !byEar,
    countsEach,
    compose,
    onSave: saveSession,
  })
  const { playing, position, begin, stop, setMuted, go, rung, tempo } = trainer
  const rungGrid = rungs[rung]?.grid
  useEffect(() => {
    if (rungGrid) desk.playOn(rungGrid)
  }, [desk, rungGrid])
  const play = useCallback(() => (playing ? stop() : begin()), [playing, stop, begin])
  const { rate: rateRung, climbBy, leaveNoTrace } = trainer
  // A simulated player climbs, and leaves no trace.
  const simulates = useRef(false)
  const rate = useCallback(
    (rating: Rating) => {
      if (simulates.current) {
        climbBy(rating)
        return
      }
      rateRung(rating)
      const below = desk.rate({ rating, tempo, rung }, tempos)
      if (below !== null) setRungs([{ tempo: below, grid: rungs[0]?.grid ?? grid }, ...rungs])
    },
    [desk, rateRung, climbBy, rung, rungs, tempo, tempos, grid, setRungs],
  )

  useBeginsAtOnce(begin)
  const along = useAlong({
    step: improvising.choice.drawn ? undefined : step,
    plan: trainer.plan,
    compose,
    softenClick: trainer.softenClick,
    countsEach,
    playing,
    position,
    settings,
    kit: setting.kit,
    onHeard: trainer.hear,
    repeats: plan.repeats,
    climbs: byEar,
    onRate: rate,
    onClimb: climbBy,
  })
  simulates.current = along.simulates
  useEffect(() => leaveNoTrace(along.simulates), [leaveNoTrace, along.simulates])

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
  useEffect(() => {
    for (const [channel] of LIMB_KEYS) setMuted(channel, muted.has(channel))
  }, [muted, setMuted])
  useEffect(() => setMuted('click', settings.clickMarks === 'off'), [settings.clickMarks, setMuted])

  const canSpeak = useHasVoice()
  const { beat, bar } = frameTicks(heard.frame)
  const beats = Math.max(1, Math.round(bar / beat))
  const counted = useMemo(
    () => voiceCount(heard, tempo, counting, settings),
    [heard, tempo, counting, settings],
  )
  useVoiceCount(playing && settings.voiceCount && canSpeak, position, counted)
  usePracticeKeys(
    {
      onPlay: play,
      onRate: rate,
      onStep: (way) => desk.goStep(way, planned),
      onTempo: (by) => setRungs(moveGridRung(rungs, rung, (tempos[rung] ?? tempo) + by)),
      onLimb: (i) => LIMB_KEYS[i] && desk.mute(LIMB_KEYS[i][0]),
      onClick: () =>
        changeSettings({ clickMarks: settings.clickMarks === 'off' ? 'beats' : 'off' }),
      onPulse: () => changeSettings({ pulse: !settings.pulse }),
      onTense: trainer.feelsTense,
      onLeave: () => (onStage ? showStage(false) : desk.leaveLoop()),
      onStage: () => showStage(!onStage),
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
  const { past, seam, rest, warnings } = useWarnings({
    step,
    played,
    heard,
    tempo,
    rungs,
    grid,
    setting,
    own,
    breakAfter: settings.breakAfter,
  })
  const minutes = useMemo(() => planMinutes(steps, tempos, plan.repeats), [steps, tempos, plan])
  if (!step || !listed) return <NothingYet id={record.id} />
  const together = steps.findIndex(({ part, skipped }) => part.kind === 'together' && !skipped)
  const repeat = `${Math.min(trainer.done + 1, plan.repeats)} of ${plan.repeats}`
  return (
    <div
      ref={host}
      data-phase="still"
      className="group mx-auto grid w-full max-w-7xl grow grid-cols-1 content-start gap-x-8 gap-y-3 px-4 py-3 sm:px-5 lg:grid-cols-[minmax(0,1fr)_20rem]"
    >
      {inSet && (
        <SetBar
          set={inSet.set}
          lickId={record.id}
          seconds={secondsToday(own)}
          playing={playing}
          keys={settings.singleKeys}
        />
      )}
      <PracticeHeader
        id={record.id}
        title={lick.title}
        at={loop ? step.words : `step ${at + 1} of ${steps.length}: ${step.words}`}
        log={log}
        about={voicing.about}
        rest={rest}
        onStage={() => showStage(true)}
      />
      <div className="flex min-w-0 flex-col gap-3">
        <BigCount beats={beats} playing={playing} onTap={play} />
        <div className="flex flex-wrap items-baseline justify-between gap-x-6">
          <p data-phase-words className="font-semibold text-lg text-primary">
            {stillWords()}
          </p>
          <p className="font-semibold text-lg tabular-nums" role="status">
            {tempoFigure(tempo)} bpm
            {trainer.nextTempo !== null && `, next ${tempoFigure(trainer.nextTempo)}`}
          </p>
          <p className="font-semibold text-lg tabular-nums">repeat {repeat}</p>
        </div>
        <StepPart
          lick={lick}
          step={step}
          tempo={tempo}
          counting={counting}
          voicing={voicing}
          seam={seam}
          first={stretches[stretch]?.from ?? 0}
          most={widthOf(stretches, stretch, MOST_SLOTS)}
          heard={
            along.wanted && !improvising.choice.drawn
              ? (along.rounds.at(-1)?.told.strokes ?? [])
              : undefined
          }
          loop={loop}
          onLoop={(slots) => desk.loopOver(slots)}
          onKeep={({ from, to }) => {
            more.add(`loop ${from}-${to}`)
            desk.goTo(planned.length)
          }}
          onSelect={(within) => desk.loopWithin(step.part.range, within)}
        />
        {/* What appears stands under it: nothing moves what is pressed. */}
        <Ratings playing={playing} onPlay={play} onRate={rate} />
        {warnings.map((words) => (
          <p key={words} className="text-sm text-warning first-letter:uppercase">
            {words}
          </p>
        ))}
        {rated && (
          <RatedNotice
            rated={rated}
            onUndo={() => {
              const back = desk.unrate()
              if (back !== null) trainer.unrate(back)
            }}
          />
        )}
        {lost !== null && (
          <LostNotice
            tempo={lost}
            onOneSurface={together >= 0 && together !== at ? () => desk.goTo(together) : undefined}
          />
        )}
        <SoundStrip
          sound={settings}
          form={step.form}
          muted={muted}
          canPulse={pulsed !== undefined}
          canSpeak={canSpeak}
          onSound={changeSettings}
          onForm={(form: PracticeForm) =>
            loop
              ? desk.formLoop(form)
              : arrange(planned.map((one, i) => (i === at ? { ...one, form } : one)))
          }
          onMute={(channel) => desk.mute(channel)}
        />
        {drawable && (
          <ImprovisePart
            choice={improvising.choice}
            versions={versions.length}
            playing={playing}
            said={improvising.said}
            onChoose={improvising.choose}
            onKeep={(before) => void improvising.keep(heard, position(), before)}
          />
        )}
        {!improvising.choice.drawn && (
          <AlongPart
            along={along}
            byEar={byEar}
            onByEar={setByEar}
            lick={step.part.lick}
            part={partKeyOf(step)}
            sessions={own}
            planned={planned}
            onGo={(next) => desk.goTo(next)}
          />
        )}
        <Trouble words={trainer.trouble || kept.refused} />
        <Trouble words={live ? '' : 'This lick was deleted in another tab. It is in the bin.'} />
        {inSet?.notice}
        <PlanConflict saver={kept.planSaver} plan={plan} onTake={takePlan} onSave={savePlan} />
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
          beats={beats}
          tempo={tempo}
          nextTempo={trainer.nextTempo}
          repeat={repeat}
          playing={playing}
          position={position}
          phaseOf={phaseOf}
          onPlay={play}
          onRate={rate}
          onLeave={() => showStage(false)}
        />
      )}
      <PlanAside
        setPlan={setPlan}
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
        onGoStep={(next) => desk.goTo(next)}
        onChange={change}
        onRungs={setRungs}
        onArrange={arrange}
        played={played}
        versions={versions}
        onAdd={more.add}
        onTemplate={more.layTemplate}
        onSettings={changeSettings}
        onWatch={setWatched}
      />
    </div>
  )
}
