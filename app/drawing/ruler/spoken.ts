import type { SlotRange } from '~/core/changes'
import { type Lick, lickSlots, type TimedSlot } from '~/core/line'
import { type Letter, SURFACE_NAMES, strokeSurface, strokesInSlot } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import { placeInBar, spokenPlace } from '~/words/places'

/** What a screen reader says of a selection: its one slot, or how many from where to where. */
export function selectionWords(
  lick: Lick,
  selection: SlotRange | null,
  counting: CountingSystem,
): string {
  const slots = lickSlots(lick)
  const [first, last] = [slots[selection?.from ?? -1], slots[(selection?.to ?? 0) - 1]]
  if (!first || !last) return ''
  const said = spokenSlot(first, lick, counting)
  if (first === last) return said
  return `${last.index - first.index + 1} slots, from ${said}, to ${spokenSlot(last, lick, counting)}`
}

/** A slot in words: `3 e, beat 3: left hand, ghost, on snare`. */
export function spokenSlot(slot: TimedSlot, lick: Lick, counting: CountingSystem): string {
  const strokes = strokesInSlot(slot.content).map(({ stroke }) => stroke)
  const place = saidAloud(placeInBar(lick, slot.tick, counting))
  if (strokes.length === 0) return `${place}, rest`
  const said = strokes.map((stroke) => {
    const level = stroke.level === 'tap' ? '' : `, ${stroke.level}`
    const grace = ['', ', flam', ', drag', ', ruff'][stroke.graces]
    return `${LIMB_WORDS[stroke.letter]}${level}${grace}, on ${SURFACE_NAMES[strokeSurface(stroke)]}`
  })
  return `${place}, ${said.join(slot.content.kind === 'squeeze' ? ' then ' : ' with ')}`
}

/** A place as a voice reads it: `beat 3`, `and of 2`, `beat 4, 6th`. It has the name that it has everywhere. */
function saidAloud(place: string): string {
  if (/^\d+$/.test(place)) return `beat ${place}`
  return spokenPlace(place).replace(/^the /, '').replace(/^&/, 'and')
}

const LIMB_WORDS: Readonly<Record<Letter, string>> = {
  R: 'right hand',
  L: 'left hand',
  X: 'either hand',
  K: 'kick',
  H: 'hi-hat foot',
  J: 'second foot',
}
