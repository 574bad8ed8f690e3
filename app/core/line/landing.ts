import { toStroke } from '../sticking'
import { gridTicks, type Ticks } from '../time'
import { aimOf } from './aim'
import { lastStrokes, type StrokeEvent, slotEvents } from './events'
import { CHOKE_AFTER, frameTicks, type Lick } from './lick'
import { freeHandAfter } from './sum'

/**
 * The hand that takes the crash of the landing: the free one, the right where both or none is.
 *
 * @example crashHand(lickOf('line: RLR')) // 'LH'
 */
export function crashHand(lick: Lick): 'RH' | 'LH' {
  const limbs = lastStrokes(lick).map(({ limb }) => limb)
  return freeHandAfter(limbs) === 'LH' ? 'LH' : 'RH'
}

/**
 * What the landing adds to the line at the downbeat aimed at, as notated: the crash by the free hand
 * with the kick, or the lick's own strokes; nothing for groove, none, and a line that lands by itself.
 * Their slot is the one behind the line's last. Example: `RLLR` lands with LH on c1 and RF on bd.
 */
export function landingStrokes(lick: Lick): StrokeEvent[] {
  const content = landingContent(lick)
  if (!content) return []
  const { slots, groups, gridChanges } = lick.line
  const grid = gridChanges.at(-1)?.grid ?? lick.frame.grid
  const slot = {
    index: slots.length,
    group: groups.length,
    tick: aimOf(lick).target,
    ticks: gridTicks(grid),
    grid,
    content,
  }
  return slotEvents(slot)
}

/**
 * The slot that the landing strikes; undefined where it strikes nothing of its own.
 *
 * @example landingContent(lickOf('line: RL')).kind // 'struck'
 */
export function landingContent(lick: Lick) {
  const { landing } = lick.frame
  switch (landing.kind) {
    case 'strokes':
      return landing.slot
    case 'crash':
    case 'stop': {
      const letter = crashHand(lick) === 'LH' ? 'L' : 'R'
      const crash = toStroke(letter, { level: 'accent', voice: landing.crash ?? 'c1' })
      const kick = toStroke('K', { level: 'accent' })
      return { kind: 'struck', strokes: [crash, kick] } as const
    }
    default:
      return undefined
  }
}

/**
 * Whether what the landing strikes is damped an eighth later.
 *
 * @example isChoked(lickOf('landing: stop\nline: RL').frame) // true
 */
export function isChoked({ landing }: Lick['frame']): boolean {
  return landing.kind === 'stop' || (landing.kind === 'strokes' && landing.choke)
}

/**
 * How long the groove is silent after the landing: a beat where it is choked, or the choke itself.
 *
 * @example silenceAfter(lickOf('landing: crash\nline: RL').frame) // 0
 */
export function silenceAfter(frame: Lick['frame']): Ticks {
  return isChoked(frame) ? Math.max(frameTicks(frame).beat, CHOKE_AFTER) : 0
}
