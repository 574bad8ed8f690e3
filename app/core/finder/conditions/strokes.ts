import { hasAccent, type Letter, type Limb, type SlotContent, strokeLimb } from '../../sticking'
import type { Ticks } from '../../time'
import { canBeAccented } from '../accents'
import type { AccentWish, Free, Space } from '../question'
import { limbsOf, onsetsOf, overSlots, type Watcher } from '../watcher'

/** Whether a letter is a kick, by either foot. */
export const isKick = (letter: Letter) => letter === 'K' || letter === 'J'

/** Letters of the first onsets, each among what is struck there. */
export function watchStart(letters: readonly Letter[], space: Space): Watcher {
  return overSlots<number>(
    {
      of: 'starts',
      start: 0,
      key: String,
      step: (known, content, ticks) => {
        let at = known
        for (const { strokes } of onsetsOf(content, ticks)) {
          if (at === letters.length) break
          if (!strokes.some(({ letter }) => letter === letters[at])) return null
          at += 1
        }
        return at
      },
      ends: (at) => at === letters.length,
    },
    space,
  )
}

/** Letters of the last onsets, each among what is struck there. */
export function watchEnd(letters: readonly Letter[], space: Space): Watcher {
  // For each so many of the letters, from the first on, whether the last onsets are those.
  return overSlots<readonly boolean[]>(
    {
      of: 'ends',
      start: [true, ...letters.map(() => false)],
      key: (known) => known.map(Number).join(''),
      step: (known, content, ticks) => {
        let reached = known
        for (const { strokes } of onsetsOf(content, ticks)) {
          const before = reached
          reached = [
            true,
            ...letters.map(
              (wanted, i) => before[i] === true && strokes.some(({ letter }) => letter === wanted),
            ),
          ]
        }
        return reached
      },
      ends: (known) => known[letters.length] === true,
    },
    space,
  )
}

/** The limb that lands has not struck last, and since its last stroke has had the time of its way. */
export function watchFree({ letter, tempo, wayMs }: Free, space: Space): Watcher {
  // ms = ticks / beat * 60000 / tempo
  const enough = Math.ceil((wayMs * tempo * space.beat) / 60_000 - 1e-9)
  interface Known {
    /** Ticks since the limb's last stroke, no more than matter. */
    readonly since: Ticks
    readonly last: boolean
  }
  return overSlots<Known>(
    {
      of: 'free',
      start: { since: enough, last: false },
      key: ({ since, last }) => `${since} ${last}`,
      step: (known, content, ticks) => {
        let { since, last } = known
        let at = 0
        for (const { tick, strokes } of onsetsOf(content, ticks)) {
          since += tick - at
          at = tick
          last = strokes.some((one) => one.letter === letter)
          if (last) since = 0
        }
        return { since: Math.min(enough, since + ticks - at), last }
      },
      ends: ({ since, last }) => !last && since >= enough,
    },
    space,
  )
}

/** No limb strikes more often in a row on neighbouring onsets. */
export function watchRuns(most: number, space: Space): Watcher {
  // Of the limbs that struck at the last onset, how often in a row.
  return overSlots<ReadonlyMap<Limb, number>>(
    {
      of: 'runs',
      start: new Map(),
      key: (runs) => [...runs].sort().join(' '),
      step: (known, content, ticks) => {
        let runs = known
        for (const { strokes } of onsetsOf(content, ticks)) {
          const next = new Map<Limb, number>()
          for (const stroke of strokes) {
            const limb = strokeLimb(stroke)
            // A hand that is not decided may be either.
            if (limb === 'XH') continue
            const length = (runs.get(limb) ?? 0) + 1
            if (length > most) return null
            next.set(limb, length)
          }
          runs = next
        }
        return runs
      },
    },
    space,
  )
}

/** So many kicks. */
export function watchKicks(least: number, most: number, space: Space): Watcher {
  return overSlots<number>(
    {
      of: 'kicks',
      start: 0,
      key: String,
      step: (known, content, ticks) => {
        const count = known + kicksIn(content, ticks)
        return count > most ? null : count
      },
      ends: (count) => count >= least,
    },
    space,
  )
}

/** No two neighbouring onsets with a kick. */
export function watchKicksApart(space: Space): Watcher {
  return overSlots<boolean>(
    {
      of: 'kicksApart',
      start: false,
      key: String,
      step: (known, content, ticks) => {
        let last = known
        for (const { strokes } of onsetsOf(content, ticks)) {
          const kick = strokes.some(({ letter }) => isKick(letter))
          if (kick && last) return null
          last = kick
        }
        return last
      },
    },
    space,
  )
}

