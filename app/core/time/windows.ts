import { barTicks, groupStarts, type Meter } from './meter'
import { TICKS_PER_QUARTER, type Ticks } from './ticks'

/** A stretch of a bar that is beamed and read as one, in ticks from the barline. */
export interface Window {
  readonly from: Ticks
  readonly to: Ticks
}

/**
 * The windows of a bar: quarters over 2 and 4, the felt groups over 8 and 16.
 *
 * @example of 3/4: 0 to 10080, 10080 to 20160 and 20160 to 30240
 */
export function beatWindows(meter: Meter): Window[] {
  const bar = barTicks(meter)
  const starts =
    meter.unit >= 8
      ? groupStarts(meter)
      : Array.from({ length: Math.ceil(bar / TICKS_PER_QUARTER) }, (_, i) => i * TICKS_PER_QUARTER)
  return starts.map((from, i) => ({ from, to: starts[i + 1] ?? bar }))
}

/**
 * The window a tick of the bar lies in.
 *
 * @example windowAt([{ from: 0, to: 20160 }, { from: 20160, to: 40320 }], 25200).from // 20160
 */
export function windowAt(windows: readonly Window[], tick: Ticks): Window {
  const found = windows.find(({ to }) => tick < to) ?? windows.at(-1)
  if (!found) throw new RangeError('windows: a bar has at least one')
  return found
}

/** The window that a tick of any bar lies in, in ticks from where `tick` counts from. */
export function windowAround(windows: readonly Window[], bar: Ticks, tick: Ticks): Window {
  const barStart = Math.floor(tick / bar) * bar
  const { from, to } = windowAt(windows, tick - barStart)
  return { from: barStart + from, to: barStart + to }
}
