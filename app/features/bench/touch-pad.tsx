import { Delete, Keyboard, Space } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { numberedPieces } from '~/core/kit'
import { SURFACE_NAMES } from '~/core/sticking'
import { removeInRow, signInRow, typeInRow } from '~/workspace/rows/rows'
import { NEW_GROUP } from '~/workspace/rows/sticking-keys'
import { strike, unstrike } from '~/workspace/rows/voices-row'
import type { WorkspaceState } from '~/workspace/workspace'
import {
  useBenchGrooves,
  usePlace,
  useSelection,
  useSetting,
  useSlice,
  useWorkspace,
} from './state/use-workspace'
import {
  GRACE_KEYS,
  isWaiting,
  JOIN_KEYS,
  LEVEL_KEYS,
  LIMB_KEYS,
  type StrokeKey,
  waitingOf,
} from './stroke-keys'

const LIMBS = LIMB_KEYS.filter(({ key }) => key !== 'X')
const SIGNS: readonly StrokeKey[] = [
  ...LEVEL_KEYS.filter(({ key }) => key === 'g' || key === '>'),
  ...GRACE_KEYS.filter(({ key }) => key === 'f'),
]
const JOINS = JOIN_KEYS.filter(({ key }) => key === '(')

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
  const { range } = useSelection()
  const place = usePlace()
  // A sign is set on what is marked, and at the end of the line on what comes next.
  const about = place || range ? 'marked' : 'next'
  const grooves = useBenchGrooves()
  const press = (key: string) => typeInRow(workspace, key, grooves)
  return (
    <>
      {LIMBS.map(({ key, shown, name }) => (
        <PadKey key={key} name={name} onPress={() => press(key)}>
          <span className="font-mono font-semibold text-lg">{shown}</span>
        </PadKey>
      ))}
      {SIGNS.map(({ key, shown, name }) => (
        <PadKey
          key={key}
          name={`${name}: ${about}`}
          pressed={isWaiting(waiting, key)}
          onPress={() => signInRow(workspace, key, grooves)}
        >
          <span className="text-xs leading-tight">
            {shown}
            <span className="block text-(--quiet)">{about}</span>
          </span>
        </PadKey>
      ))}
      {JOINS.map(({ key, shown, name }) => (
        <PadKey key={key} name={name} pressed={isWaiting(waiting, key)} onPress={() => press(key)}>
          <span className="text-xs">{shown}</span>
        </PadKey>
      ))}
      <PadKey
        name="Next group"
        pressed={isWaiting(waiting, NEW_GROUP)}
        onPress={() => press(NEW_GROUP)}
      >
        <Space size={18} aria-hidden />
      </PadKey>
      <PadKey name="Delete" onPress={() => removeInRow(workspace, true, grooves)}>
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
          onPress={() => strike(workspace, surface)}
        >
          <span className="font-mono font-semibold">{surface}</span>
        </PadKey>
      ))}
      <PadKey name="Clear struck voices" onPress={() => unstrike(workspace)}>
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
