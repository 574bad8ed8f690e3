import { Play, Square } from 'lucide-react'
import { useCallback, useMemo, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link, useFetcher } from 'react-router'
import { findVoicedLick } from '~/codecs/voicing'
import { soundsOn } from '~/core/kit'
import { EMPTY_LICK, frameTicks, type Lick } from '~/core/line'
import {
  LADDER_SCHOOLS,
  type LadderSchool,
  type LickLog,
  lickLogs,
  PRACTICE_SCHOOLS,
  type PracticeSchool,
  type Rating,
} from '~/core/practice'
import type { LickRecord, Settings, SittingRecord } from '~/storage'
import { plural } from '../bench/figures'
import { turnTexts } from '../bench/turned'
import { toGrooves } from '../bench/use-grooves'
import { ownKits, settingOf } from '../kit/setting'
import { usePlayer } from '../player/use-player'
import { Ladder } from './ladder'
import { PartFigure } from './part-figure'
import type { KeptForPractice } from './practice-store'
import { pastLimit, planMinutes, rungsFor, type Step, toSteps } from './stages'
import { useBigCount } from './use-big-count'
import { useTrainer } from './use-trainer'

const SCHOOL_WORDS: Readonly<Record<PracticeSchool, string>> = {
  parts: 'part by part',
  whole: 'whole and slow',
}
const LADDER_WORDS: Readonly<Record<LadderSchool, string>> = {
  three: 'three rungs',
  bpm: 'by 8 a rung',
  percent: 'by 12 % a rung',
}
const REPEATS = 8

interface PracticePageProps {
  readonly record: LickRecord
  readonly settings: Settings
  readonly kept: KeptForPractice
}

