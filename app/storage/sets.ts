import { ok, type Result } from '~/core/foundation'
import type { StoreIssue } from './issue'
import { type NewLick, toLickRecord } from './licks'
import type { SetRecord } from './records'
import type { Change } from './write'
import { write } from './writer'

/** Saves new licks and a set of them: all of it, or nothing. Those first in the set count as changed last. */
export async function addLicksAsSet(
  licks: readonly NewLick[],
  set: SetRecord,
  now: number,
): Promise<Result<string, StoreIssue>> {
  const changes: Change[] = [
    ...licks.map(
      (lick, i): Change => ({
        kind: 'save',
        table: 'licks',
        record: toLickRecord(lick, now - i),
        base: null,
      }),
    ),
    { kind: 'save', table: 'sets', record: set, base: null },
  ]
  const written = await write(changes, now)
  return written.ok ? ok(set.id) : written
}
