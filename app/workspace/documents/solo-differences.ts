import { parseSolo } from '~/codecs/solo'
import type { Solo } from '~/core/solo'
import { meterName } from '~/core/time'
import type { SoloRecord } from '~/storage'
import { partName } from '~/words/solo-words'

/** In what a solo differs from another, each a line as `Tempo: 96 in the other, 100 in yours`. */
export function soloDifferences(theirs: SoloRecord, mine: SoloRecord): string[] {
  const [a, b] = [parseSolo(theirs.solo), parseSolo(mine.solo)]
  if (!a.ok || !b.ok) return []
  const fields = [
    ['Title', a.value.title, b.value.title],
    ['Tags', a.value.tags.join(', ') || 'none', b.value.tags.join(', ') || 'none'],
    ['Metre', meterName(a.value.meter), meterName(b.value.meter)],
    ['Tempo', String(a.value.tempo), String(b.value.tempo)],
    ['Goal', String(a.value.goal ?? 'none'), String(b.value.goal ?? 'none')],
    ['Parts', String(a.value.parts.length), String(b.value.parts.length)],
  ] as const
  const lines = fields.flatMap(([name, was, is]) =>
    was === is ? [] : [`${name}: ${was} in the other, ${is} in yours`],
  )
  const text = (part: unknown) => JSON.stringify(part)
  const changed = b.value.parts.filter((part) => {
    const other = a.value.parts.find(({ id }) => id === part.id)
    return !other || text(other) !== text(part)
  })
  if (changed.length > 0)
    lines.push(`Parts that differ: ${changed.map((part) => partName(part)).join(', ')}`)
  const order = ({ parts }: Solo) => parts.map(({ id }) => id).join(' ')
  if (changed.length === 0 && a.value.parts.length === b.value.parts.length)
    if (order(a.value) !== order(b.value)) lines.push('The order of the parts')
  if (text(a.value.wish) !== text(b.value.wish)) lines.push('What is wanted of the bars')
  return lines
}
