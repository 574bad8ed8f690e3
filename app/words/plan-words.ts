import type { LadderKind, PracticeOrder } from '~/core/practice'

export const ORDER_WORDS: Readonly<Record<PracticeOrder, string>> = {
  joined: 'part by part, then joined',
  growing: 'one beat more each time',
  parts: 'limb by limb, then together',
  halves: 'halves, then joined',
  whole: 'whole, slowly',
  bar: 'straight into the bar',
}

export const LADDER_WORDS: Readonly<Record<LadderKind, string>> = {
  three: 'three tempos',
  bpm: '8 bpm apart',
  percent: '12 % apart',
}
