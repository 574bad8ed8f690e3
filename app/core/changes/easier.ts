import type { Lick } from '../line'
import { ALL_GRIDS, sameGrid } from '../time'

/**
 * The feet under the line at half the rate: each layer on the grid of half as many slots. Null
 * where a layer has no such grid. Example: `@1/8 K` becomes `@1/4 K`.
 */
export function halfRateOstinatos(lick: Lick): Lick | null {
  const ostinatos = lick.ostinatos.map((layer) => {
    const half = ALL_GRIDS.find(
      (grid) =>
        grid.value === layer.grid.value / 2 &&
        sameGrid({ ...grid, value: layer.grid.value }, layer.grid),
    )
    return half && layer.line.gridChanges.length === 0 ? { ...layer, grid: half } : null
  })
  const all = ostinatos.filter((layer) => layer !== null)
  return all.length > 0 && all.length === ostinatos.length ? { ...lick, ostinatos: all } : null
}

/** The line without what sounds under it; the same lick where nothing does. */
export function withoutOstinatos(lick: Lick): Lick {
  return lick.ostinatos.length === 0 ? lick : { ...lick, ostinatos: [] }
}
