import type { ClickMark } from '~/core/performance'

/** What the click marks, in a word or two. */
export const CLICK_WORDS: Readonly<Record<ClickMark, string>> = {
  beats: 'beats',
  'off-beats': 'off-beats',
  eighths: 'eighths',
  sixteenths: 'sixteenths',
  slots: 'every slot',
  groups: 'groups',
}
