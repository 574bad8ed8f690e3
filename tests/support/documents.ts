import { formatKit } from '~/codecs/kit'
import { DEFAULT_KIT } from '~/core/kit'
import { EMPTY_LICK } from '~/core/line'
import type { RecordSaver } from '~/storage'
import type { Kept, KeptTable, RecordOf } from '~/storage/tables'
import { HistoryMemory } from '~/workspace/documents/history-memory'
import { KitDocument } from '~/workspace/documents/kit-document'
import { LickSession } from '~/workspace/documents/lick-session'
import { newPlan, PLAN_KEEPING } from '~/workspace/documents/plan-document'
import { SET_KEEPING } from '~/workspace/documents/set-document'
import { SoloDocument, toSoloRecord } from '~/workspace/documents/solo-document'
import { type Follow, StoredDocument } from '~/workspace/documents/stored-document'
import { setOf } from './sets'
import { parts, soloOf } from './solos'

export type AnyDocument = StoredDocument<KeptTable, unknown, unknown>
export type AnySaver = RecordSaver<KeptTable>
export type AnyFollow = Follow<KeptTable>
export type AnyRecord = RecordOf[KeptTable]

/** One of the five kinds of documents, of which each state is known by one figure that is written in it. */
interface Kind<K extends KeptTable> {
  readonly table: K
  readonly record: (id: string, figure: number) => RecordOf[K]
  readonly open: (stored: Kept<RecordOf[K]>, saver: RecordSaver<K>, follow?: Follow<K>) => unknown
  readonly write: (document: never, figure: number) => void
}

const NOT_TURNED = { turnKit: false, turnFeet: false }
const solo = (figure: number) => ({ ...soloOf([parts.groove(1)]), title: `no ${figure}` })
const kit = (id: string, figure: number) => ({ ...DEFAULT_KIT, id, name: `no ${figure}` })

const licks: Kind<'licks'> = {
  table: 'licks',
  record: (id, figure) => ({
    id,
    version: 2,
    text: `title: no ${figure}\nline: RL`,
    draft: null,
    voicing: '',
    revision: 0,
    createdAt: 0,
    updatedAt: 0,
    deletedAt: null,
  }),
  open: (stored, saver, follow) =>
    new LickSession(stored, false, saver, new HistoryMemory(null), follow),
  write: (document: LickSession, figure) =>
    document.run({ kind: 'set', rows: [['title', [`no ${figure}`]]] }),
}
const kits: Kind<'kits'> = {
  table: 'kits',
  record: (id, figure) => ({ id, version: 1, kit: formatKit(kit(id, figure)), createdAt: 0 }),
  open: ({ id }, saver, follow) => new KitDocument(kit(id, 0), saver, 0, follow),
  write: (document: KitDocument, figure) =>
    document.change((now) => ({ ...now, name: `no ${figure}` }), NOT_TURNED),
}
const sets: Kind<'sets'> = {
  table: 'sets',
  record: (id, figure) => ({ ...setOf('a'), id, name: `no ${figure}` }),
  open: ({ id }, saver, follow) =>
    new StoredDocument(saver, sets.record(id, 0), null, SET_KEEPING, follow),
  write: (document: StoredDocument<'sets', RecordOf['sets']>, figure) =>
    document.edit((now) => ({ ...now, name: `no ${figure}` })),
}
const solos: Kind<'solos'> = {
  table: 'solos',
  record: (id, figure) => toSoloRecord({ id, createdAt: 0 }, solo(figure)),
  open: (stored, saver, follow) => new SoloDocument(stored, solo(0), saver, follow),
  write: (document: SoloDocument, figure) =>
    document.edit((now) => ({ ...now, title: `no ${figure}` })),
}
const plans: Kind<'plans'> = {
  table: 'plans',
  record: (id, figure) => ({ ...newPlan(id, EMPTY_LICK, 0), repeats: figure + 1 }),
  open: ({ id }, saver, follow) =>
    new StoredDocument(saver, plans.record(id, 0), null, PLAN_KEEPING, follow),
  write: (document: StoredDocument<'plans', RecordOf['plans']>, figure) =>
    document.edit((now) => ({ ...now, repeats: figure + 1 })),
}

/** A kind of document, whatever kind it is. */
export interface AnyKind {
  readonly table: KeptTable
  readonly record: (id: string, figure: number) => AnyRecord
  readonly open: (stored: Kept<AnyRecord>, saver: AnySaver, follow?: AnyFollow) => AnyDocument
  readonly write: (document: AnyDocument, figure: number) => void
}
export const DOCUMENT_KINDS = [licks, kits, sets, solos, plans] as unknown as readonly AnyKind[]

/** The figure that was written into a record, or into what was put aside of it. */
export function figureOf(record: object): number {
  const { text, kit, name, repeats } = record as Record<string, string | number | undefined>
  if (repeats !== undefined) return Number(repeats) - 1
  return Number(/no (\d+)/.exec(String(text ?? kit ?? name))?.[1])
}
