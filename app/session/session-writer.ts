import { closeSaver, openSaver, type PracticeSessionRecord, type RecordSaver } from '~/storage'

type Saver = Pick<RecordSaver<'sittings'>, 'change'>

/** How savers of sessions are come by. */
export interface SessionSavers<S extends Saver> {
  readonly open: (id: string) => S
  readonly close: (saver: S) => void
}

/** Writes sessions down as they go on, one saver each; the one before is let go when the next begins. */
export class SessionWriter<S extends Saver> {
  private current: { id: string; saver: S } | undefined

  constructor(private readonly savers: SessionSavers<S>) {}

  /** Takes the newest state of a session: in the journal at once, in the store a moment later. */
  readonly save = (session: PracticeSessionRecord): void => {
    if (this.current?.id !== session.id) {
      this.close()
      this.current = { id: session.id, saver: this.savers.open(session.id) }
    }
    this.current.saver.change(session)
  }

  /** Lets the last session go. */
  close(): void {
    if (this.current) this.savers.close(this.current.saver)
    this.current = undefined
  }
}

/** A writer of sessions into this browser's store. */
export function storedSessions() {
  return new SessionWriter({
    open: (id) => openSaver('sittings', id, null),
    close: (saver) => void closeSaver(saver),
  })
}
