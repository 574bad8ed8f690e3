import { gcd } from '~/core/foundation'
import {
  type Grid,
  type GridValue,
  gridTicks,
  type Swing,
  type Ticks,
  type TupletKind,
} from '~/core/time'

const VALUE_NAMES: Readonly<Record<GridValue, string>> = {
  4: 'quarters',
  8: 'eighths',
  16: 'sixteenths',
  32: 'thirty-seconds',
  64: 'sixty-fourths',
}
const TUPLET_NAMES: Readonly<Record<TupletKind, string>> = {
  t: 'triplets',
  q: 'quintuplets',
  s: 'septuplets',
  n: 'nonuplets',
}

/**
 * A grid by its name, as drummers say it: `sixteenths`, `sixteenth triplets`, `sixteenth quintuplets`.
 */
export function gridWords({ value, tuplet }: Grid): string {
  const name = VALUE_NAMES[value]
  return tuplet === null ? name : `${name.replace(/s$/, '')} ${TUPLET_NAMES[tuplet]}`
}

/** How something swings, nothing where it is straight: `swing 60 %`, `triplets lean 45 %`. */
export function swingWords({ percent, pairs, lean }: Swing): string[] {
  return [
    ...(percent === 50 ? [] : [`${pairs === 16 ? 'sixteenths swing' : 'swing'} ${percent} %`]),
    ...(lean === undefined ? [] : [`triplets lean ${lean} %`]),
  ]
}

/** How many slots of a grid there are to a beat: `4 to a beat`, `1 to 2 beats`, `8 to 3 beats`. */
export function perBeatWords(grid: Grid, beat: Ticks): string {
  const slot = gridTicks(grid)
  const shared = gcd(beat, slot)
  const [slots, beats] = [beat / shared, slot / shared]
  return beats === 1 ? `${slots} to a beat` : `${slots} to ${beats} beats`
}
