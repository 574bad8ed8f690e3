import { useCallback } from 'react'
import { type SubmitTarget, useFetcher } from 'react-router'
import type { CellCommand, GrooveCommand, SaveNotice, VersionCommand } from './saved-store'

/** Tells a route to save or delete something, and what came of it. */
export function useSaving<Command extends CellCommand | GrooveCommand | VersionCommand>(
  action: string,
) {
  const { submit, data, state } = useFetcher<SaveNotice>()
  const tell = useCallback(
    (command: Command) =>
      void submit(command as SubmitTarget, {
        method: 'post',
        encType: 'application/json',
        action,
      }),
    [submit, action],
  )
  return { tell, trouble: data?.trouble ?? '', busy: state !== 'idle' }
}
