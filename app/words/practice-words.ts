import type { PartKind } from '~/core/practice'

/** What the parts of a build-up are called, in lists and on paper. */
export const PART_WORDS: Readonly<Record<PartKind, string>> = {
  hands: 'hands alone',
  feet: 'feet alone',
  together: 'on one surface',
  transition: 'link between groups',
  bottleneck: 'the tightest move',
  half: 'one half',
  'right-voices': 'the right hand’s voices',
  'left-voices': 'the left hand’s voices',
  bar: 'in the bar, after groove',
  loop: 'a loop',
}
