import { renderSound, SOUND_NAMES } from '~/core/sound'
import { type ServePort, serve } from './serve'

/** Renders the kit off the main thread, the sounds most in use first. */
serve(self as unknown as ServePort, {
  'render-kit': async ({ rate }, { tell }) => {
    for (const name of SOUND_NAMES) {
      const samples = renderSound(name, rate)
      tell({ name, samples }, [samples.buffer])
    }
    return null
  },
})
