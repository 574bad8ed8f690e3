import { useCallback, useState } from 'react'

/** Something said at the bench: what was not done and why, or what a change kept; with another way. */
export interface Notice {
  readonly message: string
  readonly offer?: { readonly label: string; readonly act: () => void }
}

/** The notice of the moment: it is void as soon as the text is another than the one it was about. */
export function useNotice(text: string) {
  const [told, setTold] = useState<{ readonly notice: Notice; readonly text: string } | null>(null)
  const tell = useCallback((notice: Notice, about: string) => setTold({ notice, text: about }), [])
  const dismiss = useCallback(() => setTold(null), [])
  return { notice: told?.text === text ? told.notice : null, tell, dismiss }
}
