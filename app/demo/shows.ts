import { parseLickText } from '~/codecs/lick-text'
import { formatSolo } from '~/codecs/solo'
import { ideaParts, type Solo, type SoloPart } from '~/core/solo'
import { toMeter } from '~/core/time'
import type { SetRecord, SoloRecord } from '~/storage'
import { DEMO_LICKS } from './licks'

const FOUR = toMeter(4, 4)

/** A lick of the circus as a part of a solo. */
function lickPart(lickId: string, rest: Partial<SoloPart & { kind: 'lick' }> = {}): SoloPart[] {
  const found = DEMO_LICKS.find(({ id }) => id === lickId)
  const read = found && parseLickText(found.text)
  if (!read?.ok) return []
  const { lick } = read.value
  const part = { kind: 'lick', name: '', otherHand: false, end: 'auto', times: 1 } as const
  return [{ ...part, id: lickId, lickId, lick, ...rest }]
}

function groove(id: string, bars: number): SoloPart {
  return { kind: 'groove', id, name: '', groove: 'eighths', meter: FOUR, bars }
}

/** The solo before the second half: one five, and the acrobats' licks; its first joins want mending. */
function secondHalf(): Solo {
  const read = parseLickText('line: RLLRK')
  const cell = read.ok ? read.value.lick.line : { slots: [], groups: [], gridChanges: [] }
  const bars = { groove: 0, statement: 2, moved: 2, voiced: 4, run: 8, fast: 2, landed: 1 }
  const own = ideaParts({
    title: 'Five',
    cell,
    grid: { value: 16, tuplet: null },
    meter: FOUR,
    tempo: 92,
    groove: 'eighths',
    bars,
    seed: 5,
  })
  return {
    title: 'Before the Second Half',
    tags: ['show'],
    meter: FOUR,
    tempo: 92,
    goal: 104,
    parts: [
      groove('opening', 4),
      ...lickPart('demo-tightrope'),
      groove('between', 1),
      { kind: 'others', id: 'band', name: 'The band', groove: 'none', meter: FOUR, bars: 4 },
      ...lickPart('demo-parade', { end: 'land' }),
      ...own.map((part) => (part.id === 'run' ? { ...part, end: 'land' as const } : part)),
      groove('last', 1),
      ...lickPart('demo-fire-ring'),
    ],
    wish: [],
  }
}

/** The circus's solo, as it is stored. */
export function demoSolos(now: number): SoloRecord[] {
  const solo = secondHalf()
  return [
    {
      id: 'demo-second-half',
      version: 1,
      createdAt: now,
      name: solo.title,
      solo: formatSolo(solo),
    },
  ]
}

/** What is played before the doors open. */
export function demoSets(now: number): SetRecord[] {
  const ids = ['parade', 'tightrope', 'clown-walk', 'trapeze-catch', 'fire-ring']
  return [
    {
      id: 'demo-doors',
      version: 1,
      createdAt: now,
      name: 'Before the doors open',
      note: 'With brushes if the horses are still in the ring.',
      minutes: 4,
      plan: { school: 'joined', ladder: 'percent', repeats: 4, climbs: true, steps: [] },
      exercises: ids.map((id) => ({ lickId: `demo-${id}`, minutes: null, plan: null })),
    },
  ]
}
