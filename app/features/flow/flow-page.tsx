import { Blend, Dices, SlidersHorizontal, Volume2, VolumeX } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link } from 'react-router'
import { formatLickText } from '~/codecs/lick-text'
import { soundsOn } from '~/core/kit'
import { DEFAULT_FRAME, frameTicks, TEMPO_RANGE } from '~/core/line'
import type { Position } from '~/core/performance'
import { findGrid, findMeter, toMeter } from '~/core/time'
import { voicingPresets } from '~/core/voicing'
import { useLive, useSettings } from '~/live/use-live'
import { useOwnCells } from '~/live/use-own'
import { useSettingFor } from '~/live/use-setting'
import { PlayButton } from '~/session/play-button'
import { liveSummaries } from '~/storage'
import { ErrorText } from '~/ui/parts'
import { BY_SIGN, FASTER, SLOWER } from '~/ui/tempo-keys'
import { useAddressState } from '~/ui/use-address-state'
import { useSpace } from '~/ui/use-space'
import { plural } from '~/words/figures'
import { turnTexts } from '~/workspace/turned'
import { createLick } from '../library'
import type { Phase } from '../practice'
import { BarFigure, BigCount, RoomDock, stillWords, useLights } from '../practice'
import { FlowForm } from './flow-form'
import { type FlowBar, flowBar, flowPhaseAt, toFlowMusic, toSavedLick } from './flow-music'
import { FLOW_ADDRESS, rememberFlow } from './flow-setup'
import { SourceList } from './source-list'
import { useFlow } from './use-flow'
import { useMixable } from './use-mixable'
import { useVersionNames } from './use-version-names'

/** Bars shown ahead of the one that sounds. */
const AHEAD = 2

/** Whatever is mixed is played on the player's own kit. */
const ANY_LICK = { kit: null, unknown: [] }

