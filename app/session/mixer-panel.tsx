import { AudioLines } from 'lucide-react'
import { useState } from 'react'
import { lazyComponent } from '~/ui/lazy-component'
import type { MixerProps } from './mixer-faders'

/** Fetched when the mixer is opened. */
const MixerFaders = lazyComponent(async () => (await import('./mixer-faders')).default)

/** The mixer, behind its button. */
export function MixerPanel(props: Pick<MixerProps, 'onVolume' | 'level'>) {
  const [open, setOpen] = useState(false)
  // It keeps where its faders stand.
  const [volumes, setVolumes] = useState<MixerProps['volumes']>({})
  return (
    <details
      className="dropdown dropdown-top dropdown-end"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="flex h-12 min-w-11 cursor-pointer list-none flex-col items-center justify-center gap-0.5 rounded-md px-1.5 text-[#b3a999] text-[11px] hover:bg-white/10 sm:min-w-14">
        <AudioLines size={18} aria-hidden />
        Mixer
      </summary>
      <div className="dropdown-content mb-2 min-h-78 w-72 rounded-box border border-base-300 bg-base-100 p-4 text-base-content shadow-lg">
        {open && <MixerFaders {...props} volumes={volumes} onVolumes={setVolumes} />}
      </div>
    </details>
  )
}
