import { useMemo } from 'react'
import type { Lick } from '~/core/line'
import { loadOf } from '~/core/playability'
import { Part } from '~/ui/parts'
import { tenth } from '~/words/figures'
import { LIMB_NAMES } from '~/words/limb-names'

/** What every limb is asked for at a tempo, the line and the ostinatos together. */
export function LoadPart({ lick, tempo }: { lick: Lick; tempo: number }) {
  const rows = useMemo(() => loadOf(lick, tempo), [lick, tempo])
  if (rows.length === 0) return null
  return (
    <Part
      title="Load"
      aside={
        <span className="text-(--quiet) text-xs">
          at {tempo}
          {lick.ostinatos.length > 0 && ', with the ostinatos'}
        </span>
      }
    >
      <table className="w-full text-sm">
        <thead className="text-(--quiet) text-xs">
          <tr>
            <th className="text-left font-normal">limb</th>
            <th className="text-right font-normal">strokes</th>
            <th className="pl-3 text-right font-normal">a second</th>
            <th className="pl-3 text-right font-normal">shortest gap</th>
            <th className="pl-3 text-right font-normal">longest run</th>
          </tr>
        </thead>
        <tbody className="tabular-nums">
          {rows.map(({ limb, strokes, perSecond, shortestMs, longestRun }) => (
            <tr key={limb}>
              <th scope="row" className="py-0.5 text-left font-normal first-letter:uppercase">
                {LIMB_NAMES[limb]}
              </th>
              <td className="text-right">{strokes}</td>
              <td className="pl-3 text-right">{tenth(perSecond)}</td>
              <td className="pl-3 text-right">
                {shortestMs === null ? '–' : `${Math.round(shortestMs)} ms`}
              </td>
              <td className="pl-3 text-right">{longestRun ?? '?'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Part>
  )
}
