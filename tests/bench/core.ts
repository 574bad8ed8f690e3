import { parseLickText } from '../../app/codecs/lick-text'
import { DEFAULT_KIT } from '../../app/core/kit'
import type { Lick } from '../../app/core/line'
import {
  DEFAULT_SETTING,
  handCollisions,
  handPaths,
  raisesOf,
  speedLimit,
} from '../../app/core/playability'
import { voiceLick, voicingPresets } from '../../app/core/voicing'

/** Times what the core works out of a line on a kit, for lines of growing length. */
const BAR = 'RLLKRLLK RLLKRLRL RLLKRLLK RLLKRLRL '
const RUNS = 60
const VOICING = {
  rules: voicingPresets(DEFAULT_KIT).flatMap(({ rules }) => rules),
  pins: [],
}

/** A new lick each time: what is worked out once a lick must be worked out anew. */
function lickOf(bars: number): Lick {
  const read = parseLickText(`grid: 1/32\nline: ${BAR.repeat(bars).trim()}`)
  if (!read.ok) throw new Error(JSON.stringify(read.error))
  return read.value.lick
}

const TASKS: readonly (readonly [string, (lick: Lick) => unknown])[] = [
  [
    'limit, crossings and paths',
    (lick) => [
      speedLimit(lick, 'line', DEFAULT_SETTING),
      handCollisions(lick, DEFAULT_KIT),
      handPaths(lick, DEFAULT_KIT),
    ],
  ],
  ['voicing by all presets at once', (lick) => voiceLick(lick, VOICING)],
  ['what would raise the limit', (lick) => raisesOf(lick, (one) => one, 'line', DEFAULT_SETTING)],
]

console.log(`On the kit, in 1/32, in the core (medians of ${RUNS}):`)
for (const [name, task] of TASKS) {
  const times = [1, 4, 16, 64].map((bars) => {
    const base = lickOf(bars)
    const runs = Array.from({ length: RUNS }, () => {
      const lick = { ...base, line: { ...base.line } }
      const begun = performance.now()
      task(lick)
      return performance.now() - begun
    }).sort((a, b) => a - b)
    return `${bars} bars ${(runs[RUNS >> 1] as number).toFixed(2)} ms`
  })
  console.log(`  ${name}: ${times.join(', ')}`)
}
