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
import { Nothing, Trouble } from '~/ui/parts'
import { usePageTitle } from '~/ui/use-page-title'
import { tempoFigure } from '~/words/figures'
import { PracticeDesk, stepAt } from '~/workspace/practice-desk'
import { type InSet, SetBar } from '../sets'
import { AlongPart } from './along-part'
import { BigCount } from './big-count'
import { Cautions } from './cautions'
import { ImprovisePart } from './improvise-part'
import { DARK, litOf, type Phase, phaseAt } from './lights'
import { LoopFields } from './loop-fields'
import { LostNotice } from './lost-notice'
import { NothingYet } from './nothing-yet'
import { PadsPanel } from './pads-panel'
import { PlanConflict } from './plan-conflict-notice'
import { PracticeHeader } from './practice-header'
import { lickOf, logOf, secondsToday, voicingOf } from './practised-lick'
import { RatedNotice } from './rated-notice'
import { Ratings } from './ratings'
import { BreakReminder } from './room/break-reminder'
import { heardSentence } from './room/heard-sentence'
import { HistoryPanel } from './room/history-panel'
import { LeaveFullScreen } from './room/leave-full-screen'
import { nextWords, StepsPanel, TemposPanel } from './room/plan-panels'
import { RoomDock, useRoomPanel } from './room/room-dock'
import { RoomLine } from './room/room-line'
import { Said } from './room/said'
import { StepRemarks } from './room/step-remarks'
import { useFullScreen } from './room/use-full-screen'
import { LIMB_KEYS, SoundStrip } from './sound-strip'
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
  const { sessions: own, saveSession, ...kept } = useStored(record.id, lick, stored)
  const log = useMemo(() => logOf(own, lick), [own, lick])
  const setPlan = useSetPlan(inSet, record.id)
  const [desk] = useState(() => new PracticeDesk(lick.frame.grid))
  const [full, showFull] = useFullScreen()
  const { loop, grid, muted, rated, lost, ...now } = useSlices(desk)
  const versions = useSavedVersions(record.id, turnLetters, grid, lick.frame.grid)
  const { plan, played, planned, steps, rungs, change, setRungs, arrange, ...more } = usePlan({
    lick,
    grid,
    setting,
    log,
    plan: kept.plan,
    setPlan,
    versions,
    onSave: kept.document.edit,
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
      onLeave: () => (full ? showFull(false) : desk.leaveLoop()),
      onFull: () => showFull(!full),
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
  const { panel, open } = useRoomPanel()
  if (!step || !listed) return <NothingYet id={record.id} />
  const together = steps.findIndex(({ part, skipped }) => part.kind === 'together' && !skipped)
  const repeat = `${Math.min(trainer.done + 1, plan.repeats)} of ${plan.repeats}`
  const planProps = { setPlan, plan, onChange: change }
  const listening = along.wanted && !improvising.choice.drawn
  return (
    <div ref={host} data-phase="still" data-full={full || undefined} className="room group">
      <div className="room-top">
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
          about={voicing.about}
          rest={rest}
        />
      </div>
      {full && <LeaveFullScreen title={lick.title} onLeave={() => showFull(false)} />}
      <div className="room-main">
        <BigCount beats={beats} playing={playing} onTap={play} />
        <div className="room-words">
          <p data-phase-words className="text-primary">
            {stillWords()}
          </p>
          <p className="tabular-nums" role="status">
            {tempoFigure(tempo)} bpm
            {trainer.nextTempo !== null && `, next ${tempoFigure(trainer.nextTempo)}`}
          </p>
          <p className="tabular-nums">repeat {repeat}</p>
        </div>
        <RoomLine
          lick={step.part.lick}
          counting={counting}
          playing={playing}
          position={position}
          phaseOf={phaseOf}
          heard={listening ? (along.rounds.at(-1)?.told.strokes ?? []) : undefined}
          onSelect={(within) => desk.loopWithin(step.part.range, within)}
        />
        <StepRemarks step={step} tempo={tempo} voicing={voicing} seam={seam} />
        <Said
          words={listening ? heardSentence(along, step.part.lick, counting, settings.clean) : ''}
          next={nextWords(rungs, rung, steps, planned, loop ? -1 : at)}
        >
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
              onOneSurface={
                together >= 0 && together !== at ? () => desk.goTo(together) : undefined
              }
            />
          )}
          {warnings.map((words) => (
            <p key={words} className="text-sm text-warning first-letter:uppercase">
              {words}
            </p>
          ))}
          <Trouble words={trainer.trouble} />
          <Trouble words={live ? '' : 'This lick was deleted in another tab. It is in the bin.'} />
          {inSet?.notice}
          <PlanConflict document={kept.document} />
          <Cautions />
        </Said>
        <Ratings
          playing={playing}
          up={tempos[rung + 1]}
          down={tempos[rung - 1]}
          onPlay={play}
          onRate={rate}
        />
      </div>
      <RoomDock open={panel} onOpen={open} onFull={() => showFull(true)}>
        {panel === 'steps' && (
          <StepsPanel
            {...planProps}
            planned={planned}
            steps={steps}
            index={loop ? -1 : at}
            log={log}
            minutes={minutes}
            settings={settings}
            onGoStep={(next) => desk.goTo(next)}
            onArrange={arrange}
            played={played}
            versions={versions}
            onAdd={more.add}
            onTemplate={more.layTemplate}
            onSettings={changeSettings}
          />
        )}
        {panel === 'tempos' && (
          <TemposPanel
            {...planProps}
            rungs={rungs}
            rung={rung}
            lick={lick}
            past={past}
            sessions={own}
            onGoRung={go}
            onRungs={setRungs}
          />
        )}
        {panel === 'playing' && (
          <>
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
            <LoopFields
              lick={lick}
              loop={loop}
              onLoop={(slots) => desk.loopOver(slots)}
              onKeep={({ from, to }) => {
                more.add(`loop ${from}-${to}`)
                desk.goTo(planned.length)
              }}
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
            <BreakReminder minutes={settings.breakAfter} onSettings={changeSettings} />
            <PadsPanel
              pads={settings.pads}
              onPads={(pads) => changeSettings({ pads })}
              onWatch={setWatched}
            />
          </>
        )}
        {panel === 'ear' && !improvising.choice.drawn && (
          <AlongPart
            along={along}
            byEar={byEar}
            onByEar={setByEar}
            part={partKeyOf(step)}
            sessions={own}
            planned={planned}
            onGo={(next) => desk.goTo(next)}
          />
        )}
        {panel === 'ear' && improvising.choice.drawn && (
          <Nothing>
            What changes each time round is not listened to: choose nothing under Playing.
          </Nothing>
        )}
        {panel === 'history' && <HistoryPanel log={log} sessions={own} />}
      </RoomDock>
    </div>
  )
}
