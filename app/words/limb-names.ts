import type { Letter, Limb } from '~/core/sticking'

/** What a limb is called in a sentence. */
export const LIMB_NAMES: Readonly<Record<Limb, string>> = {
  RH: 'right hand',
  LH: 'left hand',
  XH: 'either hand',
  RF: 'kick',
  LF: 'second foot',
}

/** What strokes of a letter are called: `3 lefts in a row`. */
export const LETTER_NAMES: Readonly<Record<Letter, string>> = {
  R: 'rights',
  L: 'lefts',
  X: 'undecided strokes',
  K: 'kicks',
  H: 'hi-hat foot strokes',
  J: 'second-pedal strokes',
}
