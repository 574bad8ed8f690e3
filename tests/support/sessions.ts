import type { PracticeSessionRecord } from '~/storage'

/** A minute of a lick in the bar, played clean at 100, unless told otherwise. */
export function sessionRecord(
  id: string,
  createdAt: number,
  rest: Partial<PracticeSessionRecord> = {},
): PracticeSessionRecord {
  return {
    ...{ id, version: 3, lickId: 'a', createdAt, part: '', step: 'in the bar', tempo: 100 },
    ...{ repeats: 8, seconds: 60, rating: 'clean', tense: false, grid: '1/16', form: '', note: '' },
    ...rest,
  } as PracticeSessionRecord
}
