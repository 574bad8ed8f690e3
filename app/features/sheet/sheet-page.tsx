import { Printer } from 'lucide-react'
import { Link } from 'react-router'
import { PageView } from '~/drawing/figures/page-view'
import { SheetChoicesForm } from './sheet-choices-form'
import { SheetFiles } from './sheet-files'
import { SheetLicks } from './sheet-licks'
import { SheetSound } from './sheet-sound'
import { useSheet } from './use-sheet'
import { useSheetState } from './use-sheet-state'

/** A sheet: what is on it and how at the left, the pages as they will be printed at the right. */
export function SheetPage() {
  const { state, texts, change } = useSheetState()
  const { pages, titles, licks, late } = useSheet(state, texts)
  const filled = state.ids.length > 0 || state.solo !== null
  const name = state.title || titles.find((title) => title !== null) || 'Sheet'
  return (
    <div className="mx-auto grid w-full max-w-7xl items-start gap-x-8 gap-y-6 px-4 py-7 pb-20 sm:px-5 lg:grid-cols-[20rem_1fr] lg:grid-rows-[auto_1fr] print:block print:max-w-none print:p-0">
      <div className="flex min-w-0 flex-col gap-5 print:hidden">
        <h1 className="font-semibold text-3xl tracking-tight">Sheet</h1>
        {pages && filled && (
          <div className="flex flex-wrap items-center gap-2">
            <button type="button" className="btn btn-primary" onClick={() => window.print()}>
              <Printer size={18} aria-hidden /> Print
            </button>
            <SheetFiles pages={pages} name={name} />
          </div>
        )}
        {state.solo === null ? (
          <>
            {licks.length > 0 && <SheetSound licks={licks} name={name} />}
            <SheetLicks state={state} titles={titles} onChange={change} />
          </>
        ) : (
          <p className="text-sm">
            <Link className="link" to={`/solos/${state.solo}`}>
              Back to the solo
            </Link>
          </p>
        )}
      </div>
      <div className="flex min-w-0 flex-col gap-6 lg:row-span-2 print:block" aria-busy={late}>
        {!filled && (
          <p className="text-(--quiet) lg:pt-3 print:hidden">
            Add a lick, or select licks in the{' '}
            <Link className="link" to="/">
              library
            </Link>{' '}
            and choose Sheet.
          </p>
        )}
        {filled &&
          pages?.map((page, i) => (
            <PageView
              key={i}
              page={page}
              paper={state.choices.paper}
              label={`Page ${i + 1} of ${pages.length}`}
            />
          ))}
      </div>
      <div className="flex min-w-0 flex-col gap-5 print:hidden">
        <SheetChoicesForm state={state} onChange={change} />
      </div>
    </div>
  )
}
