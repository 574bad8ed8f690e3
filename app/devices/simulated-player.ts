import { EVEN, type Habits } from '~/core/listening'

/** Drummers who play along where nobody is at the kit: each with a habit that can be heard. */
export const SIMULATED_PLAYERS: readonly { readonly name: string; readonly habits: Habits }[] = [
  { name: 'even', habits: { ...EVEN, spreadMs: 6 } },
  { name: 'left hand late', habits: { ...EVEN, spreadMs: 6, delayMs: { LH: 14 } } },
  { name: 'kick late', habits: { ...EVEN, spreadMs: 6, delayMs: { RF: 14 } } },
  { name: 'galloping', habits: { ...EVEN, spreadMs: 6, gallop: 1.15 } },
  { name: 'leaving strokes out', habits: { ...EVEN, spreadMs: 10, missed: 0.1, added: 0.05 } },
]
