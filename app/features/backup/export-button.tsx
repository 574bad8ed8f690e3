import type { ReactNode } from 'react'
import { ErrorText } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { JobProgress } from './job-progress'
import { useJob } from './use-job'

interface ExportButtonProps {
  /** The licks to export, with all that is theirs; null for a backup of everything. */
  readonly lickIds: readonly string[] | null
  /** Sets that go along. */
  readonly setIds?: readonly string[]
  readonly className: string
  readonly children: ReactNode
}

/** Writes a backup file in a worker, with its progress and the way to cancel. */
export function ExportButton({ lickIds, setIds = [], className, children }: ExportButtonProps) {
  const { state, run, cancel } = useJob<void>()
  const save = () =>
    run(async (onTold, signal) => {
      const { filesWorker } = await import('~/workers')
      const at = Date.now()
      const { zip } = await filesWorker.ask('export', { lickIds, setIds, at }, { onTold, signal })
      saveFile(fileName(lickIds, at), 'application/zip', zip)
    })
  if (state.kind === 'running')
    return <JobProgress label="Exporting" {...state} onCancel={cancel} />
  return (
    <>
      <button type="button" className={className} onClick={() => void save()}>
        {children}
      </button>
      <ErrorText words={state.kind === 'failed' ? `Not exported: ${state.message}` : ''} />
    </>
  )
}

/** `dime-stack-backup-2026-11-26.zip` */
function fileName(lickIds: readonly string[] | null, at: number): string {
  const date = new Date(at)
  const two = (value: number) => String(value).padStart(2, '0')
  const day = `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
  return `dime-stack-${lickIds ? 'licks' : 'backup'}-${day}.zip`
}
