import { gcd } from '../foundation'

/** A cell's length in slots, and how often it must and may be used. */
export interface Part {
  readonly size: number
  readonly least?: number
  readonly most?: number
}

/** Every exact order of parts for a length, or, where there is none, what comes nearest. */
export interface Chains {
  /** How many orders there are, exactly. */
  readonly count: bigint
  /** The first of them, sizes in order, by the order of the parts. */
  readonly orders: readonly (readonly number[])[]
  /** The nearest lengths that can be made; null where nothing can. */
  readonly under: number | null
  readonly over: number | null
  /** The fewest times the length that can be made, however many; null where no number works. */
  readonly spaces: number | null
  /** The orders for so many times the length; null where they are too long to be counted. */
  readonly spacesCount: bigint | null
}

const LISTED = 64
/** Orders are counted up to this length. */
const LONGEST_COUNTED = 1024

/**
 * How many orders of parts make exactly a length. Parts are added one kind at a time: n more of a
 * kind among c in all can lie in C(c, n) places.
 *
 * @example countChains(8, [{ size: 3, kinds: 1 }, { size: 5, kinds: 1 }]) // 2n
 */
export function countChains(length: number, parts: readonly Part[]): bigint {
  return lengthCounts(length, parts)[length] ?? 0n
}

/** The orders for every length up to one. */
function lengthCounts(length: number, parts: readonly Part[]): bigint[] {
  let table = new Map<string, bigint>([['0 0', 1n]])
  for (const { size, least = 0, most = Number.POSITIVE_INFINITY } of parts) {
    const next = new Map<string, bigint>()
    for (const [key, ways] of table) {
      const [used, count] = key.split(' ').map(Number) as [number, number]
      let places = 1n
      for (let n = 0; n <= most && used + n * size <= length; n += 1) {
        if (n > 0) places = (places * BigInt(count + n)) / BigInt(n)
        if (n < least) continue
        const reached = `${used + n * size} ${count + n}`
        next.set(reached, (next.get(reached) ?? 0n) + ways * places)
      }
    }
    table = next
  }
  const counts = Array.from({ length: length + 1 }, () => 0n)
  for (const [key, ways] of table) {
    const used = Number(key.split(' ')[0])
    counts[used] = (counts[used] ?? 0n) + ways
  }
  return counts
}

/**
 * The chains for a length. Sizes must differ and be whole, from 1.
 * Example: 16 from 5 and 7 has none, nearest are 15 and 17, and twice 16 has 6 orders.
 */
export function chainsOf(length: number, parts: readonly Part[], listed = LISTED): Chains {
  const sizes = parts.map(({ size }) => size)
  if (new Set(sizes).size !== sizes.length || sizes.some((size) => !(size >= 1 && size % 1 === 0)))
    throw new RangeError(`sizes ${sizes.join(' ')}: must be whole, from 1, each once`)
  const count = countChains(length, parts)
  if (count > 0n) {
    const orders = listChains(length, parts, listed)
    return { count, orders, under: null, over: null, spaces: 1, spacesCount: count }
  }
  const made = madeLengths(length, parts)
  const under = made.lastIndexOf(1, length - 1)
  const over = made.indexOf(1, length + 1)
  let spaces: number | null = null
  for (let n = 2; length > 0 && n * length < made.length && spaces === null; n += 1) {
    if (made[n * length] === 1) spaces = n
  }
  const whole = (spaces ?? 0) * length
  return {
    count,
    orders: [],
    under: under > 0 ? under : null,
    over: over > 0 ? over : null,
    spaces,
    spacesCount: spaces !== null && whole <= LONGEST_COUNTED ? countChains(whole, parts) : null,
  }
}

/**
 * Which lengths can be made at all, from 0 on, as far as tells every multiple of a length: beyond the
 * square of the largest size, lengths that can be made come round with the sizes' common divisor.
 */
function madeLengths(length: number, parts: readonly Part[]): Uint8Array {
  const least = parts.reduce((sum, { size, least: n = 0 }) => sum + n * size, 0)
  const limited = parts.reduce(
    (sum, { size, least: n = 0, most }) => sum + (most === undefined ? 0 : (most - n) * size),
    0,
  )
  const free = parts.filter(({ most }) => most === undefined).map(({ size }) => size)
  const shared = free.reduce(gcd, 0)
  const beyond = free.length > 0 ? Math.max(...free) ** 2 + length * (shared + 1) : 0
  const made = new Uint8Array(least + limited + beyond + length + 1)
  made[least] = 1
  for (const { size, least: n = 0, most = Number.POSITIVE_INFINITY } of parts) {
    // How many more of this size the length at each place has taken.
    const taken = new Uint32Array(made.length)
    for (let at = size; at < made.length; at += 1) {
      const before = taken[at - size] as number
      if (made[at] === 1 || made[at - size] !== 1 || before >= most - n) continue
      made[at] = 1
      taken[at] = before + 1
    }
  }
  return made
}

/** The first orders, depth first by the order of the parts; dead ends are known from a table. */
function listChains(length: number, parts: readonly Part[], listed: number): number[][] {
  const found: number[][] = []
  const dead = new Set<string>()
  const walk = (left: number, used: number[], order: number[]): boolean => {
    if (found.length >= listed) return true
    if (left === 0) {
      if (parts.some(({ least = 0 }, i) => (used[i] as number) < least)) return false
      found.push(order)
      return true
    }
    const key = `${left} ${used.join(' ')}`
    if (dead.has(key)) return false
    let alive = false
    for (const [i, { size, most = Number.POSITIVE_INFINITY }] of parts.entries()) {
      if (size > left || (used[i] as number) >= most) continue
      const counted = used.map((n, at) => (at === i ? n + 1 : n))
      if (walk(left - size, counted, [...order, size])) alive = true
    }
    if (!alive) dead.add(key)
    return alive
  }
  walk(
    length,
    parts.map(() => 0),
    [],
  )
  return found
}
