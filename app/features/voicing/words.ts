import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import type { Action, PathEnd, RuleHands, VoicingRule, Which } from '~/core/voicing'
import { theSurface } from './surface-words'

export const HANDS_WORDS: Readonly<Record<RuleHands, string>> = {
  hands: 'Both hands',
  RH: 'Right hand',
  LH: 'Left hand',
}

export const WHICH_WORDS: Readonly<Record<Which['kind'], string>> = {
  every: 'every stroke',
  accents: 'accents',
  taps: 'taps',
  ghosts: 'ghosts',
  doubles: 'doubles',
  singles: 'singles',
  graced: 'flams, drags and ruffs',
  'first-of-group': 'first of a group',
  'last-of-group': 'last of a group',
  'every-nth-group': 'every nth group',
  groups: 'chosen groups',
  beats: 'chosen beats',
}

export const ACTION_WORDS: Readonly<Record<Action['kind'], string>> = {
  put: 'on',
  path: 'along a path',
  draw: 'drawn by chance',
  'with-kick': 'on a cymbal, kick under it',
  'with-hand': 'together with the other hand on',
  split: 'split, main and grace apart',
  'graces-with-hand': 'graces where their hand was',
}

export const END_WORDS: Readonly<Record<PathEnd, string>> = {
  over: 'then from the first again',
  turn: 'and back',
  'turn-again': 'and back, the last one twice',
}

/** A rule as a sentence: `Right hand: tom 1, tom 2, floor tom, a group each, and back`. */
export function ruleWords({ hands, which, action }: VoicingRule): string {
  const who = HANDS_WORDS[hands]
  return `${which.kind === 'every' ? who : `${who}, ${whichWords(which)}`}: ${actionWords(action)}`
}

function whichWords(which: Which): string {
  switch (which.kind) {
    case 'every-nth-group':
      return which.from === which.nth
        ? `every ${ordinal(which.nth)} group`
        : `every ${ordinal(which.nth)} group from the ${ordinal(which.from)} on`
    case 'groups':
      return `group ${which.groups.join(', ')}`
    case 'beats':
      return `on beat ${which.beats.join(', ')}`
    default:
      return WHICH_WORDS[which.kind]
  }
}

function actionWords(action: Action): string {
  switch (action.kind) {
    case 'put':
      return `on ${theSurface(action.surface)}`
    case 'with-kick':
      return `on ${theSurface(action.surface)}, with the kick under it`
    case 'with-hand':
      return `together with the other hand on ${theSurface(action.surface)}`
    case 'split':
      return `main stroke on ${theSurface(action.main)}, grace on ${theSurface(action.grace)}`
    case 'graces-with-hand':
      return 'graces where their own hand struck last'
    case 'draw': {
      const each = action.per === 'group' ? 'a group each' : 'a stroke each'
      const twice = action.twice ? '' : ', none twice running'
      return `drawn from ${names(action.surfaces)}, ${each}${twice}, draw ${action.seed + 1}`
    }
    case 'path': {
      const each =
        action.per === 'group'
          ? 'a group each'
          : action.per === 1
            ? 'a stroke each'
            : `${action.per} strokes each`
      const turn = action.turningStroke && action.end !== 'over' ? ', one more at the turn' : ''
      return `${names(action.surfaces)}, ${each}, ${END_WORDS[action.end]}${turn}`
    }
  }
}

function names(surfaces: readonly Surface[]): string {
  return surfaces.length === 0
    ? 'no surface yet'
    : surfaces.map((surface) => SURFACE_NAMES[surface]).join(', ')
}

function ordinal(n: number): string {
  const ending = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')
  return `${n}${ending}`
}