/** Cells and licks mixed at random without a break, or a phrase that grows: always on the barline. */
export function FlowPage() {
  const { settings } = useSettings()
  const cells = useOwnCells()
  const summaries = useLive(liveSummaries).rows
  const [setup, change] = useAddressState(FLOW_ADDRESS)
  const versions = useVersionNames(setup.sources, summaries)
  const licks = useMixable(setup.sources, settings.turnLetters)
  const setting = useSettingFor(ANY_LICK)
  const { phraseAt, listed, trouble } = useMemo(
    () => toFlowMusic(setup, licks, setting),
    [setup, licks, setting],
  )
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const presets = useMemo(() => voicingPresets(setting.kit), [setting.kit])
  const [heard, setHeard] = useState(true)
  const meter = findMeter(setup.meter) ?? toMeter(4, 4)
  const ticks = useMemo(() => frameTicks({ ...DEFAULT_FRAME, meter }), [meter])
  const flow = useFlow({
    phraseAt,
    tempo: setup.tempo,
    beat: ticks.beat,
    bar: ticks.bar,
    words: `${setup.mode} of ${listed.map(({ title }) => title).join(', ')}`.slice(0, 120),
    grid: setup.grid,
    settings,
    sounds,
    swapsGroove: setting.player.swapsGroove ?? false,
    heard,
  })
  // A mix from which nothing can be drawn is not what a next visit should begin with.
  const drawable = phraseAt !== null
  useEffect(() => {
    if (drawable) rememberFlow(setup)
  }, [setup, drawable])
  const { playing, toggle, position, bar } = flow
  const bars = useMemo(
    () => (phraseAt ? Array.from({ length: AHEAD + 1 }, (_, i) => flowBar(phraseAt, bar + i)) : []),
    [phraseAt, bar],
  )
  const now = bars[0]
  const phaseOf = useCallback(
    (at: Position | undefined) => flowPhaseAt(at, ticks, now?.slots ?? []),
    [ticks, now],
  )
  const host = useRef<HTMLDivElement>(null)
  useLights(playing, position, phaseOf, says, host)

  const draw = useCallback(() => change(({ seed }) => ({ seed: (seed % 999_999) + 1 })), [change])
  const louder = useCallback(() => setHeard((was) => !was), [])
  const faster = (by: number) =>
    change(({ tempo }) => ({
      tempo: Math.min(TEMPO_RANGE.most, Math.max(TEMPO_RANGE.least, tempo + by)),
    }))
  useSpace(toggle)
  const enabled = settings.singleKeys
  useHotkeys('d', draw, { enabled })
  useHotkeys('s', louder, { enabled })
  useHotkeys(FASTER, () => faster(2), { ...BY_SIGN, enabled })
  useHotkeys(SLOWER, () => faster(-2), { ...BY_SIGN, enabled })

  // Where there is room beside the line, what is mixed is in sight.
  const [panel, open] = useState<FlowPanel | null>(() =>
    globalThis.innerWidth >= 1024 ? 'mixture' : null,
  )
  const [saved, setSaved] = useState<{ id: string; title: string } | null>(null)
  const [refused, setRefused] = useState('')
  const surprise = async () => {
    const { surpriseLine } = await import('../finder')
    const line = await surpriseLine(meter, findGrid(setup.grid) ?? DEFAULT_FRAME.grid, setting)
    if (line === null) setRefused('No fill of the finder fits a bar of this metre and grid.')
    else
      change(({ sources }) => ({
        sources: [...sources, { kind: 'line', of: line, weight: 1 } as const],
      }))
  }
  const save = async (before: number) => {
    if (!phraseAt || !now) return
    const number = Math.max(0, now.phrase - before)
    const title = `Flow ${setup.seed}, phrase ${number + 1}`
    const text = formatLickText(toSavedLick(phraseAt(number), title))
    // What was seen with the letters turned is stored as it is for everyone.
    const outcome = await createLick(
      turnTexts({ text, draft: null, voicing: '' }, settings.turnLetters),
    )
    // The music goes on: what was saved is opened when the player wants it.
    if (outcome.kind === 'open') setSaved({ id: outcome.id, title })
    else setRefused(outcome.message)
  }
  return (
    <div ref={host} data-phase="still" data-panel={panel ?? undefined} className="room group">
      <header className="room-top">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="font-semibold text-2xl tracking-tight">Flow</h1>
          <p className="text-(--quiet)">
            {setup.mode === 'mix'
              ? `mixed at random, on the barline every ${setup.bars === 1 ? 'bar' : plural(setup.bars, 'bar')}`
              : `a phrase that grows by up to ${plural(setup.beats, 'beat')}, always into the downbeat`}
          </p>
          <p className="hidden font-mono text-(--quiet) text-xs xl:block">
            Space play · S kit or click only · D draw again · + − tempo
          </p>
        </div>
      </header>
      <div className="room-main">
        <BigCount
          beats={Math.max(1, Math.round(ticks.bar / ticks.beat))}
          playing={playing}
          onTap={toggle}
        />
        <div className="room-words">
          <p data-phase-words className="text-primary">
            {stillWords()}
          </p>
          <p className="tabular-nums">{setup.tempo} bpm</p>
          <p className="tabular-nums">phrase {(now?.phrase ?? 0) + 1}</p>
        </div>
        <div className="room-line">
          {now && <BarFigure title={titleOf('now', now)} bar={now} still={stillOf(now)} lit />}
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
            {bars.slice(1).map((next, i) => (
              <BarFigure
                key={next.index}
                title={titleOf(i === 0 ? 'next' : 'then', next)}
                bar={next}
                still={stillOf(next)}
              />
            ))}
          </div>
        </div>
        {(trouble || refused || flow.trouble || saved) && (
          <div>
            {trouble && <p role="alert">{trouble}</p>}
            <ErrorText words={refused} />
            <ErrorText words={flow.trouble} />
            {saved && (
              <p role="status" className="text-sm">
                Saved as{' '}
                <Link to={`/bench/${saved.id}`} className="link">
                  {saved.title}
                </Link>
                .
              </p>
            )}
          </div>
        )}
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-[auto_repeat(4,1fr)] sm:gap-3">
          <PlayButton
            playing={playing}
            disabled={!phraseAt}
            className="col-span-2 h-16 w-full sm:col-span-1 sm:h-20 sm:w-20 sm:rounded-full"
            onPlay={toggle}
          />
          <button type="button" aria-pressed={heard} className={HAND} onClick={louder}>
            {heard ? <Volume2 size={20} aria-hidden /> : <VolumeX size={20} aria-hidden />}
            {heard ? 'Kit and click' : 'Click only'}
          </button>
          <button type="button" className={HAND} onClick={draw}>
            <Dices size={20} aria-hidden /> Draw again
          </button>
          <button type="button" className={HAND} disabled={!phraseAt} onClick={() => void save(0)}>
            Save this phrase as a lick
          </button>
          <button
            type="button"
            className={HAND}
            disabled={!now || now.phrase === 0}
            onClick={() => void save(1)}
          >
            Save the one before
          </button>
        </div>
      </div>
      <RoomDock panels={FLOW_PANELS} open={panel} onOpen={open}>
        {panel === 'mixture' && (
          <SourceList
            setup={setup}
            listed={listed}
            licks={summaries}
            cells={cells}
            versions={versions}
            onSources={(sources) => change({ sources })}
            onSurprise={() => void surprise()}
          />
        )}
        {panel === 'music' && <FlowForm setup={setup} presets={presets} onChange={change} />}
      </RoomDock>
    </div>
  )
}

const FLOW_PANELS = [
  { id: 'mixture', name: 'Mixture', icon: Blend },
  { id: 'music', name: 'Music', icon: SlidersHorizontal },
] as const
type FlowPanel = (typeof FLOW_PANELS)[number]['id']

/** As large as a hand. */
const HAND =
  'flex min-h-14 items-center justify-center gap-2 rounded-box border border-base-300 bg-base-100 px-3 text-sm hover:bg-base-300 disabled:opacity-60 sm:h-20 sm:text-base'

function says({ name }: Phase): string {
  return { still: stillWords(), 'count-in': 'counting in', groove: 'groove', fill: 'play' }[name]
}

function titleOf(when: string, { groove, lick }: FlowBar): string {
  return groove && lick ? `${when}, after groove` : when
}

/** What a bar is in which nothing of the line begins. */
function stillOf({ groove }: FlowBar): string {
  return groove ? 'groove' : 'rest'
}
