export {
  COUNTING_SYSTEMS,
  type CountingSystem,
  countedGrid,
  countedPlace,
  countSyllable,
  DEFAULT_COUNTING,
  toCounting,
  UNNAMED_COUNT,
} from './counting'
export {
  ALL_GRIDS,
  findGrid,
  type Grid,
  type GridValue,
  gridName,
  gridTicks,
  sameGrid,
  TUPLET_RATIOS,
  type TupletKind,
} from './grid'
export {
  barTicks,
  beatsPerBar,
  beatTicks,
  findMeter,
  groupStarts,
  isCompound,
  MAX_METER_COUNT,
  type Meter,
  meterName,
  toMeter,
  unitTicks,
} from './meter'
export { findPlace, placeName } from './place'
export { type Feel, isStraight, STRAIGHT, type Swing, straightenedTick, swungTick } from './swing'
export { secondsPerTick, TICKS_PER_QUARTER, TICKS_PER_WHOLE, type Ticks } from './ticks'
export { beatWindows, type Window, windowAround, windowAt } from './windows'
