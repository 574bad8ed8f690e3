import {
  addAfter,
  addAt,
  alternate,
  append,
  clearAccents,
  doubleLimb,
  doubleUp,
  fillGaps,
  keepLimb,
  layAccents,
  leaveOut,
  mirrorFeet,
  mirrorHands,
  moveAccents,
  oneSurface,
  prepend,
  replaceLimb,
  reverse,
  rotate,
  setGraces,
  setLevel,
  silence,
  someToFeet,
  squeezeDoubles,
  toFeet,
  toHands,
} from '../changes'
import { modulo } from '../foundation'
import type { Letter } from '../sticking'
import { type Change, change } from './change'

const all = () => true

/** Origins of slots that begin `steps` later. */
const turned = (steps: number) => (size: number) =>
  Array.from({ length: size }, (_, slot) => modulo(slot + steps, size))
const backwards = (size: number) => Array.from({ length: size }, (_, slot) => size - 1 - slot)
const twice = (size: number) => Array.from({ length: 2 * size }, (_, slot) => slot % size)

const LIMB_NAME: Partial<Record<Letter, string>> = { R: 'right', L: 'left', K: 'kick' }

function replacing(from: Letter, to: Letter, nth = 1): Change {
  const [old, now] = [LIMB_NAME[from], LIMB_NAME[to]]
  const name =
    nth === 1 ? `Replace ${old}s with ${now}s` : `Replace every second ${old} with a ${now}`
  return change('limbs', `replace-${from}-${to}-${nth}`.toLowerCase(), name, (phrase) =>
    replaceLimb(phrase, from, to, nth),
  )
}

/** Every change that needs no more than a selection. */
export const CHANGES: readonly Change[] = [
  change('order', 'rotate', 'Rotate forward', (p) => rotate(p, 1), false, turned(1)),
  change('order', 'rotate-back', 'Rotate back', (p) => rotate(p, -1), false, turned(-1)),
  change('order', 'mirror', 'Lead with the other hand', mirrorHands),
  change('order', 'mirror-feet', 'Mirror the feet', mirrorFeet),
  change('order', 'mirror-all', 'Mirror hands and feet', (p) => mirrorFeet(mirrorHands(p))),
  change('order', 'reverse', 'Reverse', reverse, false, backwards),
  change('order', 'alternate', 'Add it led by the other hand', (p) => alternate(p), true, twice),
  replacing('L', 'K'),
  replacing('R', 'K'),
  replacing('L', 'K', 2),
  replacing('R', 'K', 2),
  replacing('K', 'R'),
  replacing('K', 'L'),
  replacing('R', 'L'),
  replacing('L', 'R'),
  change('limbs', 'kick-under-r', 'Kick under every right', (p) => doubleLimb(p, 'R', 'K')),
  change('limbs', 'kick-under-l', 'Kick under every left', (p) => doubleLimb(p, 'L', 'K')),
  change('limbs', 'kick-on-beats', 'Kick on the beats', (p, { onBeat }) => addAt(p, 'K', onBeat)),
  change('limbs', 'kick-at-end', 'Kick at the end', (p) => append(p, 'K'), true),
  change('limbs', 'kick-at-start', 'Kick at the start', (p) => prepend(p, 'K'), true),
  change('limbs', 'right-at-end', 'Right at the end', (p) => append(p, 'R'), true),
  change('limbs', 'left-at-end', 'Left at the end', (p) => append(p, 'L'), true),
  change('limbs', 'kick-after-r', 'Kick after every right', (p) => addAfter(p, 'R', 'K'), true),
  change('limbs', 'kick-after-l', 'Kick after every left', (p) => addAfter(p, 'L', 'K'), true),
  change('limbs', 'kicks-in-holes', 'Kicks in the gaps', (p) => fillGaps(p, 'K')),
  change('limbs', 'left-in-gaps', 'Lefts in the gaps', (p) => fillGaps(p, 'L')),
  change('limbs', 'right-in-gaps', 'Rights in the gaps', (p) => fillGaps(p, 'R')),
  change('limbs', 'hihat-in-gaps', 'Hi-hat foot in the gaps', (p) => fillGaps(p, 'H')),
  change('limbs', 'leave-out-k', 'Turn kicks into rests', (p) => leaveOut(p, 'K')),
  change('limbs', 'leave-out-l', 'Turn lefts into rests', (p) => leaveOut(p, 'L')),
  change('limbs', 'leave-out-r', 'Turn rights into rests', (p) => leaveOut(p, 'R')),
  change('limbs', 'leave-out', 'Turn into rests', silence),
  change('limbs', 'to-feet', 'Move hands to feet', toFeet),
  change('limbs', 'to-hands', 'Move feet to hands', toHands),
  change('limbs', 'second-to-feet', 'Move every second stroke to its foot', (p) =>
    someToFeet(p, 2),
  ),
  change('dynamics', 'accents-later', 'Move accents one later', (p) => moveAccents(p, 1)),
  change('dynamics', 'accents-earlier', 'Move accents one earlier', (p) => moveAccents(p, -1)),
  change('dynamics', 'accents-round', 'Move accents one later, round to the first', (p) =>
    moveAccents(p, 1, true),
  ),
  change('dynamics', 'accents-in-threes', 'Accents in threes', (p) =>
    layAccents(p, [true, false, false]),
  ),
  change('dynamics', 'accents-in-fives', 'Accents in fives', (p) =>
    layAccents(p, [true, false, false, false, false]),
  ),
  change('dynamics', 'accent-beats', 'Accents on the beats', (p, { onBeat }) =>
    setLevel(clearAccents(p), 'accent', (_, slot) => onBeat(slot)),
  ),
  change('dynamics', 'clear-accents', 'Remove accents', clearAccents),
  change('density', 'double-up', 'Double up', (p) => doubleUp(p, all)),
  change('density', 'double-kicks', 'Double the kicks', (p) => doubleUp(p, (l) => l === 'K')),
  change('density', 'squeeze', 'Squeeze between doubles', (p) => squeezeDoubles(p, 'both')),
  change('density', 'squeeze-r', 'Squeeze between right doubles', (p) => squeezeDoubles(p, 'R')),
  change('density', 'squeeze-l', 'Squeeze between left doubles', (p) => squeezeDoubles(p, 'L')),
  change('easier', 'kicks-on-beats', 'Kicks on the beats only', (p, { onBeat }) =>
    keepLimb(p, 'K', (slot) => onBeat(slot)),
  ),
  change('easier', 'every-other-kick', 'Every other kick', (p) =>
    keepLimb(p, 'K', (_, count) => count % 2 === 1),
  ),
  change('easier', 'no-graces', 'Remove graces', (p) => setGraces(p, 0, all)),
  change('easier', 'one-surface', 'Play on one surface', oneSurface),
]
