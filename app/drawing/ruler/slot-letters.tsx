import type { SlotContent, Stroke } from '~/core/sticking'
import { LIMB_COLOUR } from '../stacks/discs'

/** The sizes of letters by how loud they are; on a stage all can be read from afar. */
const LETTER_SIZES = { ghost: 12, soft: 16, tap: 19, accent: 22, strong: 24 } as const
export const STAGE_SIZES = { ghost: 19, soft: 20, tap: 22, accent: 25, strong: 27 } as const
type Sizes = Readonly<Record<Stroke['level'], number>>
const GRACE_SIZE = 10
const SQUEEZED = 0.62

/**
 * The sticking letters of a slot around x, baseline at y. Together: one over the other; squeezed:
 * small, side by side; ghosts are smaller capitals; a small grace letter stands before its stroke.
 */
export function SlotLetters({
  content,
  x,
  y,
  width,
  sizes = LETTER_SIZES,
}: {
  content: SlotContent
  x: number
  y: number
  width: number
  sizes?: Sizes
}) {
  if (content.kind === 'rest') {
    return (
      <text x={x} y={y - 3} textAnchor="middle" fill="var(--quiet)" fontSize="14">
        –
      </text>
    )
  }
  if (content.kind === 'struck') {
    return content.strokes.map((stroke, i) => (
      <StrokeLetter
        key={stroke.letter}
        stroke={stroke}
        x={x}
        y={y - (content.strokes.length - 1 - i) * 17}
        scale={content.strokes.length > 1 ? 0.8 : 1}
        sizes={sizes}
        accent={i === 0 ? loudest(content.strokes) : null}
      />
    ))
  }
  const step = width / content.parts.length
  return content.parts.map((part, i) =>
    part.kind === 'rest' ? null : (
      <StrokeLetter
        key={i}
        stroke={part.strokes[0] as Stroke}
        x={x + i * step}
        y={y}
        scale={SQUEEZED}
        sizes={sizes}
        accent={loudest(part.strokes)}
      />
    ),
  )
}

function StrokeLetter({
  stroke,
  x,
  y,
  scale,
  sizes,
  accent,
}: {
  stroke: Stroke
  x: number
  y: number
  scale: number
  sizes: Sizes
  /** The mark over the letter; of strokes together only the top one has it. */
  accent: 'accent' | 'strong' | null
}) {
  const size = sizes[stroke.level] * scale
  const loud = stroke.level === 'accent' || stroke.level === 'strong'
  return (
    <g fill={LIMB_COLOUR[stroke.letter]}>
      <text
        x={x}
        y={y}
        textAnchor="middle"
        fontSize={size}
        fontWeight={loud ? 700 : stroke.level === 'ghost' ? 400 : 550}
      >
        {stroke.letter}
      </text>
      {accent && <AccentMark x={x} y={y - size + 1} strong={accent === 'strong'} />}
      {stroke.graces > 0 && (
        <text
          x={x - size * 0.46}
          y={y - size * 0.45}
          textAnchor="end"
          fontSize={GRACE_SIZE}
          fontWeight={600}
          fill={graceColour(stroke)}
        >
          {graceLetter(stroke).repeat(stroke.graces)}
        </text>
      )}
    </g>
  )
}

function loudest(strokes: readonly Stroke[]): 'accent' | 'strong' | null {
  if (strokes.some(({ level }) => level === 'strong')) return 'strong'
  return strokes.some(({ level }) => level === 'accent') ? 'accent' : null
}

function AccentMark({ x, y, strong }: { x: number; y: number; strong: boolean }) {
  const points = strong
    ? `${x - 4},${y} ${x},${y - 8} ${x + 4},${y}`
    : `${x - 5},${y - 6} ${x + 5},${y - 3} ${x - 5},${y}`
  return <polyline points={points} fill="none" stroke="currentColor" strokeWidth="1.6" />
}

function graceLetter(stroke: Stroke): 'R' | 'L' | 'X' {
  if (stroke.letter === 'R') return 'L'
  return stroke.letter === 'L' ? 'R' : 'X'
}

function graceColour(stroke: Stroke): string {
  return LIMB_COLOUR[graceLetter(stroke)]
}
