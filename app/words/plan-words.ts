import type { LadderKind, PlanSequence, PracticeOrder } from '~/core/practice'

export const ORDER_WORDS: Readonly<Record<PracticeOrder, string>> = {
  joined: 'part by part, then joined',
  growing: 'one beat more each time',
  parts: 'limb by limb, then together',
  halves: 'halves, then joined',
  whole: 'whole, slowly',
  bar: 'straight into the bar',
}

export const LADDER_WORDS: Readonly<Record<LadderKind, string>> = {
  three: 'three, and what was clean',
  'bpm-5': '5 bpm apart',
  bpm: '8 bpm apart',
  'bpm-20': '20 bpm apart',
  percent: '12 % apart',
}

export const SEQUENCE_WORDS: Readonly<Record<PlanSequence, string>> = {
  step: 'all tempos of a step first',
  tempo: 'all steps at a tempo first',
}
