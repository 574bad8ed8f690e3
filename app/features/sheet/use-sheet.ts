import { useCallback, useDeferredValue, useMemo } from 'react'
import { parseSolo } from '~/codecs/solo'
import type { Result } from '~/core/foundation'
import type { Lick } from '~/core/line'
import { layOut, lookOf, type Page } from '~/core/sheet'
import type { Solo } from '~/core/solo'
import { useSettings } from '~/live/use-live'
import { useOwnGrooves } from '~/live/use-own'
import { useRead } from '~/live/use-read'
import { useCounting, useSettingFor } from '~/live/use-setting'
import { liveLogs, loadKept, loadLicks, loadPlan, loadVersions } from '~/storage'
import { sheetOf, soloSheet } from '~/words/sheet-words'
import { turnLick } from '~/workspace/turned'
import { type SheetState, textOf } from './sheet-address'
import { entryOf, type SheetSource } from './sheet-entries'

/** A sheet as it stands: its pages, and what is on it. */
export interface ShownSheet {
  /** Null until the licks have been read. */
  readonly pages: readonly Page[] | null
  /** The title of each lick in order; null where it is no longer there, or cannot be read. */
  readonly titles: readonly (string | null)[]
  readonly licks: readonly Lick[]
  /** Whether an older state is still shown. */
  readonly late: boolean
}

/** The pages of a sheet, laid out anew when the licks or the choices change. */
export function useSheet(state: SheetState, texts: readonly string[]): ShownSheet {
  const sources = useSources(state.ids, texts, state.solo)
  const grooves = useOwnGrooves()
  const setting = useSettingFor(DEFAULT)
  const counting = useCounting()
  const { turnLetters } = useSettings().settings
  const wanted = useMemo(() => ({ state, sources }), [state, sources])
  const shown = useDeferredValue(wanted)
  const made = useMemo(() => {
    const { sources: found, state: now } = shown
    if (!found) return { pages: null, titles: [], licks: [] }
    const { choices, under, title, note } = now
    // Never twice: where the page is turned already, the sheet is as the page is.
    const turned = choices.turned || turnLetters
    const notes = note === '' ? [] : [note]
    const reading = { counting, grooves, kit: setting.kit }
    if (now.solo !== null) {
      if (!found.solo) return { pages: [], titles: [null], licks: [] }
      const solo = { ...found.solo, title: title || found.solo.title }
      const turn = turned ? turnLick : undefined
      const sheet = soloSheet(solo, choices, { notes }, reading, turn)
      return { pages: layOut(sheet, lookOf(choices)), titles: [solo.title], licks: [] }
    }
    const read = found.licks.map((source) =>
      source ? entryOf(source, under, turned, setting) : undefined,
    )
    const entries = read.filter((entry) => entry !== undefined)
    const sheet = sheetOf(entries, choices, { title, notes }, reading)
    return {
      pages: layOut(sheet, lookOf(choices)),
      titles: read.map((entry) => (entry ? entry.lick.title || 'Untitled' : null)),
      licks: entries.map(({ lick }) => lick),
    }
  }, [shown, setting, counting, grooves, turnLetters])
  return { ...made, late: shown !== wanted }
}
const DEFAULT = { kit: null, unknown: [] }

/** What is on a sheet, as it was read: licks in order with their versions, or a solo. */
interface Sources {
  readonly key: string
  /** Null for a lick that is no longer there. */
  readonly licks: readonly (SheetSource | null)[]
  /** Null where the sheet is of licks, or where the solo cannot be read. */
  readonly solo: Solo | null
}

/** What is on a sheet; null until it has been read. */
function useSources(
  ids: readonly string[],
  texts: readonly string[],
  solo: string | null,
): Sources | null {
  const key = solo === null ? ids.join(',') : `solo ${solo}`
  const read = useCallback(
    () =>
      solo === null ? loadSources(key === '' ? [] : key.split(','), texts) : loadSolo(key, solo),
    [key, texts, solo],
  )
  const concerns = useCallback(
    (table: string, changed: readonly string[]) =>
      table === 'versions' ||
      table === 'plans' ||
      ((table === 'licks' || table === 'solos') && changed.some((id) => key.includes(id))),
    [key],
  )
  const found = useRead<Sources | null>(read, concerns, null)
  return found && found.key === key ? found : null
}

async function loadSolo(key: string, id: string): Promise<Result<Sources, unknown>> {
  const stored = await loadKept('solos', id)
  if (!stored.ok) return stored
  const read = stored.value && parseSolo(stored.value.solo)
  return { ok: true, value: { key, licks: [], solo: read?.ok ? read.value : null } }
}

async function loadSources(
  ids: readonly string[],
  texts: readonly string[],
): Promise<Result<Sources, unknown>> {
  const licks = await loadLicks(ids)
  if (!licks.ok) return licks
  const versions = await loadVersions(ids)
  if (!versions.ok) return versions
  const byId = new Map(licks.value.map((record) => [record.id, record]))
  const plans = await Promise.all(
    ids.map(async (id) => {
      const plan = await loadPlan(id)
      return plan.ok ? plan.value : null
    }),
  )
  const logs = (await liveLogs.open()).rows
  const sources = ids.map((id, i): SheetSource | null => {
    const text = textOf(id, texts)
    if (text !== undefined)
      return { id, text, voicing: '', versions: [], plan: null, log: undefined }
    const record = byId.get(id)
    const own = versions.value.filter(({ lickId }) => lickId === id)
    if (!record) return null
    const { text: stored, voicing } = record
    const [plan, log] = [plans[i] ?? null, logs.find((one) => one.lickId === id)]
    return { id, text: stored, voicing, versions: own, plan, log }
  })
  return { ok: true, value: { key: ids.join(','), licks: sources, solo: null } }
}
