/** One bar of time-keeping in the line's own notation, on a grid. */
export interface GrooveBar {
  readonly grid: string
  readonly line: string
}

/** A groove: its bar for each metre it was made for, and the surface that keeps time elsewhere. */
export interface Groove {
  readonly id: string
  readonly name: string
  readonly bars: Readonly<Record<string, GrooveBar>>
  readonly keeper: 'hh' | 'rd' | 'f1' | 'sn'
  /** A groove of the player's own: its bar is played whatever the beat grouping of its metre is. */
  readonly own?: boolean
  /** A groove that only the text of its lick carries. */
  readonly carried?: boolean
}

/** Grooves of this app's own making. The first is what a lick without a word about it gets. */
export const GROOVES: readonly Groove[] = [
  {
    id: 'eighths',
    name: 'Eighths',
    keeper: 'hh',
    bars: {
      '4/4': { grid: '1/8', line: '(R:hhK)R:hh(R:hhL)R:hh*2' },
      '3/4': { grid: '1/8', line: '(R:hhK)R:hh R:hhR:hh (R:hhL)R:hh' },
      '2/4': { grid: '1/8', line: '(R:hhK)R:hh (R:hhL)R:hh' },
      '5/4': { grid: '1/8', line: '(R:hhK)R:hh R:hhR:hh (R:hhL)R:hh (R:hhK)R:hh (R:hhL)R:hh' },
      '6/8': { grid: '1/8', line: '(R:hhK)R:hhR:hh (R:hhL)R:hhR:hh' },
      '9/8': { grid: '1/8', line: '(R:hhK)R:hhR:hh (R:hhL)R:hhR:hh (R:hhK)R:hhR:hh' },
      '12/8': { grid: '1/8', line: '[(R:hhK)R:hhR:hh (R:hhL)R:hhR:hh]*2' },
      '7/8': { grid: '1/8', line: '(R:hhK)R:hh (R:hhL)R:hh (R:hhK)R:hhR:hh' },
      '5/8': { grid: '1/8', line: '(R:hhK)R:hh (R:hhL)R:hhR:hh' },
    },
  },
  {
    id: 'half-time',
    name: 'Half time',
    keeper: 'hh',
    bars: {
      '4/4': { grid: '1/8', line: '(R:hhK)R:hh R:hh(R:hhK) (R:hhL)R:hh R:hhR:hh' },
      '12/8': { grid: '1/8', line: '(R:hhK)R:hhR:hh R:hhR:hh(R:hhK) (R:hhL)R:hhR:hh R:hhR:hhR:hh' },
    },
  },
  {
    id: 'sixteenths',
    name: 'Hand-to-hand sixteenths',
    keeper: 'hh',
    bars: {
      '4/4': {
        grid: '1/16',
        line: '(R:hhK)l:hhR:hhl:hh Rl:hhR:hhl:hh (R:hhK)l:hh(R:hhK)l:hh Rl:hhR:hhl:hh',
      },
      '2/4': { grid: '1/16', line: '(R:hhK)l:hhR:hhl:hh Rl:hhR:hhl:hh' },
      '3/4': { grid: '1/16', line: '(R:hhK)l:hhR:hhl:hh R:hhl:hh(R:hhK)l:hh Rl:hhR:hhl:hh' },
    },
  },
  {
    id: 'ride-walk',
    name: 'Ride quarters, foot on 2 and 4',
    keeper: 'rd',
    bars: {
      '4/4': { grid: '1/8', line: '(R:rdK)- (R:rdLH)- R:rdK (R:rdLH)-' },
      '3/4': { grid: '1/8', line: '(R:rdK)- (R:rdH)- (R:rdLH)-' },
      '2/4': { grid: '1/8', line: '(R:rdK)- (R:rdLH)-' },
    },
  },
  {
    id: 'shuffle',
    name: 'Shuffle',
    keeper: 'hh',
    bars: {
      '4/4': { grid: '1/8t', line: '[(R:hhK)-r:hh (R:hhL)-r:hh]*2' },
      '3/4': { grid: '1/8t', line: '(R:hhK)-r:hh R:hh-r:hh (R:hhL)-r:hh' },
      '2/4': { grid: '1/8t', line: '(R:hhK)-r:hh (R:hhL)-r:hh' },
    },
  },
  {
    id: 'wagon',
    name: 'Wagon wheels on the snare',
    keeper: 'sn',
    bars: {
      '4/4': { grid: '1/16', line: '(rK)l>Rl (rH)l>Rl (rK)l>Rl (rH)>L>Rl' },
      '2/4': { grid: '1/16', line: '(rK)l>Rl (rH)l>Rl' },
    },
  },
  {
    id: 'low-drums',
    name: 'Floor tom pulse',
    keeper: 'f1',
    bars: {
      '4/4': { grid: '1/8', line: '(R:f1K)r:f1 (R:f1L)r:f1 R:f1(r:f1K) (R:f1L)r:f1' },
      '6/8': { grid: '1/8', line: '(R:f1K)r:f1r:f1 (R:f1L)r:f1r:f1' },
      '7/8': { grid: '1/8', line: '(R:f1K)r:f1 (R:f1L)r:f1 (R:f1K)r:f1r:f1' },
    },
  },
]
