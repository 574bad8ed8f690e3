import { lazy, Suspense, useState } from 'react'
import { LoadBoundary } from '~/ui/load-boundary'
import { PopUp } from '~/ui/pop-up'

const MoreRows = lazy(() => import('./more-rows'))

/** What is done less often with the marked slots: slots, grids, bar checks, groups, the graces' drum. */
export function MoreActions() {
  const [open, setOpen] = useState(false)
  return (
    <PopUp label="More for the selection" words="more" open={open} onOpen={setOpen}>
      <LoadBoundary what="The list">
        <Suspense fallback={<p className="text-sm">Opening …</p>}>
          <MoreRows onDone={() => setOpen(false)} />
        </Suspense>
      </LoadBoundary>
    </PopUp>
  )
}
