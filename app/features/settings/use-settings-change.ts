import { useCallback } from 'react'
import { useFetcher } from 'react-router'
import type { Settings } from '~/storage'

/** Stores changed settings, wherever on the pages they are changed. */
export function useSettingsChange(): (changed: Partial<Settings>) => void {
  const { submit } = useFetcher()
  return useCallback(
    (changed) =>
      void submit(JSON.stringify(changed), {
        method: 'post',
        action: '/settings',
        encType: 'application/json',
      }),
    [submit],
  )
}