/** A lick to be practised: its build-up step by step, up a ladder of tempos, seen from two metres. */
export function PracticePage({ record, settings, kept }: PracticePageProps) {
  const lick = useMemo(() => lickOf(record, settings), [record, settings])
  const grooves = useMemo(() => toGrooves(kept.grooves), [kept])
  const setting = useMemo(
    () => settingOf(settings, ownKits(kept.kits), lick.kit, grooves),
    [settings, kept, lick, grooves],
  )
  const log = useMemo(
    () =>
      lickLogs(kept.sittings.map((one) => ({ ...one, at: one.createdAt }))).find(
        ({ lickId }) => lickId === record.id,
      ),
    [kept, record],
  )
  const [school, setSchool] = useState<PracticeSchool>('parts')
  const [ladder, setLadder] = useState<LadderSchool>('three')
  const [index, setIndex] = useState(0)
  const steps = useMemo(() => toSteps(lick, school, setting), [lick, school, setting])
  const rungs = useMemo(() => rungsFor(lick, ladder, log), [lick, ladder, log])
  const step = steps[Math.min(index, steps.length - 1)]

  const { submit } = useFetcher()
  const keepSitting = useCallback(
    (sitting: SittingRecord) =>
      void submit(JSON.stringify(sitting), {
        method: 'post',
        action: `/practice/${record.id}`,
        encType: 'application/json',
      }),
    [submit, record.id],
  )
  const [tempoNow, setTempoNow] = useState(rungs[0] ?? lick.frame.tempo)
  const switches = { loop: true, countIn: settings.countIn, click: settings.click }
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const { playing, toggle, position, trouble } = usePlayer(
    step?.played ?? lick,
    tempoNow,
    switches,
    null,
    { grooves, sounds, swapsGroove: setting.player.swapsGroove ?? false },
  )
  const trainer = useTrainer({
    lickId: record.id,
    step,
    rungs,
    playing,
    position,
    onKeep: keepSitting,
  })
  if (tempoNow !== trainer.tempo) setTempoNow(trainer.tempo)

  const play = useCallback(() => toggle(), [toggle])
  useHotkeys('space', play, { preventDefault: true })
  useHotkeys('right', () => trainer.rate('clean'), { preventDefault: true }, [trainer.rate])
  useHotkeys('down', () => trainer.rate('rough'), { preventDefault: true }, [trainer.rate])
  useHotkeys('left', () => trainer.rate('lost'), { preventDefault: true }, [trainer.rate])
  const go = (by: 1 | -1) => setIndex((now) => Math.max(0, Math.min(steps.length - 1, now + by)))
  useHotkeys('pagedown, n', () => go(1), { preventDefault: true }, [steps.length])
  useHotkeys('pageup, p', () => go(-1), { preventDefault: true }, [steps.length])

  if (!step) {
    return (
      <p className="p-8">
        There is nothing to practise yet.{' '}
        <Link className="link" to={`/bench/${record.id}`}>
          Type a sticking on the bench
        </Link>
        .
      </p>
    )
  }
  const past = pastLimit(step, rungs, setting)
  return (
    <div className="mx-auto grid w-full max-w-7xl grow grid-cols-1 content-start gap-x-8 gap-y-4 px-4 py-4 sm:px-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1 lg:col-span-2">
        <h1 className="font-semibold text-2xl tracking-tight">
          <Link to={`/bench/${record.id}`}>{lick.title || 'Untitled'}</Link>
        </h1>
        <p className="text-(--quiet)">
          step {Math.min(index, steps.length - 1) + 1} of {steps.length}: {step.words}
        </p>
        {log && <p className="text-sm">{logWords(log)}</p>}
        <p className="ml-auto text-(--quiet) text-sm">
          {Math.round(planMinutes(steps, rungs, REPEATS))} minutes for the whole plan, {REPEATS}{' '}
          times a rung
        </p>
      </header>
      <div className="flex min-w-0 flex-col gap-4">
        <BigCount lick={step.played} playing={playing} position={position} />
        <p className="flex justify-between font-semibold text-lg" role="status">
          <span>{playing ? `${trainer.tempo} a minute` : 'space starts'}</span>
          <span className="tabular-nums">
            repeat {Math.min(trainer.repeats + 1, REPEATS)} of {REPEATS}
          </span>
        </p>
        <div className="rounded-box bg-base-100 p-4">
          <PartFigure lick={step.part.lick} />
        </div>
        <div className="grid grid-cols-3 gap-2 sm:grid-cols-[auto_1fr_1fr_1fr] sm:gap-3">
          <button
            type="button"
            className="btn btn-primary col-span-3 h-16 w-full sm:col-span-1 sm:h-20 sm:w-20 sm:rounded-full"
            aria-label={playing ? 'Stop' : 'Play'}
            aria-keyshortcuts="Space"
            onClick={play}
          >
            {playing ? (
              <Square size={30} fill="currentColor" aria-hidden />
            ) : (
              <Play size={32} fill="currentColor" aria-hidden />
            )}
          </button>
          <Rate rating="clean" words="up a rung" arrow="→" onRate={trainer.rate} />
          <Rate rating="rough" words="stay" arrow="↓" onRate={trainer.rate} />
          <Rate rating="lost" words="down a rung" arrow="←" onRate={trainer.rate} />
        </div>
        {trouble && (
          <p role="alert" className="text-error">
            {trouble}
          </p>
        )}
        <p className="hidden font-mono text-(--quiet) text-sm lg:block">
          space play · → clean · ↓ rough · ← lost · n p next, previous step
        </p>
      </div>
      <aside aria-label="Plan" className="flex flex-col gap-5">
        <Ladder
          rungs={rungs}
          now={trainer.rung}
          goal={lick.frame.goal}
          past={past}
          onGo={trainer.setRung}
        />
        <Pick
          label="Ladder"
          words={LADDER_WORDS}
          all={LADDER_SCHOOLS}
          value={ladder}
          onPick={setLadder}
        />
        <StepList steps={steps} index={Math.min(index, steps.length - 1)} onGo={setIndex} />
        <Pick
          label="Order"
          words={SCHOOL_WORDS}
          all={PRACTICE_SCHOOLS}
          value={school}
          onPick={(next) => {
            setSchool(next)
            setIndex(0)
          }}
        />
        <p className="text-(--quiet) text-sm">
          Ears protected? Warm, and loose in the shoulders? Slower where it gets tense, and stop
          where it hurts.
        </p>
      </aside>
    </div>
  )
}

