import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import createVerovioModule from 'verovio/wasm'
import { VerovioToolkit } from 'verovio/esm'
import { aimOf, frameTicks, type Lick, strokeEvents } from '~/core/line'
import { DEMO_LICKS } from '~/demo'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { formatMusicXml } from '.'

let toolkit: VerovioToolkit
beforeAll(async () => {
  toolkit = new VerovioToolkit(await createVerovioModule())
})

interface Onset {
  readonly tstamp: number
  readonly on?: readonly string[]
}

/** Where another reader finds notes, in quarters from the first bar; graces are not among them. */
function onsetsOf(lick: Lick): number[] {
  expect(toolkit.loadData(formatMusicXml(lick))).toBe(true)
  return []
}
