import { type Phrase, setLevel } from '~/core/changes'
import { type Lick, type Line, ostinatoSlotsBetween } from '~/core/line'
import { REST, type SlotContent, toStroke } from '~/core/sticking'
import type { Ticks } from '~/core/time'
import type { Edit } from '../edits/edits'
import { LETTER_KEYS, LEVEL_KEYS } from './sticking-keys'

/** The slot of an ostinato that keys go to: which ostinato, from 0, and where in the bar it stands. */
export interface LayerPlace {
  readonly layer: number
  readonly tick: Ticks
}

/** What a key in the row of an ostinato does: a change of its pattern, and whether it steps on. */
export interface LayerKey {
  readonly edit: Edit | null
  readonly steps: boolean
  readonly refused: string
}

/**
 * What a key typed on a slot of an ostinato does: the pattern has it wherever it comes round. Letters
 * replace and step on (with Shift, as a ghost), `-` rests, signs set the level or take it away. Undefined
 * for a key that means nothing here. Example: `k` on the second slot of `@1/8 HH` makes it `@1/8 HK`.
 */
export function layerKey(
  lick: Lick,
  place: LayerPlace,
  { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean },
): LayerKey | undefined {
  const slot = slotOf(lick, place)
  const letter = LETTER_KEYS[key.toLowerCase()]
  const level = LEVEL_KEYS[key]
  if (!letter && key !== '-' && level === undefined) return undefined
  if (slot === undefined) return { edit: null, steps: false, refused: 'No layer plays here.' }
  const line = (lick.ostinatos[place.layer] as Lick['ostinatos'][number]).line
  if (level) {
    const phrase: Phrase = { slots: [line.slots[slot] as SlotContent], groups: [1] }
    const on = setLevel(phrase, level, () => true)
    const same = JSON.stringify(on.slots) === JSON.stringify(phrase.slots)
    const made = (same ? setLevel(phrase, 'tap', () => true) : on).slots[0] as SlotContent
    return { edit: withSlot(lick, place, slot, [made]), steps: false, refused: '' }
  }
  const content: SlotContent = letter
    ? { kind: 'struck', strokes: [toStroke(letter, { level: shiftKey ? 'ghost' : 'tap' })] }
    : REST
  return { edit: withSlot(lick, place, slot, [content]), steps: true, refused: '' }
}

/** A rest opened in the pattern before a slot; null where no layer plays there. */
export function openLayerSlot(lick: Lick, place: LayerPlace): Edit | null {
  const slot = slotOf(lick, place)
  const content = lick.ostinatos[place.layer]?.line.slots[slot ?? -1]
  return slot === undefined || !content ? null : withSlot(lick, place, slot, [REST, content])
}

/** A slot removed from the pattern; with its last one the layer goes. Null where none plays there. */
export function removeLayerSlot(lick: Lick, place: LayerPlace): Edit | null {
  const slot = slotOf(lick, place)
  return slot === undefined ? null : withSlot(lick, place, slot, [])
}

/** The place a slot earlier or later in an ostinato; the same where there is none. */
export function stepLayer(lick: Lick, { layer, tick }: LayerPlace, way: 1 | -1): LayerPlace {
  const slots = ostinatoSlotsBetween(lick, layer, 0, Number.POSITIVE_INFINITY)
  const next =
    way === 1 ? slots.find((slot) => slot.tick > tick) : slots.findLast((slot) => slot.tick < tick)
  return { layer, tick: next?.tick ?? tick }
}

/** Which slot of its pattern stands at a place. */
function slotOf(lick: Lick, { layer, tick }: LayerPlace): number | undefined {
  return ostinatoSlotsBetween(lick, layer, tick, tick + 1)[0]?.index
}

function withSlot(
  lick: Lick,
  { layer }: LayerPlace,
  slot: number,
  contents: readonly SlotContent[],
): Edit {
  const ostinatos = lick.ostinatos.flatMap((one, i) => {
    if (i !== layer) return [one]
    const line = spliced(one.line, slot, contents)
    return line.slots.length === 0 ? [] : [{ ...one, line }]
  })
  return { label: `Layer ${layer + 1}`, lick: { ...lick, ostinatos } }
}

/** A pattern with a slot replaced by others, in its group. */
function spliced(line: Line, slot: number, contents: readonly SlotContent[]): Line {
  const slots = [...line.slots.slice(0, slot), ...contents, ...line.slots.slice(slot + 1)]
  let start = 0
  const groups = line.groups.flatMap((size) => {
    const inside = slot >= start && slot < start + size
    start += size
    const now = inside ? size + contents.length - 1 : size
    return now > 0 ? [now] : []
  })
  return { slots, groups, gridChanges: line.gridChanges.filter(({ at }) => at < slots.length) }
}
