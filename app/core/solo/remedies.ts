import type { Lick } from '../line'
import type { PlayContext } from '../playability'
import { type Join, judgeSolo } from './joins'
import { toSections } from './sections'
import type { GroovePart, PartEnd, Solo, SoloPart } from './solo'

/** A way to mend a join: what is done, the parts after it, and how fast the join goes then. */
export interface JoinRemedy {
  readonly kind: 'other-hand' | 'straight-on' | 'land' | 'groove-between' | 'other-version'
  /** The name of the version, for `other-version`. */
  readonly name: string
  readonly parts: readonly SoloPart[]
  /** Up to which tempo the join can be played then; null for any. */
  readonly bpm: number | null
}

/** What a remedy may use. */
export interface RemedyStock {
  /** The groove of a bar between, and an id for that part. */
  readonly groove: string
  readonly id: string
  /** Other versions of the lick of a part, by name. */
  readonly versions: (part: SoloPart) => readonly { readonly name: string; readonly lick: Lick }[]
}

/**
 * The ways to mend a join between two parts, those that leave no fault at it, in the order in which they
 * change least: another landing, the other lead, another version, a bar of groove between. Law: judged
 * anew with the parts of a remedy, its join has no fault.
 */
export function remediesOf(
  solo: Solo,
  join: Pick<Join, 'section' | 'between'>,
  setting: PlayContext,
  stock: RemedyStock,
): JoinRemedy[] {
  const at = toSections(solo)[join.section]?.part
  if (at === undefined || at === 0 || join.between === 'times') return []
  const [before, after] = [solo.parts[at - 1], solo.parts[at]]
  if (!before || !after) return []
  const swap = (index: number, part: SoloPart) => solo.parts.with(index, part)
  const found: JoinRemedy[] = []
  const offer = (kind: JoinRemedy['kind'], parts: readonly SoloPart[], name = '') => {
    const bpm = limitThere(solo, parts, at, setting)
    if (bpm !== false) found.push({ kind, name, parts, bpm })
  }
  if (isStruck(before)) {
    const other = (['land', 'straight-on'] as const).filter((end) => end !== before.end)
    for (const end of other) offer(end, swap(at - 1, { ...before, end: end as PartEnd }))
  }
  for (const [index, part] of [
    [at, after],
    [at - 1, before],
  ] as const)
    if (isStruck(part)) offer('other-hand', swap(index, { ...part, otherHand: !part.otherHand }))
  for (const [index, part] of [
    [at, after],
    [at - 1, before],
  ] as const)
    if (isStruck(part))
      for (const { name, lick } of stock.versions(part))
        offer('other-version', swap(index, { ...part, lick }), name)
  const meter = isStruck(before) ? before.lick.frame.meter : before.meter
  const between: GroovePart = {
    kind: 'groove',
    id: stock.id,
    name: '',
    groove: stock.groove,
    meter,
    bars: 1,
  }
  offer('groove-between', solo.parts.toSpliced(at, 0, between))
  return found
}

function isStruck(part: SoloPart) {
  return part.kind === 'lick' || part.kind === 'run'
}

/**
 * Up to which tempo the joins that take the place of one go, null for any; false where one of them has a
 * fault, or where a join on either side has more than it had.
 */
function limitThere(
  solo: Solo,
  parts: readonly SoloPart[],
  at: number,
  setting: PlayContext,
): number | null | false {
  const first = Math.max(0, at - 2)
  const more = parts.length - solo.parts.length
  const read = (all: readonly SoloPart[], to: number) => {
    const here = { ...solo, parts: all.slice(first, to) }
    const { joins, sections } = judgeSolo(here, toSections(here), setting)
    return joins
      .filter(({ between }) => between === 'parts')
      .map((join) => ({ ...join, part: first + (sections[join.section]?.part ?? 0) }))
  }
  const [was, now] = [read(solo.parts, at + 2), read(parts, at + 2 + more)]
  const faultsBeside = (joins: typeof now, from: number, to: number) =>
    joins.reduce((sum, { part, faults }) => sum + (part < from || part > to ? faults.length : 0), 0)
  const met = now.filter(({ part }) => part >= at && part <= at + more)
  if (met.some(({ faults }) => faults.length > 0)) return false
  if (faultsBeside(now, at, at + more) > faultsBeside(was, at, at)) return false
  const limits = met.flatMap(({ slowest }) => (slowest ? [slowest.bpm] : []))
  return limits.length > 0 ? Math.min(...limits) : null
}
