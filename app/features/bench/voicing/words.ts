import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import {
  type Action,
  countVoicings,
  type PathEnd,
  type RuleHands,
  strokesMoved,
  type VoicingRule,
  type Which,
} from '~/core/voicing'
import { listWords, plural } from '~/words/figures'
import { ordinal } from '~/words/places'
import { theSurface } from '~/words/surface-words'

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
  draw: 'drawn at random from',
  'with-kick': 'on a cymbal, with a kick',
  'with-hand': 'together with the other hand on',
  split: 'split, main and grace apart',
  'graces-with-hand': 'graces where their hand was',
}

export const END_WORDS: Readonly<Record<PathEnd, string>> = {
  over: 'then from the start again',
  turn: 'and back',
  'turn-again': 'and back, repeating the last',
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
      return `${which.groups.length === 1 ? 'group' : 'groups'} ${listWords(which.groups)}`
    case 'beats':
      return `on ${which.beats.length === 1 ? 'beat' : 'beats'} ${listWords(which.beats)}`
    default:
      return WHICH_WORDS[which.kind]
  }
}

function actionWords(action: Action): string {
  switch (action.kind) {
    case 'put':
      return `on ${theSurface(action.surface)}`
    case 'with-kick':
      return `on ${theSurface(action.surface)}, with a kick`
    case 'with-hand':
      return `together with the other hand on ${theSurface(action.surface)}`
    case 'split':
      return `main stroke on ${theSurface(action.main)}, grace on ${theSurface(action.grace)}`
    case 'graces-with-hand':
      return 'graces where their own hand struck last'
    case 'draw': {
      const each = action.per === 'group' ? 'a group each' : 'a stroke each'
      const twice = action.twice ? '' : ', none twice in a row'
      return `drawn from ${names(action.surfaces)}, ${each}${twice}, draw ${action.seed + 1}`
    }
    case 'path': {
      const each =
        action.per === 'group'
          ? 'a group each'
          : action.per === 1
            ? 'a stroke each'
            : `${action.per} strokes each`
      const turn = action.turningStroke && action.end !== 'over' ? ', one extra at the turn' : ''
      return `${names(action.surfaces)}, ${each}, ${END_WORDS[action.end]}${turn}`
    }
  }
}

function names(surfaces: readonly Surface[]): string {
  return surfaces.length === 0
    ? 'no surface yet'
    : surfaces.map((surface) => SURFACE_NAMES[surface]).join(', ')
}

/** More strokes than this have more voicings than say anything. */
const MAX_COUNTED = 24

/**
 * How many voicings a rule has for the strokes that it moves; empty where it has one surface or moves
 * nothing. Example: five rights on four pieces: 1,024.
 */
export function howManyWords(lick: Lick, range: SlotRange, rule: VoicingRule): string {
  const { action } = rule
  if (action.kind !== 'path' && action.kind !== 'draw') return ''
  const surfaces = new Set(action.surfaces)
  const strokes = strokesMoved(lick, rule, range)
  if (strokes === 0 || strokes > MAX_COUNTED || surfaces.size < 2) return ''
  const count = (noneTwice: boolean) =>
    countVoicings(strokes, surfaces.size, noneTwice).toLocaleString('en')
  const { kind } = rule.which
  const which = kind === 'every' ? '' : `, ${whichWords(rule.which)}`
  const who = `${HANDS_WORDS[rule.hands]}${which}: ${plural(strokes, 'stroke')}`
  return `${who} on ${surfaces.size} pieces (${names([...surfaces])}): ${count(false)} voicings, ${count(true)} with no piece twice in a row.`
}
