import { useEffect } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { useWorkspace } from './state/use-workspace'

/** Puts a fill that the finder was asked for from this bench in place of its line, once; undo gives that back. */
export function useFoundLine(): void {
  const workspace = useWorkspace()
  const { state, search } = useLocation()
  const navigate = useNavigate()
  const line: unknown = state?.line
  useEffect(() => {
    if (typeof line !== 'string') return
    void navigate({ search }, { replace: true, state: null })
    void takeLine(line)
    async function takeLine(found: string) {
      const [{ findPhrase }, { replaceRange }] = await Promise.all([
        import('~/core/changes'),
        import('~/workspace/edits/edits'),
      ])
      const phrase = findPhrase(found)
      const { lick } = workspace
      const whole = { from: 0, to: lick.line.slots.length }
      if (phrase) workspace.edit(replaceRange(lick, whole, phrase, 'A found fill'), lick)
    }
  }, [line, search, navigate, workspace])
}
