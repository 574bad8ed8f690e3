import { useSyncExternalStore } from 'react'
import {
  type LiveState,
  type LiveTable,
  liveSettings,
  type Settings,
  type SettingsState,
} from '~/storage'

/** The rows of a live table, as they are in this tab and in every other. */
export function useLive<T>(table: LiveTable<T>): LiveState<T> {
  return useSyncExternalStore(table.subscribe, table.snapshot, table.snapshot)
}

/** The player's settings, and the way to change some of them; what cannot be saved is told by the shell. */
export function useSettings(): {
  readonly settings: Settings
  readonly change: (changed: Partial<Settings>) => void
} {
  const { settings } = useSettingsState()
  return { settings, change: changeSettings }
}

/** The settings with what is wrong with saving them. */
export function useSettingsState(): SettingsState {
  return useSyncExternalStore(liveSettings.subscribe, liveSettings.snapshot, liveSettings.snapshot)
}

const changeSettings = (changed: Partial<Settings>) => liveSettings.change(changed)
