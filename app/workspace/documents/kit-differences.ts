import { parseKit } from '~/codecs/kit'
import type { Kit, Piece } from '~/core/kit'
import { SURFACE_NAMES } from '~/core/sticking'
import type { KitRecord } from '~/storage'

/** In what a kit differs from another, each a line as `tom 1: x 30 cm in the other, 34 cm in yours`. */
export function kitDifferences(theirs: KitRecord, mine: KitRecord): string[] {
  const [a, b] = [parseKit(theirs.kit), parseKit(mine.kit)]
  if (!a.ok || !b.ok) return []
  const lines: string[] = []
  if (a.value.name !== b.value.name)
    lines.push(`Name: ${a.value.name} in the other, ${b.value.name} in yours`)
  if (a.value.crash !== b.value.crash)
    lines.push(`Crash: ${crashWords(a.value)} in the other, ${crashWords(b.value)} in yours`)
  const surfaces = new Set([...a.value.pieces, ...b.value.pieces].map(({ surface }) => surface))
  for (const surface of surfaces) {
    const [was, is] = [a.value, b.value].map(({ pieces }) =>
      pieces.find((piece) => piece.surface === surface),
    )
    const name = SURFACE_NAMES[surface]
    if (!was || !is) lines.push(`${name}: only in ${was ? 'the other' : 'yours'}`)
    else if (pieceWords(was) !== pieceWords(is))
      lines.push(`${name}: ${pieceWords(was)} in the other, ${pieceWords(is)} in yours`)
  }
  return lines
}

function crashWords({ crash }: Kit): string {
  return crash ? SURFACE_NAMES[crash] : 'the nearest'
}

/** `30, 62 cm; 70 high, 36 across, sounds as snare, note 38` */
function pieceWords({ x, y, height, diameter, sound, midi, staff }: Piece): string {
  const more = [
    sound && `sounds as ${SURFACE_NAMES[sound]}`,
    midi !== undefined && `note ${midi}`,
    staff && `staff ${Object.values(staff).join(' ')}`,
  ].filter(Boolean)
  return [`${x}, ${y} cm; ${height} high, ${diameter} across`, ...more].join(', ')
}
