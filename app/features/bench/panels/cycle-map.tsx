import { useMemo } from 'react'
import type { CycleMark } from '~/core/fitting'
import { frameTicks, type Lick } from '~/core/line'
import { hasAccent } from '~/core/sticking'
import { type CountingSystem, countSyllable, type Ticks } from '~/core/time'
import { type Ruler, type RulerRow, toRuler, xOf } from '~/drawing/ruler/layout'
import { Count, StackColumn } from '~/drawing/ruler/row-marks'
import { type RowView, type Scene, slotsBetween, toRowView, toScene } from '~/drawing/ruler/view'

interface CycleMapProps {
  /** The line as it runs on over the barlines. */
  readonly lick: Lick
  /** Every first note and accent until the phrase meets the barline. */
  readonly marks: readonly CycleMark[]
  readonly width: number
  readonly counting: CountingSystem
}

const COUNT_BASELINE = 18
const FLOOR = 74
const HEIGHT = 86
const PITCH = 5

/**
 * A phrase over and over on the ruler of its own line: every bar with its beats, every time through
 * as a stack on the count of its first note, and every accent on its count.
 */
export function CycleMap({ lick, marks, width, counting }: CycleMapProps) {
  const ruler = useMemo(() => toRuler(lick, width), [lick, width])
  const scene = useMemo(() => toScene(lick, counting), [lick, counting])
  const { bar } = frameTicks(lick.frame)
  const told = useMemo(
    () => new Set(marks.map((mark) => (mark.bar - 1) * bar + mark.tick)),
    [marks, bar],
  )
  return (
    <div className="flex flex-col gap-2" role="img" aria-label={mapWords(lick, marks, counting)}>
      {ruler.rows.map((row) => (
        <MapRow key={row.index} scene={scene} ruler={ruler} row={row} told={told} bar={bar} />
      ))}
    </div>
  )
}

interface MapRowProps {
  readonly scene: Scene
  readonly ruler: Ruler
  readonly row: RulerRow
  /** The ticks that the map tells the count of. */
  readonly told: ReadonlySet<Ticks>
  readonly bar: Ticks
}

function MapRow({ scene, ruler, row, told, bar }: MapRowProps) {
  const view = toRowView(scene, ruler, row)
  const xs = new Set(
    slotsBetween(scene.slots, row.from, row.to)
      .filter(({ tick }) => told.has(tick))
      .map(({ tick }) => xOf(ruler, row, tick)),
  )
  return (
    <svg width={row.width} height={HEIGHT} aria-hidden="true" fill="currentColor">
      <path
        d={view.beatLines.map((x) => `M${x} 6V${HEIGHT - 6}`).join('')}
        stroke="var(--color-base-300)"
      />
      {row.segments
        .filter(({ kind }) => kind === 'bar')
        .map(({ from, x, opensBar }) => (
          <g key={from}>
            {opensBar && (
              <>
                <path d={`M${x + 0.5} 2V${HEIGHT - 2}`} stroke="currentColor" strokeWidth="1.4" />
                <text x={x - 4} y="11" fontSize="11" textAnchor="end" fill="var(--quiet)">
                  {from / bar + 1}
                </text>
              </>
            )}
          </g>
        ))}
      {view.counts
        .filter(({ x, part }) => part === 'line' && xs.has(x))
        .map((count) => (
          <Count key={count.x} count={count} />
        ))}
      {view.stacks.map((stack) => (
        <StackColumn
          key={stack.group}
          stack={stack}
          bottom={FLOOR}
          pitch={PITCH}
          slotWidth={ruler.slotWidth}
        />
      ))}
      <Accents view={view} />
    </svg>
  )
}

function Accents({ view }: { view: RowView }) {
  const points = view.letters.filter(({ content }) => hasAccent(content))
  return (
    <path
      d={points.map(({ x }) => `M${x - 4} ${COUNT_BASELINE + 4}l8 3l-8 3`).join('')}
      fill="none"
      stroke="currentColor"
      strokeWidth="1.4"
    />
  )
}

const SPOKEN = 24

/** The map in words, for those who do not see it. */
function mapWords({ frame }: Lick, marks: readonly CycleMark[], counting: CountingSystem): string {
  const places = marks
    .filter(({ first }) => first)
    .slice(0, SPOKEN)
    .map(({ bar, tick, grid }) => `bar ${bar}, ${countSyllable(tick, grid, frame.meter, counting)}`)
  return `First notes: ${places.join('; ')}`
}
