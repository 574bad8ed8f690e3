import fc from 'fast-check'
import * as random from '/work/main/tests/support/arbitraries'
import { toAnswers } from '/work/main/app/features/bench/answers'
import { toFit } from '/work/main/app/features/bench/fit'
import { DEFAULT_COUNTING } from '/work/main/app/core/time'
const SLIPS = /\b(NaN|undefined|Infinity|null)\b|\[object/
function slips(value: unknown, at = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${at} is ${value}`]
  if (typeof value === 'string') return SLIPS.test(value) ? [`${at} says ${value}`] : []
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, inner]) => slips(inner, `${at}.${key}`))
}
let n = 0
const t = Date.now()
fc.assert(fc.property(random.lick, fc.integer({ min: 20, max: 400 }), (lick, tempo) => {
  n++
  const found = [...slips(toAnswers(lick, tempo)), ...slips(toFit(lick, DEFAULT_COUNTING))]
  if (found.length) throw new Error(found.join())
}), { numRuns: Number(process.argv[2]) })
console.log(n, 'licks', Date.now() - t, 'ms')
