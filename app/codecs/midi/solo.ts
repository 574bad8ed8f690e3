import { toSequence } from '~/core/performance'
import type { PlayContext } from '~/core/playability'
import { type Section, type Solo, soloSecondsPerTick } from '~/core/solo'
import { barTicks, TICKS_PER_QUARTER } from '~/core/time'
import { toMidiFile } from './bytes'
import { heardIn, markerEvent, meterEvent, named, soundTracks, tempoEvent } from './write'

/**
 * A whole solo as a standard MIDI file of type 1: one tempo, a metre wherever it changes, a marker where each
 * part begins, the kit on channel 10, and the click. Tick 0 is its first barline, or one before it where a
 * pick-up comes first. `names` has the name of each section's part.
 * Source: Standard MIDI Files 1.0 (RP-001).
 */
export function formatSoloMidi(
  solo: Solo,
  sections: readonly Section[],
  names: readonly string[],
  { kit, player, grooves = [] }: PlayContext,
): Uint8Array<ArrayBuffer> {
  const swapsGroove = player.swapsGroove ?? false
  const performance = toSequence(sections, { loop: false, countIn: false, grooves, swapsGroove })
  const tick = soloSecondsPerTick(solo)
  const heard = heardIn(performance, tick, kit)
  const bar = sections[0] ? barTicks(sections[0].lick.frame.meter) : barTicks(solo.meter)
  const earliest = heard.notes.reduce((first, note) => Math.min(first, note.tick), 0)
  const zero = Math.floor(earliest / bar) * bar
  const at = (of: number) => of - zero
  const meters = sections.filter(({ lick }, i) => {
    const before = sections[i - 1]?.lick.frame.meter
    return JSON.stringify(before) !== JSON.stringify(lick.frame.meter)
  })
  const frame = [
    named(solo.title || 'Untitled'),
    tempoEvent(tick),
    ...meters.map(({ lick, from }, i) => meterEvent(lick.frame.meter, i === 0 ? 0 : at(from))),
    ...sections.flatMap(({ time, from }, i) =>
      time === 0 && names[i] ? [markerEvent(names[i], at(from))] : [],
    ),
  ]
  return toMidiFile([frame, ...soundTracks(heard, at)], TICKS_PER_QUARTER)
}
