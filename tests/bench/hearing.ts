import { OnsetDetector } from '~/core/onsets'
import type { Surface } from '~/core/sticking'
import { EVEN, pairStrokes, playedWith } from '~/core/timing'
import { foundOf, heardIn, withoutClick } from '../support/heard-onsets'
import { madeBesideClick, madeLine } from '../support/made-lines'
import { type MadeStroke, RATE, type Room, recorded } from '../support/made-sound'

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

for (const [name, loud] of [
  ['a soft click comes back', 36],
  ['a click as loud as ghosts comes back', 60],
] as const) {
  const pairs = SEEDS.map((seed) => {
    const { clicks, line, sounding } = madeBesideClick(8, STROKES, seed, loud)
    return { meant: line, heard: withoutClick(heardIn(recorded(sounding, ROOM, seed)), clicks) }
  })
  const { recall, precision, error95 } = foundOf(pairs)
  console.log(
    `  ${`${name}, 8 a second`.padEnd(44)}${percent(recall)}${percent(precision)}${error95.toFixed(2).padStart(8)} ms`,
  )
}

console.log(
  '\nPairs that are the stroke that was meant (200 rounds, 5 % missed, 5 % extra, no limbs):',
)
const lineEvery = (gap: number, accent: number) =>
  Array.from({ length: 16 }, (_, slot) => ({
    ms: slot * gap,
    limb: 'RH' as const,
    slot,
    velocity: slot % 4 === 0 ? accent : 80,
  }))
for (const [name, habits, late, known, gap, accent = 80] of [
  ['as it is, 10 ms of spread', {}, 0, 0, 150],
  ['as it is, 20 ms of spread', { spreadMs: 20 }, 0, 0, 150],
  ['40 ms late as a whole, the delay unknown', {}, 40, null, 150],
  ['110 ms late as a whole, the delay unknown', {}, 110, null, 150],
  ['2 % faster than the click, delay unknown', { driftPercent: 2 }, 0, null, 150],
  ['110 ms late, unknown, every fourth an accent', {}, 110, null, 150, 112],
  ['50 ms late by a known delay, 12 a second', {}, 50, 0, 83],
  ['the same, every fourth an accent', {}, 50, 0, 83, 112],
  ['3 % slower than the click, 12 a second', { driftPercent: -3 }, 0, 0, 83],
] as const) {
  const line = lineEvery(gap, accent)
  let [right, all, meant] = [0, 0, 0]
  for (let seed = 1; seed <= 200; seed += 1) {
    const played = playedWith(line, { ...EVEN, spreadMs: 10, missed: 0.05, ...habits }, seed)
    const extra = { ms: (seed * 377) % (gap * 15), slot: -1, velocity: 80 }
    const heard = [...played, ...(seed % 5 < 4 ? [extra] : [])]
      .map(({ ms, slot, velocity }) => ({ ms: ms + late, slot, velocity }))
      .sort((x, y) => x.ms - y.ms)
    const { pairs } = pairStrokes(line, heard, known)
    meant += played.length
    all += pairs.length
    right += pairs.filter((pair) => heard[pair.heard]?.slot === line[pair.expected]?.slot).length
  }
  console.log(
    `  ${name.padEnd(44)}${percent(right / all)} of ${all} pairs, ${percent(right / meant).trim()} of what was played`,
  )
}

console.log('\nWhat pairing a round costs, 10 ms of spread, 5 % missed, no limbs:')
for (const bars of [1, 4, 16, 64]) {
  const line = Array.from({ length: bars * 16 }, (_, slot) => {
    return { ms: slot * 150, limb: 'RH' as const, slot, velocity: 80 }
  })
  const heard = playedWith(line, { ...EVEN, spreadMs: 10, missed: 0.05 }, bars).map(
    ({ ms, velocity }) => ({ ms: ms + 20, velocity }),
  )
  const begun = performance.now()
  for (let i = 0; i < 5; i += 1) pairStrokes(line, heard, 0)
  console.log(
    `  ${String(bars).padStart(3)} bars of sixteenths: ${((performance.now() - begun) / 5).toFixed(1)} ms`,
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
