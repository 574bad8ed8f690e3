import { memo, useState } from 'react'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { PopUp } from '~/ui/pop-up'

const MoreRows = lazyComponent(async () => (await import('./more-rows')).default)

/** What is done less often with the marked slots: slots, grids, bar checks, groups, the graces' drum. */
export const MoreActions = memo(function MoreActions() {
  const [open, setOpen] = useState(false)
  return (
    <PopUp label="More for the selection" words="more" open={open} onOpen={setOpen}>
      <LoadBoundary what="The list">
        <MoreRows waiting={<p className="text-sm">Opening …</p>} onDone={() => setOpen(false)} />
      </LoadBoundary>
    </PopUp>
  )
})
