import type { BarShape } from '~/core/solo'
import { NumberField } from '~/ui/number-field'
import { Button } from '~/ui/parts'

/** Every bar in figures, and what is wanted of it by number: the same as drawing over the columns. */
export function ShapeTable({
  shape,
  wish,
  onWish,
  onClear,
}: {
  shape: readonly BarShape[]
  wish: readonly (number | null)[]
  onWish: (bar: number, value: number) => void
  onClear: () => void
}) {
  const drawn = wish.some((value) => value !== null)
  return (
    <details>
      <summary className="cursor-pointer font-semibold text-sm">The shape in figures</summary>
      <p className="mt-1 text-(--quiet) text-sm">
        Amount is the sum of all strokes with their loudness, as a share of the fullest bar.
        Register is the mean height on the staff of what the hands strike, in steps from its lowest
        line.
      </p>
      {drawn && (
        <p className="mt-1">
          <Button onClick={onClear}>Clear what is wanted</Button>
        </p>
      )}
      <div className="mt-1 max-h-96 overflow-y-auto">
        <table className="w-full text-right text-sm tabular-nums">
          <thead className="text-(--quiet) text-xs">
            <tr>
              {['Bar', 'Strokes', 'Kicks', 'Loudness', 'Register', 'Amount', 'Wanted'].map(
                (head) => (
                  <th key={head} scope="col" className="font-normal">
                    {head}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {shape.map(({ strokes, kicks, loudness, register, weight }, bar) => (
              <tr key={bar} className="border-base-300 border-t">
                <th scope="row" className="font-normal">
                  {bar + 1}
                </th>
                <td>{strokes}</td>
                <td>{kicks}</td>
                <td>{loudness === null ? '–' : Math.round(loudness)}</td>
                <td>{register === null ? '–' : register.toFixed(1)}</td>
                <td>{Math.round(weight * 100)} %</td>
                <td>
                  <NumberField
                    label={`Wanted of bar ${bar + 1}, percent`}
                    className="w-14 text-right"
                    min={0}
                    max={100}
                    value={Math.round((wish[bar] ?? weight) * 100)}
                    onChange={(value) => onWish(bar, value / 100)}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  )
}