/** Slots judged by what is in them and where they stand, whatever came before. */
function watchPlaces(
  of: Watcher['of'],
  space: Space,
  fine: (content: SlotContent, at: number, ticks: Ticks) => boolean,
  placed = true,
): Watcher {
  return overSlots<0>(
    {
      of,
      start: 0,
      key: String,
      placed,
      step: (known, content, ticks, at) => (fine(content, at, ticks) ? known : null),
    },
    space,
  )
}

/** Slots that have an accent, and slots that have none; where accents are put, slots that a hand strikes. */
export function watchAccents({ must, not, put = false }: AccentWish, space: Space): Watcher {
  const [wanted, refused] = [new Set(must), new Set(not)]
  const beyond = isBeyond(must, space)
  return watchPlaces('accents', space, (content, at) => {
    if (beyond) return false
    if (put) return !wanted.has(at) || (!refused.has(at) && canBeAccented(content))
    if (wanted.has(at)) return !refused.has(at) && hasAccent(content)
    return !refused.has(at) || !hasAccent(content)
  })
}

/** Slots that have a kick. */
export function watchKicksOn(slots: readonly number[], space: Space): Watcher {
  const wanted = new Set(slots)
  const beyond = isBeyond(slots, space)
  return watchPlaces(
    'kicksOn',
    space,
    (content, at, ticks) => !beyond && (!wanted.has(at) || kicksIn(content, ticks) > 0),
  )
}

/** One limb strikes where these slots begin. */
export function watchBackbeat(letter: Letter, slots: readonly number[], space: Space): Watcher {
  const wanted = new Set(slots)
  const beyond = isBeyond(slots, space)
  return watchPlaces('backbeat', space, (content, at, ticks) => {
    const [first] = onsetsOf(content, ticks)
    const strikes = first?.tick === 0 && first.strokes.some((one) => one.letter === letter)
    return !beyond && (!wanted.has(at) || strikes)
  })
}

/** In so many slots other limbs strike than in a line that is as long as the space. */
export function watchFresh(least: number, line: readonly SlotContent[], space: Space): Watcher {
  const limbs = line.map(limbsOf)
  return overSlots<number>(
    {
      of: 'fresh',
      start: 0,
      key: String,
      placed: true,
      remembers: true,
      step: (known, content, _ticks, at) =>
        Math.min(least, known + (limbs[at] === limbsOf(content) ? 0 : 1)),
      ends: (known) => known >= least,
    },
    space,
  )
}

/** One stroke at a time and no graces, with the layers too where that is asked. */
export function watchLinear(withLayers: boolean, space: Space): Watcher {
  const struck = new Set(space.layers.map(({ tick }) => tick))
  const begins = beginsOf(space)
  return watchPlaces(
    'linear',
    space,
    (content, at, ticks) =>
      onsetsOf(content, ticks).every(
        ({ tick, strokes }) =>
          strokes.length === 1 &&
          strokes[0]?.graces === 0 &&
          !(withLayers && struck.has((begins[at] as number) + tick)),
      ),
    withLayers,
  )
}

/** No limb that a layer needs at the same instant. */
export function watchClear(space: Space): Watcher {
  const taken = new Set(space.layers.map(({ tick, limb }) => `${tick} ${limb}`))
  const begins = beginsOf(space)
  return watchPlaces('clear', space, (content, at, ticks) =>
    onsetsOf(content, ticks).every(({ tick, strokes }) =>
      strokes.every(
        (stroke) => !taken.has(`${(begins[at] as number) + tick} ${strokeLimb(stroke)}`),
      ),
    ),
  )
}

/** Whether a slot is wanted that the space does not have: nothing can stand there. */
function isBeyond(wanted: readonly number[], { slots }: Space): boolean {
  return wanted.some((slot) => slot >= slots.length)
}

function kicksIn(content: SlotContent, ticks: Ticks): number {
  return onsetsOf(content, ticks).reduce(
    (sum, { strokes }) => sum + strokes.filter(({ letter }) => isKick(letter)).length,
    0,
  )
}

/** The tick of each slot's beginning. */
export function beginsOf({ start, slots }: Space): Ticks[] {
  let tick = start
  return slots.map((ticks) => {
    const begins = tick
    tick += ticks
    return begins
  })
}
