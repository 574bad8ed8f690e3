import { useMemo } from 'react'
import { parseLickText } from '~/codecs/lick-text'
import { formatLine } from '~/core/notation'
import { SURFACE_NAMES, SURFACES, type Voice } from '~/core/sticking'
import { ALL_GRIDS, gridName } from '~/core/time'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import { Pick } from '~/ui/pick'
import { plural } from '~/words/figures'
import { gridWords } from '~/words/grid-words'
import type { FoundPart, PartWishes } from '~/workers'

/** So many parts are shown one by one; the others are read in the same way. */
const MAX_SHOWN = 50
const MAX_LETTERS = 160

const DRUMS: readonly (readonly [string, string])[] = [
  ['', 'Left out'],
  ...SURFACES.map((surface) => [surface, SURFACE_NAMES[surface]] as const),
]
const GRIDS: readonly (readonly [string, string])[] = [
  ['', 'As found'],
  ...ALL_GRIDS.map((grid) => [gridName(grid), gridWords(grid)] as const),
]

interface PartListProps {
  readonly parts: readonly FoundPart[]
  readonly wishes: PartWishes
  readonly onWish: (wishes: PartWishes) => void
}

/** Drum parts of other programs: what their instruments are taken for, and what becomes of each part. */
export function PartList({ parts, wishes, onWish }: PartListProps) {
  const takeFor = (instrument: string, voice: Voice | null) =>
    onWish({
      ...wishes,
      drums: [...wishes.drums.filter(([key]) => key !== instrument), [instrument, voice]],
    })
  const layOn = (file: number, grid: string) =>
    onWish({
      ...wishes,
      grids: [
        ...wishes.grids.filter(([one]) => one !== file),
        ...(grid === '' ? [] : [[file, grid] as const]),
      ],
    })
  return (
    <section
      aria-label="Drum parts from other programs"
      className="flex flex-col gap-4 rounded-box border border-base-300 bg-base-100 p-4 text-sm"
    >
      <h3 className="font-semibold">{plural(parts.length, 'drum part')} from other programs</h3>
      <DrumTable parts={parts} onTake={takeFor} />
      {parts.slice(0, MAX_SHOWN).map((part) => (
        <PartView
          key={part.file}
          part={part}
          grid={wishes.grids.find(([file]) => file === part.file)?.[1] ?? ''}
          onGrid={(grid) => layOn(part.file, grid)}
        />
      ))}
      {parts.length > MAX_SHOWN && (
        <p className="text-(--quiet)">and {parts.length - MAX_SHOWN} more, read in the same way</p>
      )}
    </section>
  )
}

/** Every instrument of all the parts once, and the drum it is taken for; unknown ones first. */
function DrumTable({
  parts,
  onTake,
}: { parts: readonly FoundPart[] } & { onTake: (key: string, voice: Voice | null) => void }) {
  const all = useMemo(() => {
    const byKey = new Map<string, FoundPart['instruments'][number]>()
    for (const { instruments, own } of parts) {
      if (own) continue
      for (const one of instruments) {
        const strokes = (byKey.get(one.key)?.strokes ?? 0) + one.strokes
        byKey.set(one.key, { ...one, strokes })
      }
    }
    return [...byKey.values()].sort((a, b) => Number(a.voice !== null) - Number(b.voice !== null))
  }, [parts])
  if (all.length === 0) return null
  const unknown = all.filter(({ voice }) => voice === null).length
  return (
    <details open={unknown > 0}>
      <summary className="cursor-pointer">
        {unknown > 0
          ? `${plural(unknown, 'instrument')} not known: say which drum each is`
          : `${plural(all.length, 'instrument')}, all known`}
      </summary>
      <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(19rem,100%),1fr))] gap-x-6 gap-y-1">
        {all.map(({ key, name, voice, strokes }) => (
          <li key={key} className="flex items-center gap-2">
            <span className="min-w-0 grow truncate" title={name}>
              {name}{' '}
              <span className="text-(--quiet)">
                {strokes.toLocaleString('en-GB')} {strokes === 1 ? 'stroke' : 'strokes'}
              </span>
            </span>
            <Pick
              label={`${name} is`}
              value={voice ?? ''}
              options={DRUMS}
              onPick={(picked) => onTake(key, picked === '' ? null : (picked as Voice))}
            />
          </li>
        ))}
      </ul>
    </details>
  )
}

interface PartViewProps {
  readonly part: FoundPart
  readonly grid: string
  readonly onGrid: (grid: string) => void
}

function PartView({ part, grid, onGrid }: PartViewProps) {
  const lick = useMemo(() => {
    const read = parseLickText(part.text)
    return read.ok ? read.value.lick : null
  }, [part.text])
  const line = lick ? formatLine(lick.line) : ''
  const facts = [
    plural(part.strokes, 'stroke'),
    ...(lick ? [gridWords(lick.frame.grid)] : []),
    ...(part.own ? ['the lick that the file was made from'] : []),
    ...(part.handsProposed ? ['hands proposed'] : []),
    ...(part.offMs.most >= 1
      ? [
          `${part.offMs.mean.toFixed(1)} ms off the grid on average, ${part.offMs.most.toFixed(0)} at most`,
        ]
      : []),
  ]
  return (
    <article className="flex min-w-0 flex-col gap-1 border-base-300 border-t pt-3">
      <h4 dir="auto" className="break-words font-semibold">
        {part.title || part.name}
      </h4>
      <p className="text-(--quiet)">{facts.join(' · ')}</p>
      {lick && lick.line.slots.length <= 64 && <PhraseStacks phrase={lick.line} />}
      <p className="break-words font-mono">
        {line.length > MAX_LETTERS ? `${line.slice(0, MAX_LETTERS)} …` : line}
      </p>
      {!part.own && (
        <p className="flex items-center gap-2">
          Grid
          <Pick
            label={`Grid of ${part.title || part.name}`}
            value={grid}
            options={GRIDS}
            onPick={onGrid}
          />
        </p>
      )}
      {part.leftOut.length > 0 && (
        <p>
          <strong>Left out:</strong> {part.leftOut.join(' ')}
        </p>
      )}
    </article>
  )
}
