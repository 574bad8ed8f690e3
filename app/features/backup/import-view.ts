import type { IncomingEntry, IncomingTable, Standing } from '~/storage/backup'
import { plural } from '~/words/figures'

/** What the entries of a table are called, one and several. */
export const TABLE_WORDS: Readonly<Record<IncomingTable, readonly [one: string, many: string]>> = {
  licks: ['lick', 'licks'],
  versions: ['version', 'versions'],
  cells: ['cell', 'cells'],
  grooves: ['groove', 'grooves'],
  kits: ['kit', 'kits'],
  sets: ['set', 'sets'],
  solos: ['solo', 'solos'],
  plans: ['practice plan', 'practice plans'],
  sittings: ['practice session', 'practice sessions'],
  settings: ['settings', 'settings'],
  aside: ['entry', 'entries'],
}

export const STANDINGS: readonly Standing[] = ['new', 'same', 'different', 'unreadable']

/** One kind of thing in a file, and how many of it stand how. */
export interface TableRow {
  readonly table: IncomingTable
  readonly name: string
  readonly counts: Readonly<Record<Standing, number>>
}

/** What files would bring, kind by kind, in the order of the kinds. */
export function toTableRows(entries: readonly IncomingEntry[]): TableRow[] {
  return (Object.keys(TABLE_WORDS) as IncomingTable[]).flatMap((table) => {
    const own = entries.filter((entry) => entry.table === table)
    if (own.length === 0) return []
    const count = (standing: Standing) => own.filter((entry) => entry.standing === standing).length
    const counts = {
      new: count('new'),
      same: count('same'),
      different: count('different'),
      unreadable: count('unreadable'),
    }
    const [one, many] = TABLE_WORDS[table]
    return [{ table, name: capital(own.length === 1 ? one : many), counts }]
  })
}

function capital(word: string): string {
  return word.charAt(0).toUpperCase() + word.slice(1)
}

/** `3 added, 1 replaced, 2 kept aside, 40 left as they are` */
export function doneWords(done: {
  readonly added: number
  readonly restored: number
  readonly replaced: number
  readonly aside: number
  readonly skipped: number
  readonly cancelled: boolean
}): string {
  const parts = [
    `${done.added} added`,
    done.restored > 0 ? `${done.restored} back from the bin` : '',
    done.replaced > 0 ? `${done.replaced} replaced` : '',
    done.aside > 0 ? `${done.aside} kept aside` : '',
    done.skipped > 0 ? `${done.skipped} left as they are` : '',
  ].filter(Boolean)
  return `${done.cancelled ? 'Cancelled after: ' : 'Done: '}${parts.join(', ')}.`
}

const DAY = 24 * 60 * 60 * 1000
const REMIND_DAYS = 14

/** Whether to remind of a backup, and in which words; empty where not. */
export function reminderWords(
  { at, since }: { readonly at: number | null; readonly since: number | null },
  now: number,
): string {
  if (since === null) return ''
  const from = at ?? since
  // A clock that was set wrong says nothing of how old a backup is.
  const days = Math.floor((now - from) / DAY)
  if (days < REMIND_DAYS) return ''
  return at === null
    ? 'Your licks are in this browser only. Save a backup file now and then.'
    : `The last backup is ${plural(days, 'day')} old.`
}

/** `12.3 MB of 1.0 GB` */
export function sizeWords(bytes: number): string {
  const [unit, size] =
    bytes >= 1e9 ? ['GB', bytes / 1e9] : bytes >= 1e6 ? ['MB', bytes / 1e6] : ['kB', bytes / 1e3]
  return `${size.toFixed(1)} ${unit}`
}
