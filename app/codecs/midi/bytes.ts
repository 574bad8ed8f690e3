import type { Ticks } from '~/core/time'

/** An event of a track at its tick; at one tick those of a lower order come first. */
export interface TrackEvent {
  readonly tick: Ticks
  readonly order: number
  readonly bytes: readonly number[]
}

/** A whole standard MIDI file of type 1: tracks that run side by side, at so many ticks a quarter. */
export function toMidiFile(
  tracks: readonly (readonly TrackEvent[])[],
  ticksPerQuarter: number,
): Uint8Array<ArrayBuffer> {
  const header = chunk('MThd', [...be(1, 2), ...be(tracks.length, 2), ...be(ticksPerQuarter, 2)])
  return Uint8Array.from([...header, ...tracks.flatMap((events) => chunk('MTrk', track(events)))])
}

/** A meta event: its type and its bytes. Example: `meta(0x2f, [])` ends a track. */
export function meta(type: number, data: readonly number[]): number[] {
  return [0xff, type, ...variable(data.length), ...data]
}

/** A meta event whose bytes are a text, in UTF-8. */
export function textMeta(type: number, text: string): number[] {
  return meta(type, [...new TextEncoder().encode(text)])
}

/** A whole number in so many bytes, the greatest first. */
export function be(value: number, bytes: number): number[] {
  return Array.from({ length: bytes }, (_, i) => Math.floor(value / 256 ** (bytes - 1 - i)) % 256)
}

/** A chunk of a file: its name in four letters, how long it is, and what is in it. */
function chunk(name: string, data: readonly number[]): number[] {
  return [...[...name].map((letter) => letter.charCodeAt(0)), ...be(data.length, 4), ...data]
}

const END_OF_TRACK = 0x2f

function track(events: readonly TrackEvent[]): number[] {
  const sorted = [...events].sort((a, b) => a.tick - b.tick || a.order - b.order)
  const bytes: number[] = []
  let before = 0
  for (const { tick, bytes: own } of sorted) {
    bytes.push(...variable(tick - before), ...own)
    before = tick
  }
  return [...bytes, 0, ...meta(END_OF_TRACK, [])]
}

/** A length or a time of up to 28 bits, seven bits a byte, the greatest first. */
function variable(value: number): number[] {
  const bytes = [value % 128]
  for (let rest = Math.floor(value / 128); rest > 0; rest = Math.floor(rest / 128))
    bytes.unshift(128 + (rest % 128))
  return bytes
}
