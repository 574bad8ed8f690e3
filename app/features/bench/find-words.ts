/** Everyday words for changes whose names do not say them. */
export const EVERYDAY: Readonly<Record<string, string>> = {
  rotate: 'inversion shift displace move strokes permutation',
  'rotate-back': 'inversion shift displace move strokes permutation',
  mirror: 'left lead swap hands flip lefty other way round',
  'mirror-feet': 'swap feet flip',
  'mirror-all': 'swap flip left-handed',
  reverse: 'backwards retrograde turn round',
  alternate: 'double length both hands repeat mirrored',
  'clear-accents': 'plain no accents delete',
  'double-up': 'twice as fast double strokes diddles thirty-seconds',
  squeeze: 'fill between doubles faster slip',
  'squeeze-r': 'slip stroke into right doubles',
  'squeeze-l': 'slip stroke into left doubles',
  'leave-out': 'delete silence mute empty remove clear',
  'leave-out-k': 'remove kick delete bass drum no fewer kicks without',
  'leave-out-l': 'remove left delete no lefts without',
  'leave-out-r': 'remove right delete no rights without',
  'no-graces': 'remove no without flams drags easier simpler plain',
  'one-surface': 'easier snare only no toms practice pad',
  'to-feet': 'feet instead of hands paradiddle feet',
  'kick-on-beats': 'bass drum on the beat quarters add',
  'kick-at-end': 'add bass drum last',
  'kicks-on-beats': 'easier fewer kicks bass drum simpler less',
  'every-other-kick': 'easier fewer kicks bass drum half simpler less',
  'kicks-in-holes': 'fill rests bass drum',
  'hihat-in-gaps': 'left foot where a hand rests fill',
  'accents-later': 'shift accent displace move',
  'accents-earlier': 'shift accent displace move',
  'replace-l-k-1': 'swap left bass drum kick for left change',
  'replace-r-k-1': 'swap right bass drum kick for right change',
}
export const PART_WORDS: Readonly<Record<string, string>> = {
  metre: 'meter time signature beats bar',
  grid: 'subdivision sixteenths triplets note value rate',
  start: 'begin offset beat pick-up pickup anacrusis from place',
  groove: 'beat lead-in bars before stop swing shuffle',
  landing: 'crash end resolve stop bars to fill ending',
  tempo: 'bpm speed goal learning',
}
/** Everyday names of grids. */
export const GRID_WORDS: Readonly<Record<string, string>> = {
  '1/4': 'quarter notes crotchets',
  '1/8': 'eighth notes quavers eights',
  '1/8t': 'triplets threes twelve',
  '1/16': 'sixteenth notes semiquavers sixteens',
  '1/16t': 'sextuplets sextuplet sixes six to a beat',
  '1/16q': 'quintuplets quintuplet fives five to a beat',
  '1/16s': 'septuplets septuplet sevens seven to a beat',
  '1/32': 'thirty-second notes demisemiquavers 32nds',
}
/** Everyday words for what is done at some pieces. */
export const PIECE_WORDS: Readonly<Record<string, string>> = {
  t1: 'rack tom high tom',
  t2: 'rack tom mid tom low',
  f1: 'floor low tom',
  rd: 'cymbal',
  c1: 'cymbal',
  c2: 'cymbal',
  hh: 'hats hi-hats',
}
/** Landings, each with its value in the text, its name and everyday words for it. */
export const LANDINGS = [
  ['crash', 'Land on a crash', 'ending cymbal resolve one'],
  ['stop', 'Land on a choked crash', 'choke stop early stop ending short'],
  ['groove', 'Land in the groove', 'no crash back to the groove beat ending'],
  ['last', 'Land on its last stroke', 'ending early stop'],
  ['none', 'No landing', 'ending nothing open'],
] as const
