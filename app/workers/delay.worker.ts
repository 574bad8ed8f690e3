import { measuredDelay } from '~/core/onsets'
import { type ServePort, serve } from './serve'

/** Finds chirps in a recording off the main thread: hundreds of millions of multiplications. */
serve(self as unknown as ServePort, {
  'measure-delay': async ({ samples, played, rate }) => ({
    seconds: measuredDelay(samples, played, rate),
  }),
})
