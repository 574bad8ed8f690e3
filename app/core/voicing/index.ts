export { countVoicings } from './count'
export { hasMarks, moveMarks } from './marks'
export { outAndBack, roundTheKit } from './path'
export { type VoicingPreset, voicingPresets } from './presets'
export {
  type Action,
  type ActionKind,
  isPlain,
  PATH_ENDS,
  type PathEnd,
  type Pin,
  PLAIN_VOICING,
  PLAYERS_OF_RULE,
  type RuleHands,
  type StrokeNote,
  type Voicing,
  type VoicingRule,
  type Which,
  type WhichKind,
} from './rule'
export { strokesMoved, voiceLick } from './voice'