/** `3 sittings, 12 minutes; best clean 84, tense at 92`. */
function logWords({ sittings, seconds, bestClean, tense }: LickLog): string {
  const minutes = Math.round(seconds / 60)
  const time = minutes === 0 ? `${Math.round(seconds)} seconds` : plural(minutes, 'minute')
  const clean = bestClean === null ? 'nothing clean yet' : `best clean ${bestClean}`
  const tight = tense === null ? '' : `, tense at ${tense}`
  return `${plural(sittings, 'sitting')}, ${time}; ${clean}${tight}`
}

/** A stored lick as it is played here: turned for its player, and voiced. */
function lickOf(record: LickRecord, { turnLetters }: Settings): Lick {
  return findVoicedLick(turnTexts(record, turnLetters)) ?? EMPTY_LICK
}

/** The beats of a bar as large figures; the one that sounds is lit. */
function BigCount({
  lick,
  playing,
  position,
}: {
  lick: Lick
  playing: boolean
  position: ReturnType<typeof usePlayer>['position']
}) {
  const host = useRef<HTMLDivElement>(null)
  const { bar, beat } = frameTicks(lick.frame)
  const beats = Math.max(1, Math.round(bar / beat))
  useBigCount(playing, position, beat, beats, host)
  return (
    <div ref={host} className="group flex gap-2 sm:gap-4" data-phase="still" aria-hidden="true">
      {Array.from({ length: beats }, (_, i) => (
        <span
          key={i}
          data-beat={i}
          className="flex min-w-0 grow items-center justify-center rounded-box bg-base-100 py-3 font-bold text-5xl data-now:bg-primary data-now:text-primary-content sm:text-8xl group-data-[phase=count-in]:text-(--quiet)"
        >
          {i + 1}
        </span>
      ))}
    </div>
  )
}

function Rate({
  rating,
  words,
  arrow,
  onRate,
}: {
  rating: Rating
  words: string
  arrow: string
  onRate: (rating: Rating) => void
}) {
  return (
    <button
      type="button"
      className="flex h-20 flex-col items-start justify-center rounded-box border border-base-300 bg-base-100 px-2 hover:bg-base-300"
      onClick={() => onRate(rating)}
    >
      <span className="font-semibold text-xl sm:text-2xl">
        {rating} <span className="text-primary">{arrow}</span>
      </span>
      <span className="text-(--quiet) text-sm">{words}</span>
    </button>
  )
}

function StepList({
  steps,
  index,
  onGo,
}: {
  steps: readonly Step[]
  index: number
  onGo: (index: number) => void
}) {
  return (
    <ol aria-label="Steps" className="flex max-h-72 flex-col overflow-y-auto text-sm">
      {steps.map(({ key, words }, i) => (
        <li key={key}>
          <button
            type="button"
            aria-current={i === index ? 'step' : undefined}
            className="w-full rounded-field px-2 py-1 text-left hover:bg-base-300 aria-[current]:bg-base-300 aria-[current]:font-semibold"
            onClick={() => onGo(i)}
          >
            {i + 1}. {words}
          </button>
        </li>
      ))}
    </ol>
  )
}

function Pick<T extends string>({
  label,
  words,
  all,
  value,
  onPick,
}: {
  label: string
  words: Readonly<Record<T, string>>
  all: readonly T[]
  value: T
  onPick: (value: T) => void
}) {
  return (
    <label className="flex items-center gap-2 text-sm">
      {label}
      <select
        className="rounded-field border border-base-300 bg-base-100 px-2 py-1"
        value={value}
        onChange={(event) => onPick(event.target.value as T)}
      >
        {all.map((one) => (
          <option key={one} value={one}>
            {words[one]}
          </option>
        ))}
      </select>
    </label>
  )
}
