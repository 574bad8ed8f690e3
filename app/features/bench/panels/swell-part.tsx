import { X } from 'lucide-react'
import { useState } from 'react'
import { plainStrokes, removeSwell, type SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import { LEVELS, type Level } from '~/core/sticking'
import { IconButton } from '~/ui/icon-button'
import { Button, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { plural } from '~/words/figures'
import { swellEdit } from '~/workspace/edits/change-edits'
import type { Edit } from '~/workspace/edits/edits'

interface SwellPartProps {
  readonly lick: Lick
  readonly range: SlotRange
  readonly onEdit: (edit: Edit) => void
}

/** Plain strokes that grow or fade over the range; the swells that the line has, to be removed. */
export function SwellPart({ lick, range, onEdit }: SwellPartProps) {
  const [start, setStart] = useState<Level>('ghost')
  const [end, setEnd] = useState<Level>('accent')
  const plain = plainStrokes(lick, range)
  const edit = swellEdit(lick, range, start, end)
  return (
    <Part title="Swell">
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <Pick label="Swell from" value={start} options={CHOICES} onPick={setStart} />
        <span>to</span>
        <Pick label="Swell to" value={end} options={CHOICES} onPick={setEnd} />
        <Button disabled={!edit} onClick={() => edit && onEdit(edit)}>
          Over {slotWords({ from: range.from, to: range.to - 1 })}
        </Button>
        <span className="text-(--quiet)">{plainWords(plain)}</span>
      </div>
      {lick.frame.swells.length > 0 && (
        <ul className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
          {lick.frame.swells.map((swell) => (
            <li key={JSON.stringify(swell)} className="flex items-center gap-1">
              {slotWords(swell)}: {swell.start} to {swell.end}
              <IconButton
                label={`Remove the swell over ${slotWords(swell)}`}
                onClick={() =>
                  onEdit({
                    label: `Remove the swell over ${slotWords(swell)}`,
                    lick: removeSwell(lick, swell),
                  })
                }
              >
                <X size={15} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
    </Part>
  )
}

const CHOICES = LEVELS.map((level) => [level, level] as const)

/** `slots 1 to 5`; both ends included, from 0. */
function slotWords({ from, to }: { readonly from: number; readonly to: number }): string {
  return from === to ? `slot ${from + 1}` : `slots ${from + 1} to ${to + 1}`
}

function plainWords(plain: number): string {
  if (plain === 0) return 'No plain strokes here: each has its own level.'
  return `Changes ${plural(plain, 'plain stroke')}.`
}
