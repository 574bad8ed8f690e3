import type { Surface } from '~/core/sticking'
import { hasWrittenVoice, putOn, withPins } from '../edits/voice-edits'
import type { Workspace } from '../workspace'
import { hasHand, nextHandSlot } from './voice-keys'

/**
 * Strikes a surface with the hands' strokes of the marked slots, and marks the next one that a hand
 * plays. It is kept beside the line as struck by hand; a voice that is typed in the line is changed
 * there.
 */
export function strike(workspace: Workspace, surface: Surface): void {
  const { lick } = workspace
  const { range } = workspace.state().selection
  workspace.together(() => {
    if (!range || !hasHand(lick, range.from)) {
      markNext(workspace, range ? range.from : -1)
      workspace.refuse('No hand plays here: the next stroke by a hand is marked now.')
      return
    }
    if (hasWrittenVoice(lick, range)) workspace.edit(putOn(lick, range, surface))
    else workspace.voice('Strike', withPins(workspace.document.voicing, range, surface))
    markNext(workspace, range.to - 1)
  })
}

/** Lets the voices that were struck by hand in the marked slots go, and those typed there: one step. */
export function unstrike(workspace: Workspace): void {
  const { range, lick, document } = workspace
  const voicing = withPins(document.voicing, range, null)
  if (hasWrittenVoice(lick, range)) workspace.edit({ ...putOn(lick, range, null), voicing })
  else workspace.voice('Clear struck voices', voicing)
}

function markNext(workspace: Workspace, after: number): void {
  const next = nextHandSlot(workspace.lick, after)
  if (next < workspace.slots.length) workspace.mark(next, next)
}
