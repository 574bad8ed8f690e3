import { Metronome, Play, Repeat, Square, TimerReset } from 'lucide-react'
import { memo, type ReactNode } from 'react'
import type { Channel } from '~/audio'
import { CLICK_MARKS, type ClickMark } from '~/core/performance'
import { isCompound, type Meter } from '~/core/time'
import { NumberField } from '~/ui/number-field'
import { CLICK_WORDS } from '~/words/click-words'
import { MixerPanel } from './mixer-panel'
import type { PlaySwitches } from './use-playback'

interface TransportProps {
  readonly playing: boolean
  readonly trouble: string
  readonly tempo: number
  readonly learning: number
  readonly goal: number | null
  readonly meter: Meter
  readonly switches: PlaySwitches
  readonly onToggle: () => void
  readonly onTempo: (tempo: number) => void
  /** The switches that change. */
  readonly onSwitch: (switches: Partial<PlaySwitches>) => void
  readonly onVolume: (channel: Channel, volume: number) => void
  /** How loud it is now, 0 to 1. */
  readonly level: () => number
  readonly least: number
  readonly most: number
}

/** Play and stop, the tempo, and what is heard: always at the foot of the page. */
export const Transport = memo(function Transport(props: TransportProps) {
  const { playing, trouble, switches, onSwitch } = props
  return (
    <section
      aria-label="Play"
      className="transport z-20 border-base-300 border-t bg-neutral text-neutral-content"
    >
      <div className="mx-auto flex w-full items-center gap-x-3 px-3 py-1.5 sm:gap-x-6 sm:px-5">
        <button
          type="button"
          className="btn btn-circle border-none size-12 shrink-0 bg-[#b98328] text-[#1b1813] hover:bg-[#cf9a3d]"
          aria-label={playing ? 'Stop' : 'Play'}
          aria-keyshortcuts="Space"
          onClick={props.onToggle}
        >
          {playing ? (
            <Square size={22} fill="currentColor" aria-hidden />
          ) : (
            <Play size={24} fill="currentColor" aria-hidden />
          )}
        </button>
        <TempoSlider {...props} />
        <div className="ml-auto flex items-center sm:ml-0 sm:gap-1">
          <Switch
            label="Count-in"
            on={switches.countIn}
            onTurn={(countIn) => onSwitch({ countIn })}
          >
            <TimerReset size={18} aria-hidden />
          </Switch>
          <span className="relative block h-12">
            <Switch
              label="Click"
              shown={`${CLICK_WORDS[switches.clickMarks]} ▾`}
              on={switches.click}
              onTurn={(click) => onSwitch({ click })}
            >
              <Metronome size={18} aria-hidden />
            </Switch>
            <select
              aria-label="The click marks"
              className="absolute inset-x-0 top-7 h-6 cursor-pointer appearance-none bg-transparent text-transparent focus-visible:outline-2 [&>option]:bg-base-100 [&>option]:text-base-content"
              value={switches.clickMarks}
              onChange={({ target }) =>
                onSwitch({ clickMarks: target.value as ClickMark, click: true })
              }
            >
              {CLICK_MARKS.map((mark) => (
                <option key={mark} value={mark}>
                  {CLICK_WORDS[mark]}
                </option>
              ))}
            </select>
          </span>
          <Switch label="Loop" on={switches.loop} onTurn={(loop) => onSwitch({ loop })}>
            <Repeat size={18} aria-hidden />
          </Switch>
          <MixerPanel onVolume={props.onVolume} level={props.level} />
        </div>
        <p role="status" className="min-w-0 grow text-right text-[#f0a48f] text-sm empty:hidden">
          {trouble}
        </p>
        <p className="ml-auto hidden font-mono text-[#c9bfae] text-xs xl:block">
          Space play · ? keys
        </p>
      </div>
    </section>
  )
})

function TempoSlider({ tempo, learning, goal, least, most, meter, onTempo }: TransportProps) {
  const floor = Math.max(least, Math.min(learning, tempo) - 20)
  const ceiling = Math.min(most, Math.max(goal ?? learning, tempo) + 20)
  return (
    <div className="flex min-w-0 items-center gap-3">
      <div className="flex items-baseline gap-2">
        <NumberField
          label="Playing tempo"
          className="w-18 border-transparent bg-transparent text-right font-semibold text-3xl outline-offset-4"
          value={tempo}
          min={least}
          max={most}
          whole={false}
          above
          onChange={onTempo}
        />
        <span className="hidden whitespace-nowrap text-[#c9bfae] text-xs sm:inline">
          {tempoUnit(beatName(meter))}
        </span>
      </div>
      <div className="hidden w-44 sm:block">
        <input
          type="range"
          aria-label="Tempo"
          className="range range-xs w-full text-[#dba63f] [--range-bg:#4a4337]"
          min={Math.floor(floor)}
          max={Math.ceil(ceiling)}
          value={tempo}
          onChange={(event) => onTempo(event.target.valueAsNumber)}
        />
        <div className="flex justify-between text-[#c9bfae] text-[11px]">
          <button type="button" className="hover:underline" onClick={() => onTempo(learning)}>
            learn {learning}
          </button>
          {goal !== null && (
            <button type="button" className="hover:underline" onClick={() => onTempo(goal)}>
              goal {goal}
            </button>
          )}
        </div>
      </div>
    </div>
  )
}

function Switch({
  label,
  shown = label,
  on,
  onTurn,
  children,
}: {
  label: string
  /** What stands under it, where that is not its name. */
  shown?: string
  on: boolean
  onTurn: (on: boolean) => void
  children: ReactNode
}) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={on}
      onClick={() => onTurn(!on)}
      className={`flex h-12 min-w-11 flex-col items-center justify-center gap-0.5 rounded-md px-1 text-[11px] hover:bg-white/10 sm:min-w-14 ${on ? 'text-[#f0c368]' : 'text-[#b3a999]'}`}
    >
      {children}
      <span className={on ? '' : 'line-through'}>{shown}</span>
    </button>
  )
}

/** What the beats of a metre are called: `quarters`, in 6/8 `dotted quarters`. */
function beatName(meter: Meter): string {
  if (isCompound(meter)) return meter.unit === 8 ? 'dotted quarters' : 'dotted eighths'
  return { 2: 'halves', 4: 'quarters', 8: 'eighths', 16: 'sixteenths' }[meter.unit]
}

/** What a tempo counts: `bpm`, and where that is not quarters, of what. */
function tempoUnit(beats: string): string {
  return beats === 'quarters' ? 'bpm' : `bpm in ${beats}`
}
