import { fittingStart, frameTicks, type Lick, lineTicks } from '~/core/line'
import {
  ALL_GRIDS,
  type CountingSystem,
  findGrid,
  type Grid,
  gridName,
  gridTicks,
  placeName,
} from '~/core/time'
import type { Option } from '~/ui/field'
import { gridOutcome } from '~/words/fit'
import { gridWords } from '~/words/grid-words'
import { placeOn } from '~/words/places'

/** Metres to choose from; any other can be typed. */
export const METRES = [
  '4/4',
  '3/4',
  '2/4',
  '5/4',
  '6/8',
  '7/8',
  '9/8',
  '12/8',
  '7/8 3+2+2',
  '5/8',
  '15/16',
  '3/2',
]

const USUAL_GRIDS = [
  '1/8',
  '1/8t',
  '1/16',
  '1/16q',
  '1/16t',
  '1/16s',
  '1/32',
  '1/32n',
  '1/32t',
  '1/4',
  '1/64',
]

/** Every grid with what the same strokes would come to on it, the usual ones first. */
export function gridOptions(lick: Lick): Option[] {
  return gridNames().map(({ name, grid }) => ({ value: name, label: gridOutcome(lick, grid) }))
}

function gridNames(): { name: string; grid: Grid }[] {
  const others = ALL_GRIDS.map(gridName).filter((name) => !USUAL_GRIDS.includes(name))
  return [...USUAL_GRIDS, ...others].flatMap((name) => {
    const grid = findGrid(name)
    return grid ? [{ name, grid }] : []
  })
}

/** Every grid that a pick-up may have, the usual ones first. */
export function pickupGridOptions(): Option[] {
  return gridNames().map(({ name, grid }) => ({ value: name, label: gridWords(grid) }))
}

/** Every slot of the bar on the text's grid; the one from which the line ends on a barline says so. */
export function startOptions(lick: Lick, counting: CountingSystem): Option[] {
  const { frame } = lick
  const { bar } = frameTicks(frame)
  const fits = lineTicks(lick.line, frame.grid) > 0 ? fittingStart(lick) : null
  const ticks = new Set<number>([frame.start])
  for (let tick = 0; tick < bar; tick += gridTicks(frame.grid)) ticks.add(tick)
  if (fits !== null) ticks.add(fits)
  return [...ticks]
    .sort((a, b) => a - b)
    .map((tick) => {
      const name = placeName(tick, frame.meter)
      const shown = placeOn(lick, tick, frame.grid, counting)
      return { value: name, label: tick === fits ? `${shown} · ends on the barline` : shown }
    })
}

/** Every slot of the bar up to the start. */
export function stopOptions({ frame }: Lick, counting: CountingSystem): Option[] {
  const options: Option[] = []
  for (let tick = 0; tick <= frame.start; tick += gridTicks(frame.grid)) {
    const name = placeName(tick, frame.meter)
    options.push({ value: name, label: placeOn({ frame }, tick, frame.grid, counting) })
  }
  return options
}

/** Whole numbers to choose from. */
export function numberOptions(least: number, most: number): Option[] {
  return Array.from({ length: most - least + 1 }, (_, i) => {
    const value = String(least + i)
    return { value, label: value }
  })
}
