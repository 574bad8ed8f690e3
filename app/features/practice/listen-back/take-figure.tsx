import { type RefObject, useMemo } from 'react'
import type { Lick } from '~/core/line'
import { SlotLetters, STAGE_SIZES } from '~/drawing/ruler/slot-letters'
import { lateWords } from '~/words/heard-words'
import { marksOf, outlineOf, type Take } from '~/workspace/takes'

/** A second is so wide at least: where there is no room for all of it, it is scrolled. */
const SECOND = 300
const HEIGHT = 152
/** The baseline of the letters, and the middle of the sound. */
const LETTERS = 30
const MIDDLE = 100
const TALL = 46
/** So many units for each millisecond that a stroke is early or late, and no more in all. */
const PER_MS = 1
const FURTHEST = 44
const PARTS = 400

/** How wide a take is drawn, in pixels. */
export function widthOf({ samples, rate }: Take, room: number): number {
  return Math.max(room, (samples.length / rate) * SECOND)
}

/**
 * A take from left to right: how loud it was, where each stroke was meant, and where it was heard, early above the
 * line and late below it. `head` is the line that goes along.
 */
export function TakeFigure({
  take,
  lick,
  room,
  head,
}: {
  take: Take
  lick: Lick
  /** Pixels that there are for it. */
  room: number
  head: RefObject<SVGLineElement | null>
}) {
  const seconds = take.samples.length / take.rate
  const width = widthOf(take, room)
  const marks = useMemo(() => marksOf(take), [take])
  const outline = useMemo(() => outlineOf(take, PARTS), [take])
  const x = (at: number) => (at / seconds) * width
  const heard = marks.filter((mark) => mark.heard !== null)
  const shape = [
    ...outline.map((loud, i) => `${(i / PARTS) * width},${MIDDLE - loud * TALL}`),
    ...outline.map((loud, i) => `${(i / PARTS) * width},${MIDDLE + loud * TALL}`).reverse(),
  ]
  return (
    <svg
      viewBox={`0 0 ${width} ${HEIGHT}`}
      width={width}
      height={HEIGHT}
      className="block"
      role="img"
      aria-label={`${heard.length} of ${marks.length} strokes heard`}
    >
      <polygon points={shape.join(' ')} className="fill-base-300" />
      <line x1={0} x2={width} y1={MIDDLE} y2={MIDDLE} stroke="var(--quiet)" />
      {marks.map(({ slot, round, meant, heard: at, offsetMs }) => (
        <g key={`${round} ${slot} ${meant}`}>
          <line
            x1={x(meant)}
            x2={x(meant)}
            y1={MIDDLE - TALL}
            y2={MIDDLE + TALL}
            stroke="var(--quiet)"
            strokeDasharray="2 4"
          />
          <SlotLetters
            content={lick.line.slots[slot] ?? { kind: 'rest' }}
            x={x(meant)}
            y={LETTERS}
            width={24}
            sizes={STAGE_SIZES}
          />
          {at === null ? (
            <circle cx={x(meant)} cy={MIDDLE} r={7} fill="none" stroke="currentColor">
              <title>not heard</title>
            </circle>
          ) : (
            <circle
              cx={x(at)}
              cy={MIDDLE + Math.max(-FURTHEST, Math.min(FURTHEST, offsetMs * PER_MS))}
              r={6}
              fill="currentColor"
            >
              <title>{lateWords(offsetMs)}</title>
            </circle>
          )}
        </g>
      ))}
      <line ref={head} x1={0} x2={0} y1={44} y2={HEIGHT} stroke="#b98328" strokeWidth={4} />
    </svg>
  )
}
