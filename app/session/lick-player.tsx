import { Square } from 'lucide-react'
import { useEffect, useMemo, useRef } from 'react'
import { soundsOn } from '~/core/kit'
import type { Lick } from '~/core/line'
import { useGroovesFor } from '~/live/use-own'
import { useSettingFor } from '~/live/use-setting'
import { usePlayback } from './use-playback'

const ONCE = { loop: false, countIn: false, clickMarks: 'beats' } as const

interface LickPlayerProps {
  readonly lick: Lick
  readonly click: boolean
  readonly onEnd: () => void
}

/** Plays a lick once at its learning tempo, with its groove, and says so; it ends by itself. */
export default function LickPlayer({ lick, click, onEnd }: LickPlayerProps) {
  const grooves = useGroovesFor(lick)
  const setting = useSettingFor(lick)
  const switches = useMemo(() => ({ ...ONCE, click }), [click])
  const sounds = useMemo(() => soundsOn(setting.kit), [setting])
  const { playing, trouble, toggle } = usePlayback(lick, lick.frame.tempo, switches, null, {
    grooves,
    sounds,
    swapsGroove: setting.player.swapsGroove ?? false,
  })
  const begun = useRef(false)
  useEffect(() => {
    if (begun.current) return
    begun.current = true
    toggle()
  }, [toggle])
  const heard = useRef(false)
  useEffect(() => {
    if (playing) heard.current = true
    else if (heard.current) onEnd()
  }, [playing, onEnd])
  return (
    <div
      role="status"
      className="fixed inset-x-0 bottom-0 z-30 flex items-center gap-3 bg-neutral px-5 py-3 text-neutral-content text-sm"
    >
      <button
        type="button"
        className="btn btn-circle btn-sm border-none bg-[#b98328] text-[#1b1813]"
        aria-label="Stop"
        onClick={onEnd}
      >
        <Square size={14} fill="currentColor" aria-hidden />
      </button>
      <span dir="auto" className="min-w-0 truncate">
        {trouble || `${lick.title || 'Untitled'} at ${lick.frame.tempo}`}
      </span>
    </div>
  )
}
