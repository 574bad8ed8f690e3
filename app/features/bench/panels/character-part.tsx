import { useMemo } from 'react'
import type { Lick } from '~/core/line'
import { type Character, characterOf, type PlayContext } from '~/core/playability'
import { useOthers } from '~/live/use-others'
import { Part } from '~/ui/parts'
import { plural, tenth } from '~/words/figures'
import { LIMB_NAMES } from '~/words/limb-names'

interface CharacterProps {
  readonly id: string
  readonly lick: Lick
  readonly setting: PlayContext
  readonly tempo: number
}

/** What the lick is like, and where it stands among the others of the library. */
export function CharacterPart({ id, lick, setting, tempo }: CharacterProps) {
  const others = useOthers(id, setting)
  const own = useMemo(
    () => characterOf(lick, setting.kit, tempo, setting.grooves),
    [lick, setting, tempo],
  )
  const rows = characterRows(own)
  const { undecided } = own
  return (
    <Part title="Character">
      <table className="w-full text-sm">
        <thead className="text-(--quiet) text-xs">
          <tr>
            <th className="text-left font-normal">figure</th>
            <th className="text-right font-normal">here</th>
            <th className="pl-4 text-left font-normal">
              {others.length > 0 ? `compared with ${plural(others.length, 'other lick')}` : ''}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, figure, value }) => (
            <tr key={name}>
              <th scope="row" className="py-0.5 text-left font-normal">
                {name}
              </th>
              <td className="text-right tabular-nums">{figure}</td>
              <td className="pl-4 text-(--quiet) text-xs">
                {value && others.length > 0 ? standing(value(own), others.map(value)) : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {undecided > 0 && (
        <p className="text-(--quiet) text-xs">
          {plural(undecided, 'stroke')} by undecided hands: not counted as doubles or runs.
        </p>
      )}
    </Part>
  )
}

interface CharacterRow {
  readonly name: string
  readonly figure: string
  /** What is compared with other licks; nothing where that says little. */
  readonly value?: (character: Character) => number
}

function characterRows(own: Character): CharacterRow[] {
  const { longestRun, backbeats, travel } = own
  return [
    { name: 'line is linear', figure: own.linear ? 'yes' : 'no' },
    {
      name: 'slots that sound',
      figure: `${own.soundingSlots} of ${own.slots}`,
      value: ({ soundingSlots, slots }) => soundingSlots / Math.max(1, slots),
    },
    {
      name: 'kicks',
      figure: `${own.kicks} of ${own.strokes}`,
      value: ({ kicks, strokes }) => kicks / Math.max(1, strokes),
    },
    {
      name: 'doubles',
      figure: String(own.doubles),
      value: ({ doubles, strokes }) => doubles / Math.max(1, strokes),
    },
    {
      name: 'longest run of a limb',
      figure: longestRun ? `${longestRun.length}, ${LIMB_NAMES[longestRun.limb]}` : 'none',
      value: (one) => one.longestRun?.length ?? 0,
    },
    {
      name: 'strokes a second, at this tempo',
      figure: tenth(own.strokesPerSecond),
      value: ({ strokesPerSecond }) => strokesPerSecond,
    },
    {
      name: 'accents on the beat, off it',
      figure: `${own.accentsOnBeat}, ${own.accentsOffBeat}`,
      value: ({ accentsOffBeat, accentsOnBeat }) =>
        accentsOffBeat / Math.max(1, accentsOffBeat + accentsOnBeat),
    },
    { name: 'backbeats kept', figure: `${backbeats.kept} of ${backbeats.all}` },
    {
      name: 'right hand travels',
      figure: `${Math.round(travel.RH)} cm`,
      value: (one) => one.travel.RH / Math.max(1, one.strokes),
    },
    {
      name: 'left hand travels',
      figure: `${Math.round(travel.LH)} cm`,
      value: (one) => one.travel.LH / Math.max(1, one.strokes),
    },
  ]
}

/** `more than 6 of 9`, in share, not in number. */
function standing(own: number, others: readonly number[]): string {
  const less = others.filter((other) => other < own - 1e-9).length
  const more = others.filter((other) => other > own + 1e-9).length
  if (less === 0 && more === 0) return 'like all others'
  if (less === 0) return more === others.length ? 'the least of all' : 'among the least'
  if (more === 0) return less === others.length ? 'the most of all' : 'among the most'
  return `more than ${less} of ${others.length}`
}
