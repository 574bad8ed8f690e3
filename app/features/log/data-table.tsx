/** The figures of a chart for those who do not see it. */
export function DataTable({
  caption,
  head,
  rows,
}: {
  caption: string
  head: readonly string[]
  rows: readonly (readonly (string | number)[])[]
}) {
  return (
    <details className="mt-1 text-sm">
      <summary className="cursor-pointer text-(--quiet)">As a table</summary>
      <table className="mt-1 tabular-nums">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr>
            {head.map((name) => (
              <th key={name} scope="col" className="pr-6 text-left font-normal text-(--quiet)">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row[0]}>
              {row.map((value, i) => (
                <td key={head[i]} className="pr-6">
                  {value}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}
