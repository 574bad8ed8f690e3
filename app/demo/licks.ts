import type { Surface } from '~/core/sticking'
import type { VoicingRule } from '~/core/voicing'

/** The Lantern Circus: the licks of its pit drummer, one for each act. All of it is made up. */
export interface DemoLick {
  readonly id: string
  readonly text: string
  /** Rules that lay it on the kit, beside the voices written in it. */
  readonly rules?: readonly VoicingRule[]
}

const HEAD = 'dime-lick: 1\n'

const on = (
  hands: VoicingRule['hands'],
  action: VoicingRule['action'],
  which: VoicingRule['which'] = { kind: 'every' },
): VoicingRule => ({ hands, which, action, on: true })

const path = (surfaces: readonly Surface[], per: number | 'group'): VoicingRule['action'] => ({
  kind: 'path',
  surfaces,
  per,
  end: 'turn',
  turningStroke: false,
})

export const DEMO_LICKS: readonly DemoLick[] = [
  {
    id: 'demo-tightrope',
    text: `${HEAD}title: Tightrope
tags: trade, odd
meter: 4/4
tempo: 72
goal: 118
grid: 1/16
start: 2&
line: >R:t1llRl >R:f1lK >LK
under: @1/4 H
`,
  },
  {
    id: 'demo-teeterboard',
    text: `${HEAD}title: Teeterboard
tags: doubles, toms
meter: 4/4
tempo: 66
goal: 104
grid: 1/16t
start: 3
line: >R:t1L>R:t2LKK R:f1L:snK>R:snLK
`,
  },
  {
    id: 'demo-cannon-exit',
    text: `${HEAD}title: Cannon Exit
tags: finale, stop
meter: 4/4
tempo: 60
goal: 92
grid: 1/32
start: 3
landing: stop
line: [>RllKK]*2 >R:t1>L:t2KRLK
`,
  },
  {
    id: 'demo-trapeze-catch',
    text: `${HEAD}title: Trapeze Catch
tags: flams, triplets
meter: 4/4
tempo: 80
goal: 112
grid: 1/8t
start: 1
line: >fR:t1/snL- (>R:c1K)-L dR:f1lK (>R:t1>L:sn)KK
`,
  },
  {
    id: 'demo-clown-walk',
    text: `${HEAD}title: Clown Walk
tags: odd metre
meter: 7/8 2+2+3
tempo: 160
goal: 208
grid: 1/16
start: 1
lead: 2
line: RLRKK*2 RLRL
`,
    rules: [on('hands', path(['sn', 't1', 't2', 'f1'], 2))],
  },
  {
    id: 'demo-fire-ring',
    text: `${HEAD}title: Fire Ring
tags: squeezes, two grids
meter: 4/4
tempo: 70
goal: 96
grid: 1/16
start: 1e
line: {RL}RK {LR}LK R:t1R:t1L @1/16t RLRLKK RLR
`,
  },
  {
    id: 'demo-knife-wheel',
    text: `${HEAD}title: Knife Wheel
tags: chains, unfinished
meter: 4/4
tempo: 84
goal: 120
grid: 1/16
start: 1
bars: 2
line: [RLRRLLK RLLRK]*2 RLLRLRK
`,
    rules: [on('LH', { kind: 'put', surface: 'sn' }), on('RH', path(['t1', 't2', 'f1'], 'group'))],
  },
  {
    id: 'demo-long-ladder',
    text: `${HEAD}title: Long Ladder
tags: quintuplets
meter: 4/4
tempo: 76
goal: 100
grid: 1/16q
start: 3
line: >RllRK >LrrLK
under: @1/8 -H
`,
  },
  {
    id: 'demo-parade',
    text: `${HEAD}title: Parade
tags: six eight, opener
meter: 6/8
tempo: 70
goal: 96
grid: 1/16
start: 2
line: R:t1L:t1R:t2L:t2KK
under fill: @1/8 K--
`,
  },
  {
    id: 'demo-drum-roll-please',
    text: `${HEAD}title: Drum Roll, Please
tags: swell, snare
meter: 4/4
tempo: 88
goal: 132
grid: 1/32
start: 1
landing: stop
swell: 0..30 ghost>accent
line: RRLLRRLL*3 RRLLRR^R-
`,
  },
  {
    id: 'demo-elephant-waltz',
    text: `${HEAD}title: Elephant Waltz
tags: waltz, low drums
meter: 3/4
tempo: 96
goal: 126
grid: 1/16
start: 2
landing: groove
swing: 58 1/16
line: R:f1LLK R:f1LL(RK)
`,
  },
  {
    id: 'demo-five-rings',
    text: `${HEAD}title: Five Rings
tags: five four, long
meter: 5/4
tempo: 92
goal: 124
grid: 1/16
start: 3a
lead: 1
line: RLLRK RLRK
under: @1/4 H
`,
    rules: [on('RH', { kind: 'with-kick', surface: 'c1' }, { kind: 'first-of-group' })],
  },
]
