import { Plus } from 'lucide-react'
import { useMemo, useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import { CATALOGUE } from '~/core/catalogue'
import { formatPhrase } from '~/core/changes'
import { EMPTY_LICK, type Lick } from '~/core/line'
import type { Solo, SoloPart } from '~/core/solo'
import { useLive } from '~/live/use-live'
import { liveSummaries, loadLick } from '~/storage'
import { AddSelect } from '~/ui/add-select'
import { ErrorText } from '~/ui/parts'
import { foundRows, sortedRows } from '../library'
import { toLine } from './cell-line'

/** Licks that are offered at once; more are found by their names. */
const MAX_OFFERED = 200
const LONGEST_CELL = 9

/** What can be put into a solo: groove, bars for the others, a lick, a cell that runs on, a flow. */
export function AddPart({
  solo,
  newId,
  onAdd,
}: {
  solo: Solo
  newId: () => string
  onAdd: (part: SoloPart) => void
}) {
  const summaries = useLive(liveSummaries).rows
  const [sought, setSought] = useState('')
  const [trouble, setTrouble] = useState('')
  const offered = useMemo(
    () => foundRows(sortedRows(summaries, 'title'), sought, '').slice(0, MAX_OFFERED),
    [summaries, sought],
  )
  const { meter, tempo } = solo
  const named = () => ({ id: newId(), name: '' })
  const struck = (lick: Lick, lickId: string | null = null) => ({
    ...named(),
    lick,
    lickId,
    otherHand: false,
    end: 'auto' as const,
  })
  const addLick = async (id: string) => {
    const read = await loadLick(id)
    const lick = read.ok ? findVoicedLick(read.value) : undefined
    if (!lick || lick.line.slots.length === 0) {
      setTrouble('That lick has no sticking that can be played yet.')
      return
    }
    setTrouble('')
    onAdd({ kind: 'lick', ...struck(lick, id), times: 1 })
  }
  const add = (value: string) => {
    const [kind, ...rest] = value.split(':')
    const of = rest.join(':')
    setTrouble('')
    if (kind === 'groove') onAdd({ kind, ...named(), groove: 'eighths', meter, bars: 3 })
    else if (kind === 'others') onAdd({ kind, ...named(), groove: of, meter, bars: 4 })
    else if (kind === 'lick') void addLick(of)
    else if (kind === 'cell') {
      const line = toLine(of)
      if (!line) return
      const frame = { ...EMPTY_LICK.frame, meter, tempo, lead: 0 }
      onAdd({ kind: 'run', ...struck({ ...EMPTY_LICK, title: of, line, frame }), bars: 4 })
    } else if (kind === 'flow') {
      const sources = ['RLLRK', 'RLK'].flatMap((name) => {
        const line = toLine(name)
        return line ? [{ name, line, grid: EMPTY_LICK.frame.grid, weight: 1 }] : []
      })
      onAdd({
        kind,
        ...named(),
        sources,
        meter,
        grid: EMPTY_LICK.frame.grid,
        bars: 4,
        phrase: 1,
        mostInRow: 2,
        tail: 'singles',
        seed: 1,
      })
    }
  }
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="relative">
        <Plus size={16} aria-hidden className="pointer-events-none absolute top-2 left-2" />
        <AddSelect label="Add a part" words="Add a part …" className="w-52 pl-7" onAdd={add}>
          <optgroup label="Time">
            <option value="groove:">Groove</option>
            <option value="others:eighths">Bars for the others, over groove</option>
            <option value="others:none">Bars for the others, click alone</option>
            <option value="flow:">A flow of cells</option>
          </optgroup>
          <optgroup label="Licks">
            {offered.map(({ id, title }) => (
              <option key={id} value={`lick:${id}`}>
                {title}
              </option>
            ))}
          </optgroup>
          <optgroup label="Cells that run on">
            {CATALOGUE.filter(({ phrase }) => phrase.slots.length <= LONGEST_CELL).map(
              ({ id, name, phrase }) => (
                <option key={id} value={`cell:${formatPhrase(phrase)}`}>
                  {name}
                </option>
              ),
            )}
          </optgroup>
        </AddSelect>
      </span>
      {summaries.length > MAX_OFFERED && (
        <input
          type="search"
          aria-label="Find a lick for the solo"
          placeholder={`find among ${summaries.length} licks`}
          className="w-52 rounded-field border border-base-300 bg-base-100 px-2 py-1.5 text-sm"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
      )}
      <ErrorText words={trouble} />
    </div>
  )
}
