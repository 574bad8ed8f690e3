import { modulo } from '~/core/foundation'
import { frameTicks, type Lick, TEMPO_RANGE } from '~/core/line'
import { formatLine } from '~/core/notation'
import { STRAIGHT, TICKS_PER_QUARTER } from '~/core/time'
import type { TappedLine } from '~/core/timing'
import type { Edit } from './edits'

/** A lick's text has tempos to a millionth; to a hundredth of a beat a minute is nearer than anybody taps. */
const STEPS_A_BEAT = 100

/**
 * The edit that puts what was tapped in place of the line. It begins where it was tapped: before the first
 * barline is at the end of a bar, and a groove that stopped later stops there. What hung on the strokes that
 * are gone goes with them. `quarters` is the tempo that free taps had, in quarters a minute, and they sound
 * as they were tapped, straight; null keeps the lick's own tempo and swing.
 *
 * @example taps from a thirty-second before the bar, in 4/4: the line starts at the bar's last thirty-second
 */
export function tappedEdit(lick: Lick, found: TappedLine, quarters: number | null): Edit {
  const { beat, bar } = frameTicks(lick.frame)
  const { grid, line } = found
  const start = modulo(found.start, bar)
  const { stop } = lick.frame
  const frame = {
    ...lick.frame,
    ...(quarters !== null && {
      tempo: tempoIn(quarters, beat),
      swing: STRAIGHT,
      grooveSwing: null,
    }),
    grid,
    start,
    stop: stop === null ? null : Math.min(stop, start),
    swells: [],
  }
  return {
    label: 'Tap in a line',
    lick: { ...lick, frame, line, parts: [] },
    change: {
      from: 0,
      to: lick.line.slots.length,
      typed: formatLine(line),
      origins: line.slots.map(() => null),
    },
  }
}

/** A tempo of quarters in beats of so many ticks, as a lick can have it. */
function tempoIn(quarters: number, beat: number): number {
  const beats = Math.round(((quarters * TICKS_PER_QUARTER) / beat) * STEPS_A_BEAT) / STEPS_A_BEAT
  return Math.min(TEMPO_RANGE.most, Math.max(TEMPO_RANGE.least, beats))
}
