import { memo, useMemo, useState } from 'react'
import { namesOf, namingWords } from '~/core/catalogue'
import { CHANGES, type Change, type ChangeKind } from '~/core/change-list'
import { cut, phraseOf } from '~/core/changes'
import { cutsOf } from '~/core/fitting'
import { isEqual } from '~/core/foundation'
import type { Lick } from '~/core/line'
import { PhraseStacks, PhraseText } from '~/drawing/stacks/phrase-figure'
import { Button, EmptyState, Part, TextBox } from '~/ui/parts'
import { applyChange, changedPhrase, findSizes, groupAs } from '~/workspace/edits/change-edits'
import type { Edit } from '~/workspace/edits/edits'
import { groupingEdits } from '~/workspace/edits/grouping-edits'
import { type PanelView, usePanel } from '../state/use-panel'
import { ChosenPart } from './chosen-part'
import { EasierPart } from './easier-part'
import { showing } from './showing'
import { SwellPart } from './swell-part'
import { WholeChanges } from './whole-changes'

const KINDS: readonly (readonly [ChangeKind, string])[] = [
  ['order', 'Order'],
  ['limbs', 'Limbs'],
  ['dynamics', 'Accents and ghosts'],
  ['graces', 'Graces'],
  ['density', 'Density'],
]
/** A preview needs no more than the beginning of a long line. */
const PREVIEWED = 32

/** Changes of a sticking, each with what it would make of the selection. */
export function ChangePanel() {
  const props = usePanel()
  const { lick, range, onEdit, onShow } = props
  const before = phraseOf(lick.line, range)
  const [name] = before.slots.length <= 64 ? namesOf(before) : []
  if (lick.line.slots.length === 0)
    return <EmptyState>Type a line first, or append a cell.</EmptyState>
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <PhraseStacks phrase={before} />
        <p className="pb-3 text-sm">
          <PhraseText phrase={before} />
          {name && <span className="block text-(--quiet)">{namingWords(name)}</span>}
        </p>
      </div>
      <ChosenPart {...props} />
      <Grouping {...props} />
      <div className="grid grid-cols-1 gap-x-6 gap-y-4">
        {KINDS.map(([kind, title]) => (
          <Kind
            key={kind}
            kind={kind}
            title={title}
            lick={lick}
            range={range}
            onEdit={onEdit}
            onShow={onShow}
          />
        ))}
        <EasierPart {...props} />
        <SwellPart lick={lick} range={range} onEdit={onEdit} />
        <WholeChanges {...props} />
      </div>
    </div>
  )
}

/** Which strokes belong together: sizes typed, split, joined, moved, found. */
function Grouping({ lick, range, selection, onEdit, onShow }: PanelView) {
  const [typed, setTyped] = useState('')
  const sizes = findSizes(typed)
  const { groups } = phraseOf(lick.line, range)
  const cuts = useMemo(() => cutsOf(lick.line), [lick])
  const acts = groupingEdits(lick, selection, range)
  return (
    <Part
      title="Groups"
      aside={<span className="text-(--quiet) text-sm">now {shortSum(groups)}</span>}
    >
      <div className="flex flex-wrap items-center gap-2">
        <form
          className="flex items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (sizes) onEdit(groupAs(lick, range, sizes))
          }}
        >
          <TextBox
            label="Sizes of the groups"
            className="w-32"
            placeholder="5 4 7"
            value={typed}
            onType={setTyped}
          />
          <button
            type="submit"
            className="btn btn-outline border-base-300 btn-sm font-normal"
            disabled={!sizes}
          >
            Regroup
          </button>
        </form>
        {acts.map(({ label, edit }) =>
          edit ? (
            <Button key={label} onClick={() => onEdit(edit)} {...showing(onShow, () => edit)}>
              {label}
            </Button>
          ) : null,
        )}
      </div>
      {cuts.length > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          <span className="text-(--quiet) text-sm">Found in the line:</span>
          {cuts.map((found) => (
            <Button
              key={found.kind}
              onClick={() =>
                onEdit(groupAs(lick, { from: 0, to: lick.line.slots.length }, found.groups))
              }
            >
              {CUT_WORDS[found.kind]}{' '}
              <span className="text-(--quiet)">{shortSum(found.groups)}</span>
            </Button>
          ))}
        </div>
      )}
    </Part>
  )
}

const CUT_WORDS = {
  'before-kicks': 'before each kick',
  'after-kicks': 'after the kicks',
  accents: 'at the accents',
  doubles: 'at the doubles',
  cells: 'by known cells',
} as const

function shortSum(groups: readonly number[]): string {
  return groups.length > 12 ? `${groups.slice(0, 12).join('+')}+…` : groups.join('+')
}

interface KindProps {
  readonly kind: ChangeKind
  readonly title: string
  readonly lick: Lick
  readonly range: PanelView['range']
  readonly onEdit: (edit: Edit) => void
  readonly onShow: (edit: Edit | null) => void
}

/** The changes of one kind that would change something here. */
const Kind = memo(function Kind({ kind, title, lick, range, onEdit, onShow }: KindProps) {
  const shown = { from: range.from, to: Math.min(range.to, range.from + PREVIEWED) }
  const before = phraseOf(lick.line, shown)
  const rows = CHANGES.filter((change) => change.kind === kind).flatMap((change) => {
    const after = changedPhrase(lick, shown, change)
    return isEqual(after.slots, before.slots) ? [] : [{ change, after }]
  })
  if (rows.length === 0) return null
  return (
    <Part title={title}>
      <ul className="flex flex-col">
        {rows.map(({ change, after }) => (
          <li key={change.id}>
            <button
              type="button"
              className="flex w-full items-baseline gap-3 rounded-field px-2 py-1 text-left text-sm hover:bg-base-200"
              onClick={() => onEdit(applyChange(lick, range, change))}
              {...showing(onShow, () => applyChange(lick, range, change))}
            >
              <span className="shrink-0 grow">{change.name}</span>
              <span className="min-w-0 max-w-[55%] truncate text-right">
                <PhraseText phrase={cut(after, PREVIEWED)} />
              </span>
              <span className="w-6 shrink-0 text-right text-(--quiet) text-xs tabular-nums empty:hidden">
                {growth(change, after.slots.length - before.slots.length, range, shown)}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Part>
  )
})

/** By how many slots the line grows; of a long line only where the preview tells it. */
function growth(
  change: Change,
  grown: number,
  range: PanelView['range'],
  shown: PanelView['range'],
): string {
  if (!change.grows) return ''
  return range.to > shown.to ? '+' : `+${grown}`
}
