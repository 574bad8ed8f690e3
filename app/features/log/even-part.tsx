import { memo, useMemo } from 'react'
import type { Limb } from '~/core/sticking'
import { useLive } from '~/live/use-live'
import { liveSessions } from '~/storage'
import { LIMB_NAMES } from '~/words/limb-names'
import { EvenChart, LIMB_LINES } from './charts'
import { DataTable } from './data-table'
import { type LoggedLick, toEvenness } from './log-view'

/** How even a lick was played over time, limb by limb, as far as the player was heard. */
export const EvenPart = memo(function EvenPart({ lick, now }: { lick: LoggedLick; now: number }) {
  const { rows: sessions } = useLive(liveSessions(lick.id))
  const { rows, best } = useMemo(() => toEvenness(sessions, now), [sessions, now])
  const limbs = Object.keys(best) as Limb[]
  return (
    <section aria-labelledby="even-title" className="min-w-0">
      <h2 id="even-title" className="font-semibold text-lg">
        Evenness of {lick.title}
      </h2>
      {rows.length === 0 ? (
        <p className="text-(--quiet) text-sm">
          Nothing was heard yet. In practice, tick “Hear me play along”.
        </p>
      ) : (
        <>
          <p className="text-(--quiet) text-sm">
            How far strokes spread about their own middle; lower is more even. Best day:{' '}
            {limbs.map((limb) => `${LIMB_NAMES[limb]} ${best[limb]} ms${drawnAs(limb)}`).join(', ')}
            .
          </p>
          <EvenChart data={rows} />
          <DataTable
            caption={`Evenness of ${lick.title}, in milliseconds`}
            head={['day', ...limbs.map((limb) => LIMB_NAMES[limb])]}
            rows={rows.map((row) => [row.day, ...limbs.map((limb) => row.limbs[limb] ?? '–')])}
          />
        </>
      )}
    </section>
  )
})

/** How a limb's line is drawn: ` (dashed)`. */
function drawnAs(limb: Limb): string {
  const line = LIMB_LINES.find((one) => one.limb === limb)
  return line ? ` (${line.drawn})` : ''
}
