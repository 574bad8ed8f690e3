import { nanoid } from 'nanoid'
import { formatSolo, parseSolo } from '~/codecs/solo'
import { MAX_PARTS, MAX_SOLO_BARS, type Solo, type SoloPart, soloLength } from '~/core/solo'
import { type Kept, openSaver, type RecordSaver, type SoloRecord } from '~/storage'
import { aside } from './aside'
import { type Follow, type Keeping, StoredDocument } from './stored-document'

const TITLE_MOST = 200

/** A solo as it is stored. */
export function toSoloRecord(
  { id, createdAt }: Pick<SoloRecord, 'id' | 'createdAt'>,
  solo: Solo,
): SoloRecord {
  return { id, version: 1, createdAt, name: solo.title, solo: formatSolo(solo) }
}

function soloOf({ solo }: SoloRecord): Solo | null {
  const read = parseSolo(solo)
  return read.ok ? read.value : null
}

/** How solos are kept. */
export function soloKeeping(opened: Pick<SoloRecord, 'id' | 'createdAt'>): Keeping<'solos', Solo> {
  return {
    toRecord: (solo) => toSoloRecord(opened, solo),
    fromRecord: soloOf,
    setAside: aside('solos', (record, why) => {
      const solo = soloOf(record)
      const title = `${solo?.title}, ${why}`.slice(0, TITLE_MOST)
      return solo && toSoloRecord({ id: nanoid(12), createdAt: Date.now() }, { ...solo, title })
    }),
    faultOf,
  }
}

/** What is looked at of a solo. */
export interface SoloView {
  /** The part that was opened last, by its id; null for none. See `openPart`. */
  readonly chosen: string | null
}

/**
 * A solo as it is worked on: its parts are added, moved, changed and drawn over. Parts are known by their
 * ids, so that what is open stays open wherever it goes.
 *
 * @example const solo = soloDocument(record, read); solo.add(part); solo.undo()
 */
export class SoloDocument extends StoredDocument<'solos', Solo, SoloView> {
  constructor(
    opened: Pick<SoloRecord, 'id' | 'createdAt'>,
    solo: Solo,
    saver: RecordSaver<'solos'>,
    follow?: Follow<'solos'>,
  ) {
    super(saver, solo, { chosen: null }, soloKeeping(opened), follow)
  }

  /** The part that is open, by its id; the first where none was chosen, or that is gone. */
  get chosen(): string | null {
    return openPart(this.content, this.current.view)
  }

  choose(chosen: string | null): void {
    this.look({ chosen })
    this.endStep()
  }

  /** Opens the part before or after the one that is open. */
  step(way: 1 | -1): void {
    const { content: solo, chosen } = this
    const at = solo.parts.findIndex(({ id }) => id === chosen)
    const next = solo.parts[at < 0 ? 0 : at + way]
    if (next) this.choose(next.id)
  }

  /** Puts a part behind the one that is open, or at the end, and opens it. */
  add(part: SoloPart): void {
    this.edit((solo) => {
      const at = solo.parts.findIndex(({ id }) => id === this.chosen)
      return { ...solo, parts: solo.parts.toSpliced(at < 0 ? solo.parts.length : at + 1, 0, part) }
    })
    if (this.content.parts.some(({ id }) => id === part.id)) this.look({ chosen: part.id })
  }

  /** A part once more behind itself, under a new id. */
  duplicate(id: string, newId: string): void {
    const part = this.content.parts.find((one) => one.id === id)
    if (!part) return
    this.look({ chosen: id })
    this.add({ ...part, id: newId })
  }

  remove(id: string): void {
    this.edit((solo) => ({ ...solo, parts: solo.parts.filter((part) => part.id !== id) }))
  }

  /** Moves a part to another place; places beyond the ends are the ends. */
  move(id: string, to: number): void {
    this.edit((solo) => {
      const from = solo.parts.findIndex((part) => part.id === id)
      const part = solo.parts[from]
      const place = Math.max(0, Math.min(solo.parts.length - 1, to))
      if (!part || place === from) return solo
      return { ...solo, parts: solo.parts.toSpliced(from, 1).toSpliced(place, 0, part) }
    })
  }

  /** Changes a part; what it becomes keeps its id. */
  changePart(id: string, change: (part: SoloPart) => SoloPart, about = ''): void {
    this.edit(
      (solo) => ({
        ...solo,
        parts: solo.parts.map((part) => (part.id === id ? { ...change(part), id } : part)),
      }),
      about && `${about} ${id}`,
    )
  }

  /** Draws what is wanted of a bar, 0 to 1; null takes it away. A drawing is one step of undo. */
  draw(bar: number, value: number | null): void {
    this.edit((solo) => {
      const wish = Array.from({ length: Math.max(bar + 1, solo.wish.length) }, (_, i) =>
        i === bar
          ? value === null
            ? null
            : Math.max(0, Math.min(1, value))
          : (solo.wish[i] ?? null),
      )
      return { ...solo, wish }
    }, 'wish')
  }
}

/** The part of a solo that is open, by its id: the one that was chosen, or the first where that is gone. */
export function openPart({ parts }: Solo, { chosen }: SoloView): string | null {
  return parts.some(({ id }) => id === chosen) ? chosen : (parts[0]?.id ?? null)
}

/** A stored solo, as it was read, as it is worked on. */
export function soloDocument(opened: Kept<SoloRecord>, solo: Solo): SoloDocument {
  const saver = openSaver('solos', opened.id, opened.revision, opened)
  return new SoloDocument(opened, solo, saver)
}

/** Why a solo cannot be as it would become; empty where it can. What shortens it is always taken. */
function faultOf(next: Solo, before: Solo): string {
  if (next.parts.length > Math.max(MAX_PARTS, before.parts.length))
    return `A solo has at most ${MAX_PARTS} parts, so nothing was changed.`
  const { bars } = soloLength(next)
  return bars > MAX_SOLO_BARS && bars > soloLength(before).bars
    ? `A solo has at most ${MAX_SOLO_BARS} bars, so nothing was changed.`
    : ''
}
