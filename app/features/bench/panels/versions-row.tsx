import { Play, Square } from 'lucide-react'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { soundsOn } from '~/core/kit'
import { type Lick, TEMPO_RANGE } from '~/core/line'
import { onKit, toSequence } from '~/core/performance'
import { type PracticeForm, versionsInRow } from '~/core/practice'
import { useSettings } from '~/live/use-live'
import { useSounding } from '~/session/use-sounding'
import { NumberField } from '~/ui/number-field'
import { ErrorText, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { usePanel } from '../state/use-panel'

interface NamedLick {
  readonly id: string
  readonly name: string
  readonly lick: Lick
}

const FORMS: Readonly<Record<string, PracticeForm>> = {
  '1 + 1': { kind: 'bars', groove: 1, fill: 1 },
  '2 + 2': { kind: 'bars', groove: 2, fill: 2 },
  '3 + 1': { kind: 'bars', groove: 3, fill: 1 },
  'fill alone': { kind: 'bars', groove: 0, fill: 1 },
}
const FORM_CHOICES = Object.keys(FORMS).map((name) => [name, name] as const)
const TIMES = ['1', '2', '4', '8'].map((count) => [count, `${count} ×`] as const)

/** What is on the bench and its saved versions, heard one after the other without a break. */
export function VersionsRow({ versions }: { versions: readonly NamedLick[] }) {
  const { grooves, setting } = usePanel()
  const { settings } = useSettings()
  const [form, setForm] = useState('1 + 1')
  const [times, setTimes] = useState('2')
  const [tempos, setTempos] = useState<Readonly<Record<string, number>>>({})
  const row = useMemo(
    () =>
      versionsInRow(
        versions.map(({ id, lick }) => ({
          lick,
          times: Number(times),
          tempo: tempos[id] ?? lick.frame.tempo,
        })),
        FORMS[form] ?? { kind: 'bars', groove: 1, fill: 1 },
      ),
    [versions, times, tempos, form],
  )
  const compose = useCallback(
    () =>
      onKit(
        toSequence(row.turns, {
          loop: true,
          countIn: settings.countIn,
          grooves,
          swapsGroove: setting.player.swapsGroove ?? false,
        }),
        soundsOn(setting.kit),
      ),
    [row, settings.countIn, grooves, setting],
  )
  const { playing, trouble, start, stop, position, setMuted } = useSounding(compose, row.plan)
  useEffect(() => setMuted('click', !settings.click), [settings.click, setMuted])
  const [now, setNow] = useState(-1)
  useEffect(() => {
    if (!playing) return
    const timer = setInterval(() => {
      const at = position()
      setNow(at?.phase === 'round' ? (row.ofBar(at.bar) ?? -1) : -1)
    }, 100)
    return () => {
      clearInterval(timer)
      setNow(-1)
    }
  }, [playing, position, row])
  return (
    <Part title="In a row">
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm font-normal"
          onClick={() => (playing ? stop() : start())}
        >
          {playing ? <Square size={14} aria-hidden /> : <Play size={14} aria-hidden />}
          {playing ? 'Stop the row' : 'Hear them in a row'}
        </button>
        <Pick label="Form of the row" value={form} options={FORM_CHOICES} onPick={setForm} />
        <Pick label="Times of each version" value={times} options={TIMES} onPick={setTimes} />
        <span className="text-(--quiet) tabular-nums">{row.seconds.toFixed(1)} s a time round</span>
      </div>
      <ul className="flex flex-col text-sm">
        {versions.map(({ id, name, lick }, i) => (
          <li
            key={id}
            aria-current={i === now || undefined}
            className="flex items-center gap-2 rounded-field px-1 aria-[current]:bg-(--cursor)"
          >
            <span className="min-w-0 grow truncate">{name}</span>
            <NumberField
              label={`Tempo of ${name} in the row`}
              className="w-16 text-right"
              min={TEMPO_RANGE.least}
              max={TEMPO_RANGE.most}
              whole={false}
              value={tempos[id] ?? lick.frame.tempo}
              onChange={(tempo) => setTempos((all) => ({ ...all, [id]: tempo }))}
            />
          </li>
        ))}
      </ul>
      <ErrorText words={trouble} />
    </Part>
  )
}
