import { fail } from '~/core/foundation'
import { saveRecord } from '~/storage'
import type { KeptTable, RecordOf } from '~/storage/tables'
import type { Keeping, WhyAside } from './stored-document'

/**
 * Puts versions of a record aside as records of their own; what cannot be read is not put aside.
 *
 * @example aside('sets', (set, why) => ({ ...set, id: newId(), name: `${set.name}, ${why}` }))
 */
export function aside<K extends KeptTable>(
  table: K,
  copyOf: (record: RecordOf[K], why: WhyAside) => RecordOf[K] | null,
): Keeping<K, unknown>['setAside'] {
  return async (record, why) => {
    const copy = copyOf(record, why)
    return copy ? saveRecord(table, copy, null) : fail({ code: 'broken-record', detail: '' })
  }
}
