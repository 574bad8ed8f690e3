import type { Limb } from '~/core/sticking'

/** What a limb is called in a sentence. */
export const LIMB_NAMES: Readonly<Record<Limb, string>> = {
  RH: 'right hand',
  LH: 'left hand',
  XH: 'either hand',
  RF: 'kick',
  LF: 'second foot',
}
