import { useCallback, useEffect, useMemo, useReducer, useRef } from 'react'
import { type LickRecord, saveLick, watchLick } from '~/storage'
import { Autosave } from './autosave'
import { type BenchDocument, openDocument, runCommand, textsOf } from './document'
import { turnTexts } from './turned'

/** The document on the bench, kept in the store as it changes. */
export function useBench(record: LickRecord, turned: boolean) {
  const [document, run] = useReducer(runCommand, record, (stored) =>
    openDocument(turnTexts(stored, turned)),
  )
  const autosave = useMemo(
    () =>
      new Autosave(record.revision, (revision, texts) =>
        saveLick(record.id, revision, texts, Date.now()),
      ),
    [record],
  )
  const stored = useRef({ text: document.history.text, beside: document.history.beside })

  useEffect(() => {
    const { text, beside } = document.history
    if (text === stored.current.text && beside === stored.current.beside) return
    stored.current = { text, beside }
    autosave.change(turnTexts(textsOf(document), turned))
  }, [document, autosave, turned])

  useEffect(() => {
    const flush = () => void autosave.flush()
    const flushHidden = () => {
      if (window.document.visibilityState === 'hidden') flush()
    }
    window.addEventListener('pagehide', flush)
    window.document.addEventListener('visibilitychange', flushHidden)
    return () => {
      window.removeEventListener('pagehide', flush)
      window.document.removeEventListener('visibilitychange', flushHidden)
      flush()
    }
  }, [autosave])

  /** Takes what is stored, from another tab, in place of what is here. */
  const restoreStored = useCallback(
    (theirs: LickRecord) => {
      const texts = turnTexts(theirs, turned)
      stored.current = { text: texts.draft ?? texts.text, beside: texts.voicing }
      autosave.restart(theirs.revision)
      run({ kind: 'load', texts })
    },
    [autosave, turned],
  )

  useEffect(
    () =>
      watchLick(record.id, (theirs) => {
        // Nothing of ours waits to be saved: what the other tab saved is simply the newest.
        if (theirs.revision > autosave.known && !autosave.busy) restoreStored(theirs)
      }),
    [record.id, autosave, restoreStored],
  )

  return { document, run, autosave, restoreStored } satisfies {
    document: BenchDocument
    [key: string]: unknown
  }
}
