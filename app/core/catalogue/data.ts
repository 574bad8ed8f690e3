/** A cell of the catalogue as it is written: a name, and its sticking in the line's own notation. */
export interface CellEntry {
  readonly id: string
  readonly name: string
  readonly family: CellFamily
  /** Led by the right; a second led by the left follows where it is not simply the mirror. */
  readonly line: string
}

export const CELL_FAMILIES = ['roll', 'diddle', 'flam', 'drag', 'linear', 'mixed'] as const
export type CellFamily = (typeof CELL_FAMILIES)[number]

/**
 * The forty rudiments of the international list, in its order, with their standard names, accents
 * and graces; doubles that are played at twice the speed of what stands around them are squeezed.
 * Those that change hands by themselves are written once with each lead.
 */
export const RUDIMENTS: readonly CellEntry[] = [
  { id: 'single-stroke-roll', name: 'Single stroke roll', family: 'roll', line: 'RL' },
  { id: 'single-stroke-four', name: 'Single stroke four', family: 'roll', line: 'RLRL--' },
  {
    id: 'single-stroke-seven',
    name: 'Single stroke seven',
    family: 'roll',
    line: 'RLRLRLR-----',
  },
  { id: 'multiple-bounce-roll', name: 'Multiple bounce roll', family: 'roll', line: '{RRR}{LLL}' },
  { id: 'triple-stroke-roll', name: 'Triple stroke roll', family: 'roll', line: 'RRRLLL' },
  { id: 'double-stroke-roll', name: 'Double stroke open roll', family: 'roll', line: 'RRLL' },
  { id: 'five-stroke-roll', name: 'Five stroke roll', family: 'roll', line: 'RRLL>R LLRR>L' },
  { id: 'six-stroke-roll', name: 'Six stroke roll', family: 'roll', line: '>RLLRR>L' },
  { id: 'seven-stroke-roll', name: 'Seven stroke roll', family: 'roll', line: 'RRLLRR>L' },
  {
    id: 'nine-stroke-roll',
    name: 'Nine stroke roll',
    family: 'roll',
    line: 'RRLLRRLL>R LLRRLLRR>L',
  },
  { id: 'ten-stroke-roll', name: 'Ten stroke roll', family: 'roll', line: 'RRLLRRLL>R>L' },
  { id: 'eleven-stroke-roll', name: 'Eleven stroke roll', family: 'roll', line: 'RRLLRRLLRR>L' },
  {
    id: 'thirteen-stroke-roll',
    name: 'Thirteen stroke roll',
    family: 'roll',
    line: 'RRLLRRLLRRLL>R LLRRLLRRLLRR>L',
  },
  {
    id: 'fifteen-stroke-roll',
    name: 'Fifteen stroke roll',
    family: 'roll',
    line: 'RRLLRRLLRRLLRR>L',
  },
  {
    id: 'seventeen-stroke-roll',
    name: 'Seventeen stroke roll',
    family: 'roll',
    line: 'RRLLRRLLRRLLRRLL>R LLRRLLRRLLRRLLRR>L',
  },
  { id: 'single-paradiddle', name: 'Single paradiddle', family: 'diddle', line: '>RLRR >LRLL' },
  { id: 'double-paradiddle', name: 'Double paradiddle', family: 'diddle', line: '>RLRLRR >LRLRLL' },
  {
    id: 'triple-paradiddle',
    name: 'Triple paradiddle',
    family: 'diddle',
    line: '>RLRLRLRR >LRLRLRLL',
  },
  {
    id: 'single-paradiddle-diddle',
    name: 'Single paradiddle-diddle',
    family: 'diddle',
    line: '>RLRRLL',
  },
  { id: 'flam', name: 'Flam', family: 'flam', line: 'fR fL' },
  { id: 'flam-accent', name: 'Flam accent', family: 'flam', line: '>fRLR >fLRL' },
  { id: 'flam-tap', name: 'Flam tap', family: 'flam', line: '>fRR >fLL' },
  { id: 'flamacue', name: 'Flamacue', family: 'flam', line: 'fR>LRLfR fL>RLRfL' },
  { id: 'flam-paradiddle', name: 'Flam paradiddle', family: 'flam', line: '>fRLRR >fLRLL' },
  { id: 'flammed-mill', name: 'Single flammed mill', family: 'flam', line: '>fRRLR >fLLRL' },
  {
    id: 'flam-paradiddle-diddle',
    name: 'Flam paradiddle-diddle',
    family: 'flam',
    line: '>fRLRRLL >fLRLLRR',
  },
  { id: 'pataflafla', name: 'Pataflafla', family: 'flam', line: '>fRLR>fL' },
  { id: 'swiss-army-triplet', name: 'Swiss army triplet', family: 'flam', line: '>fRRL' },
  { id: 'inverted-flam-tap', name: 'Inverted flam tap', family: 'flam', line: '>fRL >fLR' },
  { id: 'flam-drag', name: 'Flam drag', family: 'flam', line: '>fR{LL}R >fL{RR}L' },
  { id: 'drag', name: 'Drag', family: 'drag', line: 'dR dL' },
  { id: 'single-drag-tap', name: 'Single drag tap', family: 'drag', line: 'dR>L dL>R' },
  { id: 'double-drag-tap', name: 'Double drag tap', family: 'drag', line: 'dRdR>L dLdL>R' },
  { id: 'lesson-25', name: 'Lesson 25', family: 'drag', line: 'dRL>R-' },
  {
    id: 'single-dragadiddle',
    name: 'Single dragadiddle',
    family: 'drag',
    line: '{>RR}LRR {>LL}RLL',
  },
  {
    id: 'drag-paradiddle-1',
    name: 'Drag paradiddle no. 1',
    family: 'drag',
    line: '>RdRLRR >LdLRLL',
  },
  {
    id: 'drag-paradiddle-2',
    name: 'Drag paradiddle no. 2',
    family: 'drag',
    line: '>RdRdRLRR >LdLdLRLL',
  },
  { id: 'single-ratamacue', name: 'Single ratamacue', family: 'drag', line: 'dRLR>L dLRL>R' },
  { id: 'double-ratamacue', name: 'Double ratamacue', family: 'drag', line: 'dRdRLR>L dLdLRL>R' },
  {
    id: 'triple-ratamacue',
    name: 'Triple ratamacue',
    family: 'drag',
    line: 'dRdRdRLR>L dLdLdLRL>R',
  },
]

