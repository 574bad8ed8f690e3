import type { Lick } from '~/core/line'
import type { landOnKit, PlayContext } from '~/core/playability'
import type { Surface } from '~/core/sticking'
import { type Voicing, voiceLick } from '~/core/voicing'
import { memoize } from './memoize'

/**
 * What follows from a lick, its voicing and the player, each worked out once while what it is made of
 * stays the same objects.
 */
export class Derived {
  /** The lick as its rules and struck voices lay it on the kit; its crash is the text's. */
  readonly laid = memoize((lick: Lick, voicing: Voicing) => voiceLick(lick, voicing))
  /** The crash that the kit has for it: dearer than a key, so asked for a moment later. */
  readonly crash = memoize(
    (land: typeof landOnKit, laid: Lick, setting: PlayContext): Surface | undefined => {
      const { landing } = land(laid, setting).frame
      return landing.kind === 'crash' || landing.kind === 'stop' ? landing.crash : undefined
    },
  )
  /** A laid lick that lands on a crash that was chosen for it, maybe a moment ago. */
  readonly landed = memoize((laid: Lick, crash: Surface | undefined): Lick => {
    const { landing } = laid.frame
    if (!crash || (landing.kind !== 'crash' && landing.kind !== 'stop')) return laid
    return { ...laid, frame: { ...laid.frame, landing: { ...landing, crash } } }
  })
}
