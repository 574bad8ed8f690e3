import { useCallback, useEffect, useRef, useState } from 'react'

/** Something said at the bench: what was not done and why, or what a change kept; with another way. */
export interface Notice {
  readonly message: string
  readonly offer?: { readonly label: string; readonly act: () => void }
}

/** A notice, and the text that it is about; null where that is the next one, not there yet. */
interface Told {
  readonly notice: Notice
  readonly about: string | null
  readonly before: string
}

/** The notice of the moment: it is void as soon as the text is another than the one it was about. */
export function useNotice(text: string) {
  const [told, setTold] = useState<Told | null>(null)
  const now = useRef(text)
  useEffect(() => {
    now.current = text
    setTold((last) =>
      last && last.about === null && text !== last.before ? { ...last, about: text } : last,
    )
  }, [text])
  /** Says something of the text as it is. */
  const tell = useCallback(
    (notice: Notice) => setTold({ notice, about: now.current, before: now.current }),
    [],
  )
  /** Says something of the text that a change is just making. */
  const tellNext = useCallback(
    (notice: Notice) => setTold({ notice, about: null, before: now.current }),
    [],
  )
  const dismiss = useCallback(() => setTold(null), [])
  return { notice: told && told.about === text ? told.notice : null, tell, tellNext, dismiss }
}
