import { type ReactNode, useEffect, useRef } from 'react'
import type { Channel } from '~/audio'
import { useSettings } from '~/live/use-live'
import { CLICK_VOLUME } from './mixer'

const CHANNELS: readonly (readonly [Channel, string])[] = [
  ['RH', 'Right hand'],
  ['LH', 'Left hand'],
  ['RF', 'Kick'],
  ['LF', 'Second foot'],
  ['click', 'Click'],
]

export interface MixerProps {
  readonly onVolume: (channel: Channel, volume: number) => void
  /** How loud it is now, 0 to 1. */
  readonly level: () => number
  /** Where the faders were set to, if they were. */
  readonly volumes: Readonly<Partial<Record<Channel, number>>>
  readonly onVolumes: (volumes: MixerProps['volumes']) => void
}

/** A volume for each limb (at nothing it is muted and keeps its time), the room, and all of it with its level. */
export default function MixerFaders({ onVolume, level, volumes, onVolumes }: MixerProps) {
  const { settings, change } = useSettings()
  const { sound } = settings
  return (
    <>
      {CHANNELS.map(([channel, name]) => (
        <Fader
          key={channel}
          name={name}
          value={volumes[channel] ?? (channel === 'click' ? CLICK_VOLUME : 1)}
          onChange={(volume) => {
            onVolumes({ ...volumes, [channel]: volume })
            onVolume(channel, volume)
          }}
        />
      ))}
      <hr className="my-2 border-base-300" />
      <Fader
        name="Room"
        value={sound.room}
        onChange={(room) => change({ sound: { ...sound, room } })}
      />
      <Fader
        name="All of it"
        value={sound.master}
        onChange={(master) => change({ sound: { ...sound, master } })}
      >
        <Level level={level} />
      </Fader>
    </>
  )
}

function Fader({
  name,
  value,
  onChange,
  children,
}: {
  name: string
  value: number
  onChange: (value: number) => void
  children?: ReactNode
}) {
  return (
    <div className="flex items-start gap-3 py-1.5 text-sm">
      <label className="contents">
        <span className="w-24 shrink-0 leading-4">{name}</span>
        <span className="flex min-w-0 grow flex-col gap-1.5">
          <input
            type="range"
            aria-label={name}
            className="range range-xs w-full"
            min={0}
            max={1}
            step={0.05}
            value={value}
            onChange={(event) => onChange(event.target.valueAsNumber)}
          />
          {children}
        </span>
      </label>
    </div>
  )
}

/** Looked at so often, in milliseconds; what was loud falls back by this part each time. */
const LOOK_MS = 60
const FALL = 0.85
/** The quietest that is shown, in decibels below the loudest. */
const FLOOR_DB = 48

/** How loud all of it is: a bar in decibels, which falls slowly enough to be read. */
function Level({ level }: { level: () => number }) {
  const bar = useRef<HTMLSpanElement>(null)
  useEffect(() => {
    let shown = 0
    const timer = setInterval(() => {
      shown = Math.max(level(), shown * FALL)
      const db = 20 * Math.log10(Math.max(shown, 1e-6))
      const share = Math.max(0, 1 + db / FLOOR_DB)
      if (bar.current) bar.current.style.width = `${Math.round(share * 100)}%`
    }, LOOK_MS)
    return () => clearInterval(timer)
  }, [level])
  return (
    <span aria-hidden="true" className="block h-1.5 w-full overflow-hidden rounded bg-base-300">
      <span ref={bar} className="block h-full w-0 bg-[#b98328]" />
    </span>
  )
}
