import { X } from 'lucide-react'
import { useLive } from '~/live/use-live'
import { liveSummaries } from '~/storage'
import { AddSelect } from '~/ui/add-select'
import { Checkbox } from '~/ui/checkbox'
import { IconButton } from '~/ui/icon-button'
import { Part } from '~/ui/parts'
import { MoveHandle, SortableList, useSortableRow } from '~/ui/sortable-list'
import { MAX_ON_SHEET, type SheetState, UNDER, type Under } from './sheet-address'

interface SheetLicksProps {
  readonly state: SheetState
  readonly titles: readonly (string | null)[]
  readonly onChange: (part: Partial<SheetState>) => void
}

const UNDER_WORDS: Readonly<Record<Under, string>> = {
  parts: 'the steps of its plan, in their order',
  versions: 'its saved versions',
}

/** The licks of a sheet in their order: dragged, or lifted by space and carried by arrows. */
export function SheetLicks({ state, titles, onChange }: SheetLicksProps) {
  const { ids, under } = state
  const { rows } = useLive(liveSummaries)
  const others = rows.filter(({ id }) => !ids.includes(id))
  return (
    <Part level={2} title="Licks">
      <SortableList
        label="Licks on the sheet"
        className="flex max-h-80 flex-col overflow-y-auto text-sm"
        onMove={(id, from, to) => onChange({ ids: ids.toSpliced(from, 1).toSpliced(to, 0, id) })}
      >
        {ids.map((id, i) => (
          <LickOnSheet
            key={id}
            id={id}
            at={i}
            title={titles[i] ?? null}
            onRemove={() => onChange({ ids: ids.filter((one) => one !== id) })}
          />
        ))}
      </SortableList>
      {ids.length < MAX_ON_SHEET ? (
        <AddSelect
          label="Add a lick"
          words="Add a lick …"
          className=""
          onAdd={(id) => onChange({ ids: [...ids, id] })}
        >
          {others.map(({ id, title }) => (
            <option key={id} value={id}>
              {title || 'Untitled'}
            </option>
          ))}
        </AddSelect>
      ) : (
        <p className="text-(--quiet) text-sm">A sheet holds {MAX_ON_SHEET} licks.</p>
      )}
      <fieldset className="flex flex-col gap-1">
        <legend className="mb-1 text-(--quiet) text-xs">Under each lick</legend>
        {UNDER.map((one) => (
          <Checkbox
            key={one}
            checked={under.includes(one)}
            onTick={(on) =>
              onChange({
                under: UNDER.filter((each) => (each === one ? on : under.includes(each))),
              })
            }
          >
            {UNDER_WORDS[one]}
          </Checkbox>
        ))}
      </fieldset>
    </Part>
  )
}

function LickOnSheet({
  id,
  at,
  title,
  onRemove,
}: {
  readonly id: string
  readonly at: number
  readonly title: string | null
  readonly onRemove: () => void
}) {
  const name = title ?? 'A lick that is no longer there'
  const { ref, handleRef } = useSortableRow(id, at, name)
  return (
    <li ref={ref} className="flex items-center gap-1 bg-base-200">
      <MoveHandle handleRef={handleRef} name={name} />
      <span dir="auto" className={`min-w-0 grow truncate ${title === null ? 'text-error' : ''}`}>
        {name}
      </span>
      <IconButton size="tiny" label={`Remove: ${name}`} onClick={onRemove}>
        <X size={14} aria-hidden />
      </IconButton>
    </li>
  )
}
