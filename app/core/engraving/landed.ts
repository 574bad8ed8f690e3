import { STAFF_KEY, type StaffKey } from '../kit'
import { type Lick, landingContent } from '../line'
import { strokesInSlot } from '../sticking'
import type { Ticks } from '../time'
import { headsOf, markOf, type StaffNote, type StaffUnit } from './staff'

/**
 * A unit of staff with what the lick before it lands on, `at` a tick of the unit: together with the note
 * that begins there, or in place of the rest or slash, in the same value. What lands where nothing
 * begins is left out. Law: notes, beams and brackets stay as many, and as long, as they were.
 * Example: a crash into a bar of slashes makes a quarter note of the first one.
 */
export function landedOn(
  unit: StaffUnit,
  lick: Lick,
  at: Ticks,
  key: StaffKey = STAFF_KEY,
): StaffUnit {
  const content = landingContent(lick)
  if (!content) return unit
  const strokes = strokesInSlot(content).map(({ stroke }) => stroke)
  const heads = headsOf(strokes, key)
  const struck = (note: StaffNote): StaffNote => {
    const own = note.heads.filter(
      (one) => !heads.some(({ step, shape }) => step === one.step && shape === one.shape),
    )
    const mark = note.mark === 'strong' ? note.mark : (markOf(strokes) ?? note.mark)
    const all = [...own, ...heads].sort((a, b) => a.step - b.step)
    return { ...note, kind: 'note', heads: all, mark }
  }
  return {
    ...unit,
    notes: unit.notes.map((note) => (note.tick === at ? struck(note) : note)),
  }
}
