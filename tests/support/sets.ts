import type { SetRecord } from '~/storage'

/** A set of some licks, in their order, with nothing said of any. */
export const setOf = (...ids: string[]): SetRecord => ({
  id: 's',
  version: 1,
  createdAt: 0,
  name: 'Warm-up',
  note: '',
  minutes: 5,
  plan: null,
  exercises: ids.map((lickId) => ({ lickId, minutes: null, plan: null })),
})
