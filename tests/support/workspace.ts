import type { Kept, LickRecord, RecordSaver } from '~/storage'
import { HistoryMemory } from '~/workspace/documents/history-memory'
import { LickSession } from '~/workspace/documents/lick-session'
import { Workspace } from '~/workspace/workspace'

/** A workspace of a lick's text that saves nowhere. */
export function workspaceOf(text: string, voicing = ''): Workspace {
  const record: Kept<LickRecord> = {
    id: 'a',
    version: 2,
    text,
    draft: null,
    voicing,
    revision: 0,
    createdAt: 0,
    updatedAt: 0,
    deletedAt: null,
  }
  const saver = { id: 'a', change: () => {} } as unknown as RecordSaver<'licks'>
  return new Workspace(new LickSession(record, false, saver, new HistoryMemory(null)))
}
