import { useHotkeys } from 'react-hotkeys-hook'
import { spaceIsForControl } from './keys'

/** Space plays, always, unless it is typed somewhere or the Tab key has come to a control. */
export function useSpace(onPlay: () => void): void {
  useHotkeys('space', onPlay, {
    preventDefault: true,
    enableOnFormTags: ['input', 'select'],
    ignoreEventWhen: spaceIsForControl,
  })
}
