import { useCallback, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Settings } from '~/storage'

/** The settings as they are on this page, kept as they change. */
export function useSettings(stored: Settings) {
  const [settings, setSettings] = useState(stored)
  const { submit } = useFetcher()
  const change = useCallback(
    (changed: Partial<Settings>) => {
      setSettings((now) => ({ ...now, ...changed }))
      submit(JSON.stringify(changed), {
        method: 'post',
        action: '/settings',
        encType: 'application/json',
      })
    },
    [submit],
  )
  return { settings, change }
}
