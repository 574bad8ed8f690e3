import { Delete, Keyboard, Space } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { numberedPieces } from '~/core/kit'
import { SURFACE_NAMES } from '~/core/sticking'
import type { WorkspaceState } from '~/workspace/workspace'
import { useSetting, useSlice, useWorkspace } from './state/use-workspace'
import {
  GRACE_KEYS,
  isWaiting,
  JOIN_KEYS,
  LEVEL_KEYS,
  LIMB_KEYS,
  type StrokeKey,
  waitingOf,
} from './stroke-keys'

const PAD: readonly StrokeKey[] = [
  ...LIMB_KEYS.filter(({ key }) => key !== 'x'),
  ...LEVEL_KEYS.filter(({ key }) => key === 'g' || key === '>'),
  ...GRACE_KEYS.filter(({ key }) => key === 'f'),
  ...JOIN_KEYS.filter(({ key }) => key === '('),
]

const rowOf = ({ row }: WorkspaceState) => row

/**
 * Large keys in place of the on-screen keyboard, where a finger is the pointer. They go to the marked
 * slot and on, or to the end of the line; where the voices are edited they are the pieces of the kit.
 */
export default function TouchPad() {
  const [away, setAway] = useState(false)
  const row = useSlice(rowOf)
  if (away) {
    return (
      <button type="button" className="touch-pad-shown" onClick={() => setAway(false)}>
        <Keyboard size={16} aria-hidden /> Show the keys
      </button>
    )
  }
  return (
    <div role="toolbar" aria-label="Stroke keys" className="touch-pad">
      {row === 'voices' ? <PieceKeys /> : <StrokeKeys />}
      <PadKey name="Hide the keys" onPress={() => setAway(true)}>
        <Keyboard size={18} aria-hidden />
      </PadKey>
    </div>
  )
}

function StrokeKeys() {
  const workspace = useWorkspace()
  const waiting = useSlice(waitingOf)
  const press = (key: string) =>
    workspace.state().row === 'layer'
      ? workspace.layerKey({ key, shiftKey: false })
      : workspace.stickingKey({ key, shiftKey: false })
  return (
    <>
      {PAD.map(({ key, shown, name }) => (
        <PadKey key={key} name={name} pressed={isWaiting(waiting, key)} onPress={() => press(key)}>
          <span className={shown.length === 1 ? 'font-mono font-semibold text-lg' : 'text-xs'}>
            {shown}
          </span>
        </PadKey>
      ))}
      <PadKey
        name="Next group"
        pressed={isWaiting(waiting, ' ')}
        onPress={() => workspace.stickingKey({ key: ' ', shiftKey: false })}
      >
        <Space size={18} aria-hidden />
      </PadKey>
      <PadKey name="Delete" onPress={() => workspace.remove(true)}>
        <Delete size={18} aria-hidden />
      </PadKey>
    </>
  )
}

function PieceKeys() {
  const workspace = useWorkspace()
  const { kit } = useSetting()
  return (
    <>
      {numberedPieces(kit).map(({ surface }) => (
        <PadKey
          key={surface}
          name={`Strike ${SURFACE_NAMES[surface]}`}
          onPress={() => workspace.strike(surface)}
        >
          <span className="font-mono font-semibold">{surface}</span>
        </PadKey>
      ))}
      <PadKey name="Clear struck voices" onPress={() => workspace.unstrike()}>
        <Delete size={18} aria-hidden />
      </PadKey>
      <PadKey name="Back to the sticking" onPress={() => workspace.editRow('sticking')}>
        <span className="font-mono text-xs">RLK</span>
      </PadKey>
    </>
  )
}

function PadKey({
  name,
  pressed,
  onPress,
  children,
}: {
  name: string
  pressed?: boolean
  onPress: () => void
  children: ReactNode
}) {
  return (
    <button
      type="button"
      className="pad-key"
      aria-label={name}
      aria-pressed={pressed}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onPress}
    >
      {children}
    </button>
  )
}
