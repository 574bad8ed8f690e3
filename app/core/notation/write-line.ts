import type { Line } from '../line'
import { HOME_SURFACE, type Level, type SlotContent, type Stroke } from '../sticking'
import { type Grid, gridName } from '../time'

const LEVEL_MARKS: Readonly<Record<Level, string>> = {
  ghost: '',
  soft: '_',
  tap: '',
  accent: '>',
  strong: '^',
}
const GRACE_MARKS = ['', 'f', 'd', 't'] as const
/** Patterns of more groups than this are written out; it bounds the work on long lines. */
const LONGEST_PATTERN = 32

/**
 * The canonical text of a line: the inverse of `parseLine`, bar checks aside. Groups that repeat
 * are written once, with how often.
 *
 * @example formatLine(lickOf('line: R L  L K').line) // 'R L*2 K'
 */
export function formatLine(line: Line): string {
  const changes = new Map(line.gridChanges.map(({ at, grid }) => [at, grid]))
  let slot = 0
  const groups = line.groups.map((size) => {
    let text = ''
    for (let i = 0; i < size; i += 1, slot += 1) {
      const written = formatSlot(line.slots[slot] as SlotContent)
      const grid = changes.get(slot)
      if (grid) text += i === 0 ? `@${gridName(grid)} ` : inlineGrid(grid, written)
      text += written
    }
    return text
  })
  return withRepeats(groups).join(' ')
}

/** A change of grid inside a group; a ruff after a plain grid would read as its tuplet letter. */
function inlineGrid(grid: Grid, following: string): string {
  const closed = grid.tuplet === null && following.startsWith('t')
  return `@${gridName(grid)}${closed ? ';' : ''}`
}

/** The text of one slot. Example: `>fR:t1/sn`. */
export function formatSlot(content: SlotContent): string {
  switch (content.kind) {
    case 'rest':
      return '-'
    case 'struck': {
      const strokes = content.strokes.map(formatStroke).join('')
      return content.strokes.length > 1 ? `(${strokes})` : strokes
    }
    case 'squeeze':
      return `{${content.parts.map(formatSlot).join('')}}`
  }
}

function formatStroke(stroke: Stroke): string {
  const letter = stroke.level === 'ghost' ? stroke.letter.toLowerCase() : stroke.letter
  const main = `${LEVEL_MARKS[stroke.level]}${GRACE_MARKS[stroke.graces]}${letter}`
  if (stroke.graceVoice) {
    return `${main}:${stroke.voice ?? HOME_SURFACE[stroke.letter]}/${stroke.graceVoice}`
  }
  return stroke.voice ? `${main}:${stroke.voice}` : main
}

/** Joins patterns of groups that repeat at once: of all that begin here, the one that saves most. */
function withRepeats(groups: readonly string[]): string[] {
  const written: string[] = []
  let at = 0
  while (at < groups.length) {
    const best = longestRepeat(groups, at)
    if (best) {
      const pattern = groups.slice(at, at + best.size)
      // A change of grid stands outside a group's own repeat, so it needs the brackets too.
      const bare = best.size === 1 && !pattern[0]?.includes(' ')
      written.push(`${bare ? pattern[0] : `[${pattern.join(' ')}]`}*${best.times}`)
      at += best.size * best.times
    } else {
      written.push(groups[at] as string)
      at += 1
    }
  }
  return written
}

function longestRepeat(
  groups: readonly string[],
  at: number,
): { size: number; times: number } | undefined {
  let best: { size: number; times: number } | undefined
  for (let size = 1; size <= LONGEST_PATTERN && at + 2 * size <= groups.length; size += 1) {
    let end = at + size
    while (end < groups.length && groups[end] === groups[end - size]) end += 1
    const times = Math.floor((end - at) / size)
    const saved = (times - 1) * size
    if (times > 1 && saved > (best ? (best.times - 1) * best.size : 0)) best = { size, times }
  }
  return best
}
