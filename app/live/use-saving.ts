import { useCallback, useRef, useState } from 'react'

/** What came of saving or deleting: nothing to say, or why not. */
export interface SaveNotice {
  readonly trouble: string
}

/** Runs a change of the store, and tells whether it goes on, and what came of the last one. */
export function useSaving<Command, Notice extends SaveNotice = SaveNotice>(
  change: (command: Command) => Promise<Notice>,
) {
  const [state, setState] = useState<{ busy: boolean; notice: Notice | null }>({
    busy: false,
    notice: null,
  })
  const asked = useRef(0)
  const tell = useCallback(
    async (command: Command): Promise<Notice> => {
      asked.current += 1
      const number = asked.current
      setState((before) => ({ ...before, busy: true }))
      const notice = await change(command)
      // What was asked last is what is told of.
      if (number === asked.current) setState({ busy: false, notice })
      return notice
    },
    [change],
  )
  return { tell, trouble: state.notice?.trouble ?? '', busy: state.busy, notice: state.notice }
}
