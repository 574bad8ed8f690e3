import { X } from 'lucide-react'
import type { WorkspaceState } from '~/workspace/workspace'
import { useSlice, useWorkspace } from './state/use-workspace'

const noticeOf = ({ notice }: WorkspaceState) => notice

/** What was not done, or what a change kept, said where the line is typed. */
export function NoticeLine() {
  const workspace = useWorkspace()
  const notice = useSlice(noticeOf)
  return (
    <div role="status" className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm empty:hidden">
      {notice && (
        <>
          <span>{notice.message}</span>
          {notice.offer && (
            <button
              type="button"
              className="btn btn-outline border-base-300 btn-sm font-normal"
              onClick={notice.offer.act}
            >
              {notice.offer.label}
            </button>
          )}
          <button
            type="button"
            className="btn btn-ghost btn-square btn-xs"
            aria-label="Dismiss"
            onClick={() => workspace.dismiss()}
          >
            <X size={14} aria-hidden />
          </button>
        </>
      )}
    </div>
  )
}
