import { Printer } from 'lucide-react'
import { Link } from 'react-router'
import { PageView } from '~/drawing/figures/page-view'
import { SheetChoicesForm } from './sheet-choices-form'
import { SheetFiles } from './sheet-files'
import { SheetLicks } from './sheet-licks'
import { useSheet } from './use-sheet'
import { useSheetState } from './use-sheet-state'

/** A sheet: what is on it and how at the left, the pages as they will be printed at the right. */
export function SheetPage() {
  const { state, change } = useSheetState()
  const { pages, titles, late } = useSheet(state)
  const name = state.title || titles.find((title) => title !== null) || 'Sheet'
  return (
    <div className="mx-auto flex w-full max-w-7xl flex-col gap-6 px-4 py-7 pb-20 sm:px-5 lg:flex-row print:block print:max-w-none print:p-0">
      <div className="flex min-w-0 flex-col gap-5 lg:w-80 lg:shrink-0 print:hidden">
        <h1 className="font-semibold text-3xl tracking-tight">Sheet</h1>
        {pages && state.ids.length > 0 && (
          <div className="flex flex-wrap gap-2">
            <button type="button" className="btn btn-primary" onClick={() => window.print()}>
              <Printer size={18} aria-hidden /> Print
            </button>
            <SheetFiles pages={pages} name={name} />
          </div>
        )}
        <SheetLicks state={state} titles={titles} onChange={change} />
        <SheetChoicesForm state={state} onChange={change} />
      </div>
      <div className="flex min-w-0 grow flex-col gap-6 print:block" aria-busy={late}>
        {state.ids.length === 0 && (
          <p className="text-(--quiet) print:hidden">
            Add a lick at the left, or select licks in the{' '}
            <Link className="link" to="/">
              library
            </Link>{' '}
            and choose Sheet.
          </p>
        )}
        {state.ids.length > 0 &&
          pages?.map((page, i) => (
            <PageView
              key={i}
              page={page}
              paper={state.choices.paper}
              label={`Page ${i + 1} of ${pages.length}`}
            />
          ))}
      </div>
    </div>
  )
}
