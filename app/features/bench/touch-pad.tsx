import { Delete, Keyboard, Space } from 'lucide-react'
import { useState } from 'react'
import { useTouch } from '~/ui/use-touch'
import { useSlice, useWorkspace } from '../workspace/use-workspace'
import { isWaiting, waitingOf } from './selection-actions'
import { GRACE_KEYS, JOIN_KEYS, LEVEL_KEYS, LIMB_KEYS, type StrokeKey } from './stroke-keys'

const PAD: readonly StrokeKey[] = [
  ...LIMB_KEYS.filter(({ key }) => key !== 'x'),
  ...LEVEL_KEYS.filter(({ key }) => key === 'g' || key === '>'),
  ...GRACE_KEYS.filter(({ key }) => key === 'f'),
  ...JOIN_KEYS.filter(({ key }) => key === '('),
]

/**
 * Large keys in place of the on-screen keyboard, where a finger is the pointer. They go to the marked
 * slot and on, or to the end of the line.
 */
export function TouchPad() {
  const workspace = useWorkspace()
  const waiting = useSlice(waitingOf)
  const touch = useTouch()
  const [away, setAway] = useState(false)
  if (!touch) return null
  if (away) {
    return (
      <button
        type="button"
        className="btn btn-ghost btn-sm self-start"
        onClick={() => setAway(false)}
      >
        <Keyboard size={16} aria-hidden /> Show the keys
      </button>
    )
  }
  return (
    <div role="toolbar" aria-label="Stroke keys" className="touch-pad">
      {PAD.map(({ key, shown, name }) => (
        <button
          key={key}
          type="button"
          className={`pad-key ${shown.length === 1 ? 'font-mono font-semibold text-lg' : 'text-xs'}`}
          aria-label={name}
          aria-pressed={isWaiting(waiting, key)}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => workspace.stickingKey({ key, shiftKey: false })}
        >
          {shown}
        </button>
      ))}
      <button
        type="button"
        className="pad-key"
        aria-label="Next group"
        aria-pressed={isWaiting(waiting, ' ')}
        onClick={() => workspace.stickingKey({ key: ' ', shiftKey: false })}
      >
        <Space size={18} aria-hidden />
      </button>
      <button
        type="button"
        className="pad-key"
        aria-label="Delete"
        onClick={() => workspace.remove(true)}
      >
        <Delete size={18} aria-hidden />
      </button>
      <button
        type="button"
        className="pad-key"
        aria-label="Hide the keys"
        onClick={() => setAway(true)}
      >
        <Keyboard size={18} aria-hidden />
      </button>
    </div>
  )
}
