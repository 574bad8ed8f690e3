import type { Surface } from '../sticking'
import type { VoicingRule } from './rule'

/** A named set of rules, made for the drums that a kit has. */
export interface VoicingPreset {
  readonly id: string
  readonly name: string
  readonly rules: readonly VoicingRule[]
}

const rule = (
  hands: VoicingRule['hands'],
  which: VoicingRule['which'],
  action: VoicingRule['action'],
): VoicingRule => ({ hands, which, action, on: true })

const EVERY = { kind: 'every' } as const
const put = (surface: Surface) => ({ kind: 'put', surface }) as const
const byGroup = (surfaces: readonly Surface[]) =>
  ({ kind: 'path', surfaces, per: 'group', end: 'turn', turningStroke: false }) as const

/**
 * Usual ways to lay a sticking on a kit: the four motions of two hands, round the kit, doubles and
 * singles apart, a drum a group. `toms` are the kit's, from high to low; the snare stands in for none.
 */
export function voicingPresets(toms: readonly Surface[]): VoicingPreset[] {
  const drums: readonly Surface[] = toms.length > 0 ? toms : ['sn']
  const low = drums.at(-1) as Surface
  const down: readonly Surface[] = ['sn', ...toms]
  const lag: readonly Surface[] = [down[0] as Surface, ...down.slice(0, -1)]
  return [
    {
      id: 'oblique',
      name: 'Oblique: the left stays, the right travels',
      rules: [rule('LH', EVERY, put('sn')), rule('RH', EVERY, byGroup(drums))],
    },
    {
      id: 'contrary',
      name: 'Contrary: one hand down, the other up',
      rules: [rule('RH', EVERY, byGroup(down)), rule('LH', EVERY, byGroup([...down].reverse()))],
    },
    {
      id: 'parallel',
      name: 'Parallel: both hands move together',
      rules: [rule('hands', EVERY, byGroup(down))],
    },
    {
      id: 'similar',
      name: 'Similar: the left one drum behind the right',
      rules: [rule('RH', EVERY, byGroup(down)), rule('LH', EVERY, byGroup(lag))],
    },
    {
      id: 'round',
      name: 'Down and up the kit, two strokes a drum, one more at the turn',
      rules: [
        rule('hands', EVERY, {
          kind: 'path',
          surfaces: down,
          per: 2,
          end: 'turn-again',
          turningStroke: true,
        }),
      ],
    },
    {
      id: 'doubles',
      name: 'Doubles on the toms, singles on the snare',
      rules: [
        rule('hands', { kind: 'singles' }, put('sn')),
        rule('hands', { kind: 'doubles' }, byGroup(drums)),
      ],
    },
    {
      id: 'singles',
      name: 'Singles on the toms, doubles on the snare',
      rules: [
        rule('hands', { kind: 'singles' }, byGroup(drums)),
        rule('hands', { kind: 'doubles' }, put('sn')),
      ],
    },
    {
      id: 'accents',
      name: 'Accents on the toms, ghosts on the snare',
      rules: [
        rule('hands', { kind: 'accents' }, byGroup(drums)),
        rule('hands', { kind: 'ghosts' }, put('sn')),
      ],
    },
    {
      id: 'cymbals',
      name: 'Accents on the crash with the kick under it',
      rules: [rule('hands', { kind: 'accents' }, { kind: 'with-kick', surface: 'c1' })],
    },
    {
      id: 'flams',
      name: 'Flams split: main on the lowest drum, grace on the snare',
      rules: [rule('hands', { kind: 'graced' }, { kind: 'split', main: low, grace: 'sn' })],
    },
  ]
}
