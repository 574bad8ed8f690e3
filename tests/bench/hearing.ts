import { OnsetDetector } from '~/core/hearing'
import { EVEN, findDelay, type HeardStroke, matchStrokes, playedWith } from '~/core/listening'
import type { Surface } from '~/core/sticking'
import { foundOf, heardIn } from '../support/heard-onsets'
import { madeLine } from '../support/made-lines'
import { type MadeStroke, RATE, type Room, recorded } from '../support/recordings'

/** What is heard of made material, by condition, on seeds that nothing was chosen by; and what hearing costs. */
const SEEDS = Array.from({ length: Number(process.env.SEEDS ?? 10) }, (_, i) => 301 + i)
const ROOM: Room = { noiseDb: -50, echoDb: -12 }
const DRY: Room = { noiseDb: -60, echoDb: null }
const STROKES = 40
const percent = (share: number) => `${(share * 100).toFixed(1)} %`.padStart(8)

function row(name: string, made: (seed: number) => MadeStroke[], room = ROOM, only?: Only): void {
  const pairs = SEEDS.map((seed) => {
    const all = made(seed)
    const heard = heardIn(recorded(all, room, seed))
    return { meant: only ? all.filter(only) : all, heard }
  })
  const { recall, precision, error95 } = foundOf(pairs)
  const told = only ? '       –' : percent(precision)
  console.log(`  ${name.padEnd(44)}${percent(recall)}${told}${error95.toFixed(2).padStart(8)} ms`)
}
type Only = (stroke: MadeStroke) => boolean

console.log(`Strokes found within 5 ms (${SEEDS.length} seeds of ${STROKES} strokes each):`)
console.log(`  ${''.padEnd(44)}  found   right   95th`)
const SNARE: Surface[] = ['sn']
for (const rate of [4, 8, 12]) {
  row(`kit in a room, ${rate} a second`, (seed) => madeLine(rate, STROKES, seed))
  row(`kit close to the microphone, ${rate} a second`, (seed) => madeLine(rate, STROKES, seed), DRY)
  row(`while a crash rings, ${rate} a second`, (seed) => [
    { seconds: 0.42, surface: 'c1', velocity: 112 },
    ...madeLine(rate, STROKES / 2, seed),
  ])
  row(
    `ghosts between accents, ${rate} a second`,
    (seed) =>
      madeLine(rate, STROKES, seed, SNARE).map((one, i) => ({
        ...one,
        velocity: i % 2 === 0 ? 112 : 36,
      })),
    ROOM,
    ({ velocity }) => velocity < 60,
  )
  row(
    `graces 40 ms before strokes, ${rate} a second`,
    (seed) =>
      madeLine(rate, STROKES, seed, SNARE).flatMap((one) => [
        { ...one, seconds: one.seconds - 0.04, velocity: 32 },
        one,
      ]),
    ROOM,
    ({ velocity }) => velocity < 60,
  )
}

console.log(
  '\nPairs that are the stroke that was meant (200 rounds, 5 % missed, 5 % extra, no limbs):',
)
// The velocity tells which stroke it was: matching does not look at it.
const line = Array.from({ length: 16 }, (_, slot) => ({
  ms: slot * 150,
  limb: 'RH' as const,
  slot,
  velocity: slot + 1,
}))
for (const [name, habits, delay] of [
  ['as it is, 10 ms of spread', {}, 0],
  ['as it is, 20 ms of spread', { spreadMs: 20 }, 0],
  ['40 ms late as a whole, the delay found', {}, 40],
  ['110 ms late as a whole, the delay found', {}, 110],
  ['2 % faster at the end, the delay found', { driftPercent: 2 }, 0],
] as const) {
  let [right, all, meant] = [0, 0, 0]
  for (let seed = 1; seed <= 200; seed += 1) {
    const played = playedWith(line, { ...EVEN, spreadMs: 10, missed: 0.05, ...habits }, seed)
    const extra: HeardStroke[] = seed % 5 < 4 ? [{ ms: (seed * 377) % 2250, velocity: 0 }] : []
    const heard = [...played, ...extra]
      .map(({ ms, velocity }) => ({ ms: ms + delay, ...(velocity !== undefined && { velocity }) }))
      .sort((x, y) => x.ms - y.ms)
    const found = delay === 0 && name.startsWith('as') ? 0 : findDelay(line, heard)
    const { pairs } = matchStrokes(line, heard, found)
    meant += played.length
    all += pairs.length
    right += pairs.filter(
      (pair) => heard[pair.heard]?.velocity === line[pair.expected]?.velocity,
    ).length
  }
  console.log(
    `  ${name.padEnd(44)}${percent(right / all)} of ${all} pairs, ${percent(right / meant).trim()} of what was played`,
  )
}

console.log('\nWhat hearing costs, as a share of the time that sounds:')
for (const seconds of [5, 20, 60]) {
  const samples = recorded(madeLine(8, seconds * 8, 1), ROOM, 1)
  const detector = new OnsetDetector(RATE)
  const begun = performance.now()
  for (let i = 0; i < samples.length; i += 128) detector.hear(samples.subarray(i, i + 128))
  const spent = performance.now() - begun
  console.log(
    `  ${String(seconds).padStart(3)} s of sound${percent(spent / 1000 / (samples.length / RATE))}`,
  )
}
