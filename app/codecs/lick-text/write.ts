import { DEFAULT_FRAME, type Hairpin, type Lick, type NamedPart, type Ostinato } from '~/core/line'
import { formatLine, formatSlot } from '~/core/notation'
import {
  type Grid,
  gridName,
  isStraight,
  meterName,
  placeName,
  type Swing,
  sameGrid,
} from '~/core/time'
import { type Key, layerKey } from './rows'
import { normalTitle, splitTags } from './title'
import { FORMAT_VERSION_NAME } from './version'

/**
 * The canonical text of a lick: keys in one order, defaults left out but for metre, tempo, grid
 * and start. `parseLickText` reads it back as an equal lick.
 */
export function formatLickText(lick: Lick): string {
  return `${formatRows(lick)
    .map(([key, value]) => `${key}: ${value}`.trimEnd())
    .join('\n')}\n`
}

/**
 * The values of every key in the canonical text of a lick but of its line, which of a long lick is most of the
 * work; none of what is left out.
 *
 * @example headerValues(lick).get('meter') is ['4/4']
 */
export function headerValues(lick: Lick): ReadonlyMap<string, readonly string[]> {
  const values = new Map<string, string[]>()
  for (const [key, value] of formatRows(lick, false))
    values.set(key, [...(values.get(key) ?? []), value])
  return values
}

function formatRows(lick: Lick, withLine = true): (readonly [key: Key | string, value: string])[] {
  const { frame } = lick
  const { landing, swing } = frame
  const title = normalTitle(lick.title)
  const tags = splitTags(lick.tags.join(','))
  const rows: (readonly [Key, string] | false)[] = [
    ['dime-lick', FORMAT_VERSION_NAME],
    title !== '' && ['title', title],
    tags.length > 0 && ['tags', tags.join(', ')],
    ['meter', meterName(frame.meter)],
    ['tempo', String(frame.tempo)],
    frame.goal !== null && ['goal', String(frame.goal)],
    ['grid', gridName(frame.grid)],
    ['start', placeName(frame.start, frame.meter)],
    frame.stop !== null && ['stop', placeName(frame.stop, frame.meter)],
    frame.lead !== DEFAULT_FRAME.lead && ['lead', String(frame.lead)],
    frame.groove !== DEFAULT_FRAME.groove && ['groove', frame.groove],
    frame.bars !== null && ['bars', String(frame.bars)],
    (landing.kind !== 'crash' || landing.at === 'beat') && ['landing', formatLanding(landing)],
    !isStraight(swing) && ['swing', formatSwing(swing)],
    frame.grooveSwing !== null && ['groove swing', formatSwing(frame.grooveSwing)],
    ...frame.swells.map((swell) => ['swell', formatSwell(swell)] as const),
    lick.kit !== null && ['kit', lick.kit],
    lick.pickup.slots.length > 0 && ['pickup', formatLine(lick.pickup)],
    withLine && ['line', formatLine(lick.line)],
    ...lick.parts.map((part) => ['part', formatPart(part)] as const),
    ...lick.ostinatos.map((layer) => formatLayer(layer, frame.grid)),
  ]
  return [...rows.filter((row) => row !== false), ...lick.unknown]
}

/**
 * A landing as its key's value: `stop beat`, `(>L:c1K) choke`.
 *
 * @example formatLanding(lickOf('landing: stop\nline: R').frame.landing) // 'stop'
 */
export function formatLanding(landing: Lick['frame']['landing']): string {
  const words =
    landing.kind === 'strokes'
      ? [formatSlot(landing.slot), ...(landing.choke ? ['choke'] : [])]
      : [landing.kind]
  return [...words, ...(landing.at === 'beat' ? ['beat'] : [])].join(' ')
}

/**
 * A swing as its key's value: `60 1/16`, `50 lean 45`.
 *
 * @example formatSwing({ percent: 66, pairs: 8 }) // '66'
 */
export function formatSwing({ percent, pairs, lean }: Swing): string {
  const swing = pairs === 16 ? `${percent} 1/16` : String(percent)
  return lean === undefined ? swing : `${swing} lean ${lean}`
}

function formatSwell({ from, to, start, end }: Hairpin): string {
  return `${from}..${to} ${start}>${end}`
}

function formatPart({ from, to, name }: NamedPart): string {
  return `${from}..${to} ${name}`.trimEnd()
}

/** A layer's row: its key, and its value with its grid where that is not the text's: `@1/4 H`. */
export function formatLayer(layer: Ostinato, textGrid: Grid): readonly [key: Key, value: string] {
  const grid = sameGrid(layer.grid, textGrid) ? '' : `@${gridName(layer.grid)} `
  return [layerKey(layer.scope), `${grid}${formatLine(layer.line)}`]
}
