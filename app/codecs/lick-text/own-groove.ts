import { type Groove, type OwnGroove, parseGrooveBar } from '~/core/groove'
import type { Lick } from '~/core/line'
import { findMeter } from '~/core/time'
import { normalTitle } from './title'

/** A groove of the player's own as a text carries it: one bar for one metre, in the line's notation. */
export type CarriedGroove = OwnGroove

const KEY = 'own-groove'
const OWN_ID = /^own-[\w-]{1,56}$/
const PARTS = 5

/**
 * A row that carries a groove along with the lick that names it: readers that do not know the key keep
 * it. Example: `own-groove: own-a1 | 4/4 | 1/8 | Slow | RLRLRLRL`. Law: read back it is the same.
 */
export function formatOwnGroove(groove: CarriedGroove): string {
  return toOwnGrooveRow(groove).join(': ')
}

/** The same row as an unknown one of a lick: its key and its value. */
export function toOwnGrooveRow(groove: CarriedGroove): readonly [key: string, value: string] {
  const { id, name, meter, grid, line } = groove
  const plain = normalTitle(name.replaceAll('|', '/'))
  return [KEY, [id, meter, grid, plain, line.replace(/\s+/g, ' ')].join(' | ')]
}

/** The grooves that the unknown rows of a lick carry; those that cannot be read are left out. */
export function findOwnGrooves(
  unknown: readonly (readonly [key: string, value: string])[],
): CarriedGroove[] {
  return unknown.flatMap(([key, value]) => {
    if (key !== KEY) return []
    const parts = value.split(' | ')
    const [id = '', meter = '', grid = '', name = ''] = parts
    const line = parts.slice(PARTS - 1).join(' | ')
    const known = findMeter(meter)
    const read = known && parseGrooveBar({ grid, line }, known)
    return OWN_ID.test(id) && name !== '' && read?.ok ? [{ id, name, meter, grid, line }] : []
  })
}

/**
 * A lick's text with the player's own groove that it names, if there is one, so that it sounds the same
 * elsewhere; the text as it is where it names none or carries it already.
 */
export function withOwnGroove(
  text: string,
  { frame, unknown }: Pick<Lick, 'frame' | 'unknown'>,
  grooves: readonly Groove[],
): string {
  const own = grooves.find(({ id }) => id === frame.groove)
  const [bar] = own ? Object.entries(own.bars) : []
  if (!own || !bar || findOwnGrooves(unknown).some(({ id }) => id === own.id)) return text
  const [meter, { grid, line }] = bar
  const row = formatOwnGroove({ id: own.id, name: own.name, meter, grid, line })
  return `${text.trimEnd()}\n${row}\n`
}
