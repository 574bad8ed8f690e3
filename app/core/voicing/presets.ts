import { type Kit, tomsOf } from '../kit'
import type { Surface } from '../sticking'
import type { VoicingRule } from './rule'

/** A named set of rules, made for the drums that a kit has. */
export interface VoicingPreset {
  readonly id: string
  readonly name: string
  readonly rules: readonly VoicingRule[]
  /** Whether arms may cross in it. */
  readonly crosses?: boolean
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

/** Graces stay where their own hand is, so that no hand follows the other over the kit for them. */
const GRACES = rule('hands', { kind: 'graced' }, { kind: 'graces-with-hand' })

/**
 * Usual ways to lay a sticking on a kit: the four motions of two hands, round the kit, doubles and
 * singles apart, a drum a group. The right hand travels over all toms, the left no further than the
 * first, so that on the kit of five the arms never cross, except where the name says that they may.
 * A kit without toms plays all of it on its snare.
 */
export function voicingPresets(kit: Kit): VoicingPreset[] {
  const toms = tomsOf(kit)
  const drums: readonly Surface[] = toms.length > 0 ? toms : ['sn']
  const [high, low] = [drums[0] as Surface, drums.at(-1) as Surface]
  const down: readonly Surface[] = ['sn', ...toms]
  const behind: readonly Surface[] = ['sn', ...toms.slice(0, -1)]
  const shorter: readonly Surface[] = behind.map((_, i) => behind[Math.floor(i / 2)] as Surface)
  const [left, right] = outerCrashes(kit)
  return [
    {
      id: 'oblique',
      name: 'Oblique: the left stays, the right travels',
      rules: [rule('LH', EVERY, put('sn')), rule('RH', EVERY, byGroup(drums)), GRACES],
    },
    {
      id: 'contrary',
      name: 'Contrary: both start together and move apart',
      rules: [
        rule('RH', EVERY, byGroup(drums)),
        rule(
          'LH',
          EVERY,
          byGroup([high, 'sn', 'hh'].slice(0, Math.max(1, drums.length)) as Surface[]),
        ),
        GRACES,
      ],
    },
    {
      id: 'parallel',
      name: 'Parallel: both hands move on together, a drum apart',
      rules: [rule('RH', EVERY, byGroup(drums)), rule('LH', EVERY, byGroup(behind)), GRACES],
    },
    {
      id: 'similar',
      name: 'Similar: both move the same way, the left half as far',
      rules: [rule('RH', EVERY, byGroup(drums)), rule('LH', EVERY, byGroup(shorter)), GRACES],
    },
    {
      id: 'round',
      name: 'Down and up the kit, two strokes a drum, one extra at the turn: doubles may cross',
      crosses: true,
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
        rule('RH', { kind: 'doubles' }, byGroup(drums)),
        rule('LH', { kind: 'doubles' }, put(high)),
        GRACES,
      ],
    },
    {
      id: 'singles',
      name: 'Singles on the toms, doubles on the snare',
      rules: [
        rule('RH', { kind: 'singles' }, byGroup(drums)),
        rule('LH', { kind: 'singles' }, put(high)),
        rule('hands', { kind: 'doubles' }, put('sn')),
        GRACES,
      ],
    },
    {
      id: 'accents',
      name: 'Accents on the toms, ghosts on the snare',
      rules: [
        rule('RH', { kind: 'accents' }, byGroup(drums)),
        rule('LH', { kind: 'accents' }, put(high)),
        rule('hands', { kind: 'ghosts' }, put('sn')),
        GRACES,
      ],
    },
    {
      id: 'cymbals',
      name: 'Accents on the crash of each side with the kick',
      rules: [
        rule('RH', { kind: 'accents' }, { kind: 'with-kick', surface: right }),
        rule('LH', { kind: 'accents' }, { kind: 'with-kick', surface: left }),
      ],
    },
    {
      id: 'flams',
      name: 'Flams split: the main stroke on a tom, the grace on the snare',
      rules: [
        rule('RH', { kind: 'graced' }, { kind: 'split', main: low, grace: 'sn' }),
        rule('LH', { kind: 'graced' }, { kind: 'split', main: high, grace: 'sn' }),
      ],
    },
  ]
}

/** The crashes furthest to the left and to the right of a kit; one is both where it has no other. */
function outerCrashes({ pieces }: Kit): readonly [left: Surface, right: Surface] {
  const crashes = pieces
    .filter(({ surface }) => surface === 'c1' || surface === 'c2')
    .sort((a, b) => a.x - b.x)
    .map(({ surface }) => surface)
  return [crashes[0] ?? 'c1', crashes.at(-1) ?? 'c1']
}
