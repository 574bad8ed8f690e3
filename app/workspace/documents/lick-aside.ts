import { nanoid } from 'nanoid'
import { type LickRecord, saveRecord } from '~/storage'
import type { WhyAside } from './stored-document'

const ASIDE_WORDS: Readonly<Record<WhyAside, string>> = {
  'from another tab': 'From another tab',
  'before the change': 'Mine, before the change',
}

/** Puts a state of a lick aside, among its versions. */
export function lickAside({ id: lickId, text, voicing }: LickRecord, why: WhyAside) {
  const time = new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  const name = `${ASIDE_WORDS[why]}, ${time}`
  const version = { id: nanoid(), version: 1 as const, lickId, name, text, voicing }
  return saveRecord('versions', { ...version, createdAt: Date.now() }, null)
}
