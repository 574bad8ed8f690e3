import { nanoid } from 'nanoid'
import { formatKit, parseKit } from '~/codecs/kit'
import type { Kit } from '~/core/kit'
import { type Kept, type KitRecord, openSaver, type RecordSaver, type Settings } from '~/storage'
import { turnedKit } from '../setting'
import { aside } from './aside'
import { type Follow, type Keeping, StoredDocument } from './stored-document'

const OWN_PREFIX = 'kit-'

/** An id for a kit of the player's own. */
export function newKitId(): string {
  return `${OWN_PREFIX}${nanoid(8)}`
}

/** Whether an id is of a kit of the player's own. */
export function isOwnId(id: string): boolean {
  return id.startsWith(OWN_PREFIX)
}

const NAME_MOST = 80

function kitOf({ id, kit }: KitRecord): Kit | null {
  const read = parseKit(kit)
  return read.ok ? { ...read.value, id } : null
}

/** How kits are kept. */
export function kitKeeping(createdAt: number): Keeping<'kits', Kit> {
  return {
    toRecord: (kit) => ({ id: kit.id, version: 1, kit: formatKit(kit), createdAt }),
    fromRecord: kitOf,
    setAside: aside('kits', (record, why) => {
      const kit = kitOf(record)
      const id = newKitId()
      const name = `${kit?.name}, ${why}`.slice(0, NAME_MOST)
      const copy = kit && { ...kit, id, name }
      return copy && { id, version: 1, kit: formatKit(copy), createdAt: Date.now() }
    }),
    faultOf: (next) => {
      const read = parseKit(formatKit(next))
      return read.ok ? '' : `Not saved: ${read.error}.`
    },
  }
}

/** A kit as it is worked on. A preset becomes a kit of the player's own with its first change. */
export class KitDocument extends StoredDocument<'kits', Kit> {
  constructor(kit: Kit, saver: RecordSaver<'kits'>, createdAt: number, follow?: Follow<'kits'>) {
    super(saver, kit, null, kitKeeping(createdAt), follow)
  }

  /** Whether it is the player's own, and not a preset as it ships. */
  get isOwn(): boolean {
    return isOwnId(this.content.id)
  }

  /**
   * Changes the kit as it stands before a player, who may have it turned. A kit of the player's own stays
   * itself, whatever kit the change gives: a preset that is brought back is its pieces alone.
   */
  readonly change = (
    by: (kit: Kit) => Kit,
    turned: Pick<Settings, 'turnKit' | 'turnFeet'>,
    about = '',
  ): void => {
    const { content, saver } = this
    // Turning is its own inverse: back to how it is stored.
    const made = turnedKit(by(turnedKit(content, turned)), turned)
    const own = this.isOwn ? content : { ...content, id: saver.id, name: `${content.name}, mine` }
    const next = { ...made, id: own.id, name: isOwnId(made.id) ? made.name : own.name }
    if (!this.isOwn && !this.keeping.faultOf?.(next, own)) this.put(own)
    this.edit(() => next, about)
  }
}

/** A kit as it is worked on: one of the player's own, from its record, or a preset. */
export function kitDocument(kit: Kit, record: Kept<KitRecord> | undefined): KitDocument {
  const id = isOwnId(kit.id) ? kit.id : newKitId()
  const saver = openSaver('kits', id, record?.revision ?? null, record)
  return new KitDocument(kit, saver, record?.createdAt ?? Date.now())
}
