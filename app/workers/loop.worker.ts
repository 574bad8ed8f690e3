import { formatWav } from '~/codecs/wav'
import { renderLoop, renderSound, type SoundName } from '~/core/sound'
import { type ServePort, serve } from './serve'

/** Renders a lick as a sound file off the main thread; each sound of the kit is made once. */
serve(self as unknown as ServePort, {
  'render-loop': async ({ lick, options, rate }) => {
    const sounds = new Map<SoundName, Float32Array>()
    const sound = (name: SoundName) => {
      const known = sounds.get(name) ?? renderSound(name, rate)
      sounds.set(name, known)
      return known
    }
    return { wav: formatWav(renderLoop(lick, options, rate, sound), rate) }
  },
})
