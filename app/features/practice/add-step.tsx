import { useState } from 'react'
import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { LOOP_KINDS, type LoopKind } from '~/core/practice'
import { Button } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { stretchWords } from '~/words/stretch-words'
import type { SavedVersion } from './session/practised'

const SURFACE_WORDS: Readonly<Record<LoopKind, string>> = {
  loop: 'as written',
  'loop-plain': 'on one surface',
  'loop-right': 'right hand’s voices',
  'loop-left': 'left hand’s voices',
}

/** What can be put into a plan beside the build-up: a span of the line over and over, or a saved version. */
export function AddStep({
  lick,
  loop,
  versions,
  onAdd,
}: {
  lick: Lick
  /** The slots that are looped, which may become a step; null for none. */
  loop: SlotRange | null
  versions: readonly SavedVersion[]
  /** Adds the step of a key. */
  onAdd: (key: string) => void
}) {
  const [surface, setSurface] = useState<LoopKind>('loop')
  const spans = spansOf(lick, loop)
  const [chosen, setChosen] = useState(spans[0]?.[0] ?? '')
  const span = spans.some(([key]) => key === chosen) ? chosen : (spans[0]?.[0] ?? '')
  return (
    <div className="flex flex-wrap items-center gap-1.5 text-sm">
      <Pick label="Slots of the new step" value={span} options={spans} onPick={setChosen} />
      <Pick
        label="Surface of the new step"
        value={surface}
        options={LOOP_KINDS.map((kind) => [kind, SURFACE_WORDS[kind]] as const)}
        onPick={setSurface}
      />
      <Button disabled={span === ''} onClick={() => onAdd(`${surface} ${span}`)}>
        Add as a step
      </Button>
      {versions.map(({ id, name }) => (
        <Button key={id} onClick={() => onAdd(`version ${id}`)}>
          Add the version {name}
        </Button>
      ))}
    </div>
  )
}

/** Named parts, groups, and the whole line, as the slots from and up to which they go. */
function spansOf(lick: Lick, loop: SlotRange | null): (readonly [key: string, words: string])[] {
  const { line, parts } = lick
  const count = line.slots.length
  const found = new Map<string, string>()
  if (loop && loop.to <= count)
    found.set(`${loop.from}-${loop.to}`, `the loop: ${stretchWords(lick, loop)}`)
  for (const { name, from, to } of parts)
    if (from < count) found.set(`${from}-${Math.min(count, to + 1)}`, name || 'a part')
  let start = 0
  for (const size of line.groups) {
    const key = `${start}-${start + size}`
    if (!found.has(key)) found.set(key, stretchWords(lick, { from: start, to: start + size }))
    start += size
  }
  if (count > 0 && !found.has(`0-${count}`)) found.set(`0-${count}`, 'the whole line')
  return [...found]
}
