import { useEffect, useState } from 'react'
import { listenToPads, STAND_IN_PADS, strikeStandIn } from '~/devices/pads'
import type { Settings } from '~/storage'
import { Button, Part } from '~/ui/parts'
import { LIMB_NAMES } from '~/words/limb-names'

type PadLimb = Settings['padLimbs'][number]
const LIMBS = ['RH', 'LH', 'RF', 'LF'] as const

/** Which limb strikes which pad: learnt by striking it. Pads on screen stand in for a device. */
export function PadLimbs({
  limbs,
  learning,
  onLearning,
  onLimbs,
}: {
  limbs: readonly PadLimb[]
  /** Whether a pad is waited for: its stroke is none. */
  learning: boolean
  onLearning: (learning: boolean) => void
  onLimbs: (limbs: PadLimb[]) => void
}) {
  const [limb, setLimb] = useState<PadLimb['limb'] | null>(null)
  useEffect(() => {
    if (!limb) return
    return listenToPads(({ note }) => {
      onLimbs([...limbs.filter((one) => one.note !== note), { note, limb }])
      setLimb(null)
      onLearning(false)
    })
  }, [limb, limbs, onLimbs, onLearning])
  const learn = (next: PadLimb['limb'] | null) => {
    setLimb(next)
    onLearning(next !== null)
  }
  return (
    <Part title="Pads by limb" level={2}>
      <p className="text-(--quiet) text-sm">
        A pad that one limb alone strikes is told apart from the others. Choose the limb, then
        strike the pad. Pads that are not listed are identified from kit notes, where one limb alone
        plays that piece; else either hand may have struck them.
      </p>
      <p className="flex flex-wrap gap-1.5">
        {LIMBS.map((one) => (
          <Button key={one} pressed={limb === one} onClick={() => learn(limb === one ? null : one)}>
            {limb === one
              ? `Strike the pad of the ${LIMB_NAMES[one]} …`
              : `Learn ${LIMB_NAMES[one]}`}
          </Button>
        ))}
      </p>
      <ul className="flex flex-wrap gap-1.5 text-sm">
        {[...limbs]
          .sort((a, b) => a.note - b.note)
          .map(({ note, limb: of }) => (
            <li key={note}>
              <Button onClick={() => onLimbs(limbs.filter((one) => one.note !== note))}>
                Note {note}: {LIMB_NAMES[of]}. Forget
              </Button>
            </li>
          ))}
      </ul>
      <p className="flex flex-wrap items-center gap-1.5 text-sm">
        <span className="text-(--quiet)">No pads at hand? Try these:</span>
        {STAND_IN_PADS.map((note) => (
          <Button key={note} onClick={() => strikeStandIn(note)}>
            Pad {note}
          </Button>
        ))}
      </p>
      <span role="status" className="sr-only">
        {learning ? 'A pad is waited for' : ''}
      </span>
    </Part>
  )
}
