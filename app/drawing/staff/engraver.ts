import bravura from '@vexflow-fonts/bravura/bravura.woff2?url'
import type { StaffUnit } from '~/core/engraving'
import { drawUnit, type UnitGeometry } from './draw-unit'
import type { VexFlowModule } from './vexflow-module'

let loading: Promise<VexFlowModule> | undefined
let loaded: VexFlowModule | undefined

/** The engraving library and its font, fetched once and only where a staff is shown. */
export function loadEngraver(): Promise<VexFlowModule> {
  // What could not be fetched is asked for again the next time.
  loading ??= load().catch((error: unknown) => {
    loading = undefined
    throw error
  })
  return loading
}

/** The library if it is here already, so that a redraw need not wait a turn. */
export function loadedEngraver(): VexFlowModule | undefined {
  return loaded
}

async function load(): Promise<VexFlowModule> {
  const vexflow = await import('vexflow/core')
  const face = new FontFace('Bravura', `url(${bravura})`)
  document.fonts.add(await face.load())
  vexflow.VexFlow.setFonts('Bravura')
  loaded = vexflow
  return vexflow
}

/** Draws a unit into an empty host and notes how long that took, under `staff-unit`. */
export function engrave(
  vexflow: VexFlowModule,
  host: HTMLDivElement,
  unit: StaffUnit,
  geometry: UnitGeometry,
): void {
  const begun = performance.now()
  host.replaceChildren()
  drawUnit(vexflow, host, unit, geometry)
  performance.measure('staff-unit', { start: begun, end: performance.now() })
}
