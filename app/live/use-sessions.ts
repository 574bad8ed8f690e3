import { useCallback, useEffect, useRef, useState } from 'react'
import {
  type Kept,
  listNewestSessions,
  listSessionsBetween,
  loadSessions,
  onStoreChange,
  type PracticeSessionRecord,
} from '~/storage'
import { type Concerns, useRead } from './use-read'

type Session = Kept<PracticeSessionRecord>

const ofSessions: Concerns = (table) => table === 'sittings'
const NONE: readonly Session[] = []

/** The sessions since a time, oldest first, as they are written. */
export function useSessionsSince(from: number): readonly Session[] {
  const read = useCallback(() => listSessionsBetween(from, Number.MAX_SAFE_INTEGER), [from])
  return useRead(read, ofSessions, NONE)
}

const PAGE = 200

interface Shown {
  /** The newest first. */
  readonly sessions: readonly Session[]
  /** Rows of the store that have been gone through. */
  readonly read: number
  readonly more: boolean
}

/** The newest sessions, a page more each time that is asked for; undefined until the first is read. */
export function useNewestSessions(): {
  readonly sessions: readonly Session[] | undefined
  readonly more: boolean
  readonly readMore: () => void
} {
  const [shown, setShown] = useState<Shown>()
  const read = shown?.read ?? 0
  const reading = useRef(-1)
  const readMore = useCallback(() => {
    if (reading.current === read) return
    reading.current = read
    void listNewestSessions(read, PAGE).then((page) => {
      if (!page.ok) {
        // Asked again, it is tried again.
        reading.current = -1
        return
      }
      const { sessions, more } = page.value
      setShown((now) => ({
        sessions: merged(now?.sessions ?? [], sessions),
        read: read + PAGE,
        more,
      }))
    })
  }, [read])
  useEffect(() => {
    if (read === 0) readMore()
  }, [read, readMore])
  useEffect(
    () =>
      onStoreChange(({ table, ids }) => {
        if (table !== 'sittings') return
        void loadSessions(ids).then((found) => {
          if (found.ok) setShown((now) => now && { ...now, sessions: after(now, ids, found.value) })
        })
      }),
    [],
  )
  return { sessions: shown?.sessions, more: shown?.more ?? false, readMore }
}

/** Two lists of sessions as one, the newest first, each session once. */
function merged(a: readonly Session[], b: readonly Session[]): Session[] {
  const known = new Set(a.map(({ id }) => id))
  return [...a, ...b.filter(({ id }) => !known.has(id))].sort((x, y) => y.createdAt - x.createdAt)
}

/** The sessions after some have changed: those found are new or other, those not found are gone. */
function after(
  { sessions, more }: Shown,
  ids: readonly string[],
  found: readonly Session[],
): Session[] {
  const changed = new Set(ids)
  const oldest = more ? (sessions.at(-1)?.createdAt ?? 0) : Number.NEGATIVE_INFINITY
  const kept = sessions.filter(({ id }) => !changed.has(id))
  return merged(
    kept,
    found.filter(({ createdAt }) => createdAt >= oldest),
  )
}
