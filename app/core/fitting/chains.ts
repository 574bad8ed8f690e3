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
  /** The fewest times the length that can be made, up to `MOST_SPACES`; null where none can. */
  readonly spaces: number | null
}

const MOST_SPACES = 8
const LISTED = 64

/**
 * How many orders of parts make exactly a length. Parts are added one kind at a time: n more of a
 * kind among c in all can lie in C(c, n) places.
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

/** The chains for a length. Sizes must differ and be whole, from 1. */
export function chainsOf(length: number, parts: readonly Part[], listed = LISTED): Chains {
  const sizes = parts.map(({ size }) => size)
  if (new Set(sizes).size !== sizes.length || sizes.some((size) => !(size >= 1 && size % 1 === 0)))
    throw new RangeError(`sizes ${sizes.join(' ')}: must be whole, from 1, each once`)
  const longest = Math.max(0, ...sizes)
  const counts = lengthCounts(length + longest * 2 + 1, parts)
  const count = counts[length] ?? 0n
  const made = (at: number) => at > 0 && (counts[at] ?? 0n) > 0n
  let under: number | null = null
  for (let at = length - 1; at > 0 && under === null; at -= 1) if (made(at)) under = at
  let over: number | null = null
  for (let at = length + 1; at < counts.length && over === null; at += 1) if (made(at)) over = at
  let spaces: number | null = null
  for (let n = 1; n <= MOST_SPACES && spaces === null && length > 0; n += 1) {
    if (countChains(length * n, parts) > 0n) spaces = n
  }
  return { count, orders: count > 0n ? listChains(length, parts, listed) : [], under, over, spaces }
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
