import { Play } from 'lucide-react'
import { useMemo, useState } from 'react'
import { fillTo, formatPhrase, phraseOf } from '~/core/changes'
import { type Groove, grooveBar, parseGrooveBar, toGroove } from '~/core/groove'
import { frameTicks, type Lick, NO_GROOVE } from '~/core/line'
import { findGrid, gridName, gridTicks, meterName } from '~/core/time'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import { useLive } from '~/live/use-live'
import { useSaving } from '~/live/use-saving'
import { liveGrooves } from '~/storage'
import { Button, EmptyState, ErrorText, Part, TextBox } from '~/ui/parts'
import { slotsWords } from '~/words/figures'
import { appendPhrase } from '~/workspace/edits/edits'
import { type PanelView, usePanel } from '../state/use-panel'
import { changeGrooves, type GrooveCommand } from './saved-store'
import { soloLick } from './solo'

const GRIDS = ['1/4', '1/8', '1/8t', '1/16', '1/16t', '1/32']

/** The groove of this lick's metre in the line's own notation: looked at, changed, saved, used. */
export function GroovePart() {
  const { lick, voiced, grooves, selection, onEdit, onHear } = usePanel()
  const { meter, groove: id } = lick.frame
  const meterKey = meterName(meter)
  const saved = grooves.filter(({ carried }) => !carried)
  const use = (groove: string) =>
    onEdit({ label: 'Groove', lick: { ...lick, frame: { ...lick.frame, groove } } })
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4">
      <GrooveForm
        key={`${id} ${meterKey} ${grooves.length} ${barOf(lick, grooves)}`}
        lick={lick}
        meterKey={meterKey}
        grooves={grooves}
        voiced={voiced}
        selection={selection}
        onEdit={onEdit}
        onHear={onHear}
      />
      <Part title="Your grooves">
        {saved.length === 0 ? (
          <EmptyState>
            None yet. Change this bar and save it under a name: it then appears in the list of
            grooves.
          </EmptyState>
        ) : (
          <ul className="flex flex-col">
            {saved.map((groove) => (
              <OwnGroove
                key={groove.id}
                groove={groove}
                used={groove.id === id}
                onUse={() => use(groove.id)}
                onDeleted={() => {
                  if (groove.id === id) use('eighths')
                }}
              />
            ))}
          </ul>
        )}
      </Part>
    </div>
  )
}

/** The bar of groove as it is: edited anew where it was changed on the ruler. */
function barOf({ frame }: Lick, grooves: readonly Groove[]): string {
  const { grid, line } = grooveBar(toGroove(frame.groove, grooves), frame.meter)
  return `${grid} ${line}`
}

/** The name of a groove that only the lick's text carries, to be saved under. */
function carriedName(grooves: readonly Groove[], id: string): string {
  return grooves.find((groove) => groove.id === id && groove.carried)?.name ?? ''
}

interface GrooveFormProps extends Pick<PanelView, 'voiced' | 'selection' | 'onEdit' | 'onHear'> {
  readonly lick: Lick
  readonly meterKey: string
  readonly grooves: readonly Groove[]
}

