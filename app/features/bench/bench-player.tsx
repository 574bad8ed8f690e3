import { type ReactNode, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { soundsOn } from '~/core/kit'
import { type Lick, TEMPO_RANGE } from '~/core/line'
import { useSettings } from '~/live/use-live'
import { Transport } from '~/session/transport'
import { type PlaySwitches, usePlayback } from '~/session/use-playback'
import { clickedMarks } from '~/storage'
import { lazyComponent } from '~/ui/lazy-component'
import { useTouch } from '~/ui/use-touch'
import {
  type BenchPlayer as Player,
  PlayerProvider,
  useBenchGrooves,
  useBenchLick,
  usePlayedTempo,
  useSetting,
  useVoiced,
  useWorkspace,
} from './state/use-workspace'

/** Fetched where a finger is the pointer. */
const TouchPad = lazyComponent(async () => (await import('./touch-pad')).default)

/** What is heard of the bench, around all that can ask for it; the transport stands under it. */
export function BenchPlayer({ children }: { children: ReactNode }) {
  const workspace = useWorkspace()
  const touch = useTouch()
  const { settings, change } = useSettings()
  const { frame } = useBenchLick()
  const voiced = useDeferredValue(useVoiced())
  const tempo = usePlayedTempo()
  const setting = useSetting()
  const grooves = useBenchGrooves()
  const [solo, setSolo] = useState<Lick | null>(null)
  const { loop, countIn, click, sextupletsInEighths: inEighths } = settings
  const clickMarks = clickedMarks(settings)
  const switches = useMemo(
    (): PlaySwitches => ({ loop, countIn, click, clickMarks, inEighths }),
    [loop, countIn, click, clickMarks, inEighths],
  )
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const { playing, toggle, position, level, trouble, setVolume } = usePlayback(
    voiced,
    tempo,
    switches,
    solo,
    { grooves, sounds, swapsGroove: setting.player.swapsGroove ?? false },
  )
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
  const alone = solo !== null
  const player = useMemo(
    (): Player => ({ playing: playing && !alone, position, toggle: play, hear }),
    [playing, alone, position, play, hear],
  )
  const setTempo = useCallback((next: number) => workspace.setTempo(next), [workspace])
  return (
    <PlayerProvider value={player}>
      {children}
      <div className="bench-foot">
        {touch && <TouchPad />}
        <Transport
          playing={playing}
          trouble={trouble}
          tempo={tempo}
          learning={frame.tempo}
          goal={frame.goal}
          least={TEMPO_RANGE.least}
          most={TEMPO_RANGE.most}
          meter={frame.meter}
          switches={switches}
          onToggle={play}
          onTempo={setTempo}
          onVolume={setVolume}
          level={level}
          onSwitch={change}
        />
      </div>
    </PlayerProvider>
  )
}
