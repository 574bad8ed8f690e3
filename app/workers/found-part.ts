import { partText } from '~/codecs/any-file'
import type { DrumPart, PartWish } from '~/core/drum-parts'
import type { FoundPart } from './protocol'

/** What there is to tell of a drum part, and the lick that it becomes as `wish` says. */
export function foundPart(part: DrumPart, wish: PartWish, name: string, file: number): FoundPart {
  const { text, own, handsProposed, offsetsMs, leftOut } = partText(part, wish)
  const strokesOn = (key: string) =>
    part.notes.filter(({ instrument }) => instrument === key).length
  const off = offsetsMs.map(Math.abs)
  return {
    file,
    name,
    title: part.title,
    text,
    own,
    strokes: part.notes.length,
    instruments: part.instruments.map(({ key, name: called, voice }) => ({
      key,
      name: called,
      voice: wish.voices?.has(key) ? (wish.voices.get(key) ?? null) : voice,
      strokes: strokesOn(key),
    })),
    handsProposed,
    offMs: {
      mean: off.reduce((sum, one) => sum + one, 0) / Math.max(1, off.length),
      most: off.reduce((most, one) => Math.max(most, one), 0),
    },
    leftOut,
  }
}