function GrooveForm(props: GrooveFormProps) {
  const { lick, voiced, selection, meterKey, grooves, onEdit, onHear } = props
  const { tell, trouble, busy, notice } = useSaving(changeGrooves)
  const { meter, groove: id } = lick.frame
  const now = useMemo(
    () => grooveBar(toGroove(id === NO_GROOVE ? 'eighths' : id, grooves), meter),
    [id, grooves, meter],
  )
  const own = grooves.find((groove) => groove.id === id && !groove.carried)
  const [name, setName] = useState(own?.name ?? carriedName(grooves, id))
  const [grid, setGrid] = useState(now.grid)
  const [line, setLine] = useState(now.line)
  const read = parseGrooveBar({ grid, line }, meter)
  const base = findGrid(grid)
  const field = 'min-w-0 rounded-field border border-base-300 bg-base-100 px-2 py-1 text-sm'
  const record = useLive(liveGrooves).rows.find((one) => one.id === own?.id)
  // Edited as it was when the form was opened, or last saved: what another tab does since is noticed.
  const [seen, setSeen] = useState(record?.revision)
  const command = (revision: number | undefined): GrooveCommand => ({
    intent: 'save',
    name,
    meter: meterKey,
    grid,
    line,
    ...(own && revision !== undefined && { id: own.id, revision }),
    ...(record && revision !== undefined && { createdAt: record.createdAt }),
  })
  const save = async (revision: number | undefined) => {
    const { trouble: refused } = await tell(command(revision))
    if (refused === '' && revision !== undefined) setSeen(revision + 1)
  }
  const overtaken = notice?.revision
  // A groove is one bar: what is shorter goes round until that is full, what is longer is cut.
  const slots = Math.floor(frameTicks(lick.frame).bar / gridTicks(lick.frame.grid))
  // One stroke alone is no bar: then it is the line that is meant.
  const several = selection && selection.to - selection.from > 1 ? selection : null
  const copied = several ?? { from: 0, to: Math.min(slots, lick.line.slots.length) }
  const fromLine = () => {
    setGrid(gridName(lick.frame.grid))
    // With its voices, whether rules gave them or a hand.
    setLine(formatPhrase(fillTo(phraseOf(voiced.line, copied), slots)))
  }
  const hear = () => {
    if (!read.ok || !base) return
    const frame = { ...lick.frame, grid: base }
    onHear(soloLick({ ...lick, frame }, read.value))
  }
  return (
    <Part title={`A bar of ${meterKey}`}>
      <div className="flex flex-wrap items-center gap-2">
        <select
          aria-label="Grid of the groove"
          className={field}
          value={grid}
          onChange={(event) => setGrid(event.target.value)}
        >
          {[...new Set([...GRIDS, grid])].map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </select>
        <TextBox
          label="Bar of groove"
          aria-invalid={!read.ok}
          aria-describedby="groove-fault"
          className="min-w-48 grow font-mono"
          spellCheck={false}
          value={line}
          onType={setLine}
        />
      </div>
      <p id="groove-fault" role="status" className="text-error text-sm empty:hidden">
        {read.ok ? '' : `Not a bar yet: ${read.error}`}
      </p>
      {read.ok && <PhraseStacks phrase={read.value} />}
      <div className="flex flex-wrap items-center gap-2">
        <TextBox
          label="Name of the groove"
          className="w-40"
          placeholder="name"
          maxLength={80}
          value={name}
          onType={setName}
        />
        <Button
          disabled={busy || !read.ok || name.trim() === ''}
          onClick={() => void save(undefined)}
        >
          Save as groove
        </Button>
        {own && (
          <Button
            disabled={busy || !read.ok || name.trim() === ''}
            onClick={() => void save(seen ?? record?.revision)}
          >
            Change {own.name}
          </Button>
        )}
        <Button disabled={slots === 0 || lick.line.slots.length === 0} onClick={fromLine}>
          Copy from line: {slotsWords(copied)}
        </Button>
        <Button
          disabled={!read.ok}
          onClick={() => read.ok && onEdit(appendPhrase(lick, read.value, 'Bar of groove'))}
        >
          Append to line
        </Button>
        <Button disabled={!read.ok} onClick={hear}>
          <Play size={14} aria-hidden /> Hear
        </Button>
      </div>
      <ErrorText words={trouble} />
      {overtaken !== undefined && (
        <Button onClick={() => void save(overtaken)}>Replace it with mine</Button>
      )}
    </Part>
  )
}

function OwnGroove({
  groove,
  used,
  onUse,
  onDeleted,
}: {
  groove: Groove
  used: boolean
  onUse: () => void
  onDeleted: () => void
}) {
  const { tell, trouble } = useSaving(changeGrooves)
  const [meter, bar] = Object.entries(groove.bars)[0] ?? ['', undefined]
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-base-300 border-t py-1.5 text-sm">
      <span className="min-w-32 grow">
        <span className="font-semibold">{groove.name}</span>
        <span className="block break-all font-mono text-(--quiet) text-xs">
          {meter} @{bar?.grid} {bar?.line}
        </span>
      </span>
      <Button disabled={used} label={`Use ${groove.name}`} onClick={onUse}>
        {used ? 'in use' : 'Use'}
      </Button>
      <Button
        label={`Delete ${groove.name}`}
        onClick={() => {
          void tell({ intent: 'delete', id: groove.id }).then((notice) => {
            if (notice.trouble === '') onDeleted()
          })
        }}
      >
        Delete
      </Button>
      <ErrorText words={trouble} />
    </li>
  )
}