/** Cells of two to nine strokes with kicks in them, of this app's own choosing; named by what they are. */
export const KIT_CELLS: readonly CellEntry[] = [
  ...[
    ['Two, kick last', 'RK'],
    ['Three, kick last', 'RLK'],
    ['Three, kick first', 'KRL'],
    ['Three, kick between', 'RKL'],
    ['Three, two kicks', 'RKK'],
    ['Four, kick last', 'RLRK'],
    ['Four, double and kick', 'RLLK'],
    ['Four, right double and kick', 'RRLK'],
    ['Four, two kicks', 'RLKK'],
    ['Four, kick first', 'KRLL'],
    ['Four, kicks between', 'RKLK'],
    ['Five, kick last', 'RLRLK'],
    ['Five, double and kick', 'RLLRK'],
    ['Five, paradiddle and kick', 'RLRRK'],
    ['Five, two kicks', 'RLRKK'],
    ['Five, two and three', 'RKRLK'],
    ['Six, kick last', 'RLRLRK'],
    ['Six, two kicks', 'RLRLKK'],
    ['Six, double and two kicks', 'RLLRKK'],
    ['Six, three and three', 'RLKRLK'],
    ['Six, kick first', 'KRLRLL'],
    ['Seven, kick last', 'RLRLRLK'],
    ['Seven, doubles and kick', 'RLLRLLK'],
    ['Seven, paradiddle and kick', 'RLRRLLK'],
    ['Seven, four and three', 'RLRKRLK'],
    ['Eight, five and three', 'RLLRKRLK'],
    ['Eight, two kicks last', 'RLRLRLKK'],
    ['Eight, three, three, two', 'RLKRLKRK'],
    ['Nine, five and four', 'RLLRKRLRK'],
    ['Nine, kicks in threes', 'RLKRLKRLK'],
  ].map(([name, line]) => ({
    id: `linear-${line?.toLowerCase()}`,
    name: name as string,
    family: 'linear' as const,
    line: line as string,
  })),
  ...[
    ['Three, kick under the lead', '(RK)LL'],
    ['Four, accent and ghosts', '>Rllr'],
    ['Four, kick under the lead', '(>RK)lRl'],
    ['Five, ghosts and kick', '>RllRK'],
    ['Five, flam and kick', '>fRLLRK'],
    ['Six, both hands and kicks', '(>RL)KK(>RL)KK'],
    ['Six, ghosts and kicks', '>RllRKK'],
    ['Seven, ghosts and two kicks', '>RlRllKK'],
    ['Three, squeezed', '{RL}RK'],
    ['Four, both feet', 'RLKH'],
  ].map(([name, line]) => ({
    id: `mixed-${line?.toLowerCase().replace(/[^a-z]/g, '')}-${line?.length}`,
    name: name as string,
    family: 'mixed' as const,
    line: line as string,
  })),
]
