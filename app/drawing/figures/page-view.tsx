import { memo } from 'react'
import type { Page, Paper } from '~/core/sheet'
import { FigureView } from './figure-view'

/** A page of a sheet as it is printed, black on white whatever the theme. */
export const PageView = memo(function PageView({
  page,
  paper,
  label,
}: {
  readonly page: Page
  /** What it is printed on. */
  readonly paper: Paper
  readonly label: string
}) {
  const { width, height, space, figures } = page
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="sheet-page"
      data-paper={paper}
      style={{ aspectRatio: `${width} / ${height}` }}
      fill="currentColor"
      role="img"
      aria-label={label}
    >
      <g transform={`scale(${space})`}>
        {figures.map((figure, i) => (
          <FigureView key={i} figure={figure} />
        ))}
      </g>
    </svg>
  )
})
