import { DEFAULT_SETTINGS, loadSettings, type Settings, saveSettings } from '~/storage'

/** Stores what a form or a page changed; fields that are not sent stay as they are. */
export async function saveSettingsFrom(request: Request) {
  const sent: unknown = await request.json()
  const known = await loadSettings()
  const changes = Object.entries(typeof sent === 'object' && sent !== null ? sent : {}).filter(
    ([field]) => field in DEFAULT_SETTINGS,
  )
  return saveSettings({ ...known, ...(Object.fromEntries(changes) as Partial<Settings>) })
}
