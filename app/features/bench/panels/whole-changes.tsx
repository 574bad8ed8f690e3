import { useMemo } from 'react'
import { type Renotated, type RenotateFault, renotate } from '~/core/fitting'
import type { Lick } from '~/core/line'
import { type CountingSystem, gridName } from '~/core/time'
import { useSaving } from '~/live/use-saving'
import { Button, ErrorText, Part } from '~/ui/parts'
import { plural } from '~/words/figures'
import { startPlace } from '~/words/places'
import type { PanelView } from '../state/use-panel'
import { changeGrooves } from './saved-store'

const WAYS = [
  ['faster', 'Same sound, half the tempo'],
  ['slower', 'Same sound, twice the tempo'],
] as const

/** Changes of the lick as a whole: the same sound in other note values. */
export function WholeChanges({ lick, grooves, counting, onEdit }: PanelView) {
  const { tell, trouble } = useSaving(changeGrooves)
  const written = useMemo(
    () => WAYS.map(([way, name]) => [name, renotate(lick, way, grooves)] as const),
    [lick, grooves],
  )
  const apply = (label: string, { lick: after, groove }: Renotated) => {
    const [bar] = groove ? Object.entries(groove.bars) : []
    if (groove && bar) {
      const [meter, { grid, line }] = bar
      void tell({ intent: 'save', id: groove.id, name: groove.name, meter, grid, line })
    }
    onEdit({ label, lick: after })
  }
  return (
    <Part title="The whole lick">
      <div className="flex flex-col items-start gap-2 text-sm">
        {written.map(([name, after]) =>
          after.ok ? (
            <div key={name}>
              <Button onClick={() => apply(name, after.value)}>{name}</Button>
              <p className="mt-0.5 text-(--quiet) text-xs">
                {renotatedWords(lick, after.value, counting)}
              </p>
            </div>
          ) : (
            <div key={name}>
              <Button disabled onClick={() => undefined}>
                {name}
              </Button>
              <p className="mt-0.5 text-(--quiet) text-xs">{FAULT_WORDS[after.error]}</p>
            </div>
          ),
        )}
      </div>
      <ErrorText words={trouble} />
    </Part>
  )
}

const FAULT_WORDS: Readonly<Record<RenotateFault, string>> = {
  empty: 'There is no line yet.',
  grid: 'No grid has note values that long or short.',
  tempo: 'The tempo would leave the range of 20 to 400.',
  swing: 'The swing would have to lean on other note values.',
  place: 'The start or the landing would fall between two places of the bar.',
  stop: 'The groove would stop before its own bar.',
  groove: 'The groove cannot be written so: its two halves differ.',
  ostinato: 'An ostinato cannot be written in those note values.',
}

/** `1/32 at 66, from 3; the groove is saved as “Eighths, twice as fast”`. */
export function renotatedWords(
  before: Lick,
  { lick, groove, leadKept }: Renotated,
  counting?: CountingSystem,
): string {
  const { frame } = lick
  const start = startPlace(lick, counting)
  const moved = start === startPlace(before, counting) ? '' : `, from ${start}`
  return [
    `${gridName(frame.grid)} at ${frame.tempo}${moved}`,
    groove ? `the groove is saved as “${groove.name}”` : '',
    leadKept ? '' : `${plural(frame.lead, 'bar')} of groove before it`,
  ]
    .filter(Boolean)
    .join('; ')
}
