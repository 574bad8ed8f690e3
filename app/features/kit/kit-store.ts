import { nanoid } from 'nanoid'
import * as z from 'zod'
import { formatKit, parseKit } from '~/codecs/kit'
import { findVoicedLick } from '~/codecs/voicing'
import type { Kit } from '~/core/kit'
import { lineEvents } from '~/core/line'
import type { Voice } from '~/core/sticking'
import {
  deleteRecord,
  kitRecordSchema,
  listKits,
  listLicks,
  listSessions,
  loadSettings,
  saveKit,
  saveSettings,
} from '~/storage'
import { cleanPlays } from '../log/played-clean'
import { ownKits } from './setting'

/** What came of a change of kits: the kit to show, or why it could not be. */
export interface KitNotice {
  readonly trouble: string
  readonly id?: string
}

const commandSchema = z.discriminatedUnion('intent', [
  z.object({ intent: z.literal('save'), id: z.string().optional(), kit: z.string().max(65536) }),
  z.object({ intent: z.literal('delete'), id: z.string().min(1) }),
])
export type KitCommand = z.input<typeof commandSchema>

/** A voice that licks use, and how many do. */
export interface VoiceUse {
  readonly surface: Voice
  readonly licks: readonly string[]
}

/** The player's kits and settings, and which licks use which surface. */
export async function openKits() {
  const [kits, settings, licks, sessions] = await Promise.all([
    listKits(),
    loadSettings(),
    listLicks(),
    listSessions(),
  ])
  const records = licks.ok ? licks.value.licks : []
  const uses = new Map<Voice, string[]>()
  for (const record of records) {
    const lick = findVoicedLick(record)
    if (!lick) continue
    for (const surface of new Set(lineEvents(lick).map((event) => event.surface))) {
      uses.set(surface, [...(uses.get(surface) ?? []), lick.title || 'Untitled'])
    }
  }
  return {
    own: ownKits(kits.ok ? kits.value : []),
    settings,
    plays: sessions.ok ? cleanPlays(records, sessions.value) : [],
    uses: [...uses].map(([surface, names]): VoiceUse => ({ surface, licks: names })),
  }
}

/** Saves or deletes a kit of the player's own. A new one is the one that is played on. */
export async function changeKits(sent: unknown): Promise<KitNotice> {
  const command = commandSchema.safeParse(sent)
  if (!command.success)
    return { trouble: 'The kit was not changed: the request could not be read.' }
  const { data } = command
  if (data.intent === 'delete') {
    const deleted = await deleteRecord('kits', data.id)
    return {
      trouble: deleted.ok ? '' : 'It could not be deleted: the browser’s storage does not respond.',
    }
  }
  const read = parseKit(data.kit)
  if (!read.ok) return { trouble: `This file is not a kit: ${read.error}` }
  const id = data.id ?? `kit-${nanoid(8)}`
  return saveOwn({ ...read.value, id })
}

async function saveOwn(kit: Kit): Promise<KitNotice> {
  const known = await listKits()
  const before = known.ok ? known.value.find(({ id }) => id === kit.id) : undefined
  const record = kitRecordSchema.safeParse({
    id: kit.id,
    version: 1,
    kit: formatKit(kit),
    createdAt: before?.createdAt ?? Date.now(),
  })
  if (!record.success) return { trouble: 'The name of the kit cannot be used.' }
  const kept = await saveKit(record.data)
  if (!kept.ok) return { trouble: 'It could not be saved: the browser’s storage does not respond.' }
  if (!before) await saveSettings({ ...(await loadSettings()), kit: kit.id })
  return { trouble: '', id: kit.id }
}
