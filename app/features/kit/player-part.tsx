import { memo, useState } from 'react'
import { DEFAULT_PLAYER, type LimbSpeed, type Player } from '~/core/kit'
import { DEFAULT_REACH } from '~/core/playing'
import type { Settings } from '~/storage'
import { LIMB_NAMES } from '../bench/limb-names'
import { playerOf } from './setting'
import { SpeedExercise, type SpeedKind } from './speed-exercise'

const LIMBS = ['RH', 'LH', 'RF', 'LF'] as const satisfies readonly (keyof Player)[]
type SpeedLimb = (typeof LIMBS)[number]
const KINDS = ['single', 'double'] as const satisfies readonly SpeedKind[]

interface PlayerPartProps {
  readonly settings: Settings
  readonly onChange: (changed: Partial<Settings>) => void
}

/** The player's limbs: how soon each strikes again, typed in or measured, beside the defaults. */
export const PlayerPart = memo(function PlayerPart({ settings, onChange }: PlayerPartProps) {
  const player = playerOf(settings)
  const [measured, setMeasured] = useState<{ limb: SpeedLimb; kind: SpeedKind } | null>(null)
  const set = (limb: SpeedLimb, kind: SpeedKind, value: number) => {
    const speed: LimbSpeed = { ...player[limb], [kind]: Math.round(value * 10) / 10 }
    const { RH, LH, RF, LF } = player
    onChange({ speeds: { RH, LH, RF, LF, [limb]: speed } })
  }
  return (
    <section aria-labelledby="player-title" className="flex flex-col gap-3">
      <h2 id="player-title" className="font-semibold text-lg">
        Limb speeds
      </h2>
      <p className="text-(--quiet) text-sm">
        Milliseconds from one stroke to the next: as a single, and as the rebound of a double. The
        defaults are of an intermediate player: 6.5 singles a second with a hand (one-hand tapping
        of trained drummers, Fujii, Kudo, Ohtsuki and Oda, 2009, J. Neurophysiol. 101), the weak
        hand 8 % slower, the second foot 12 %.
      </p>
      <table className="text-sm">
        <thead className="text-(--quiet) text-xs">
          <tr>
            <th className="text-left font-normal">limb</th>
            {KINDS.map((kind) => (
              <th key={kind} className="px-2 text-left font-normal">
                {kind}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {LIMBS.map((limb) => (
            <tr key={limb}>
              <th scope="row" className="py-1 pr-3 text-left font-normal first-letter:uppercase">
                {LIMB_NAMES[limb]}
              </th>
              {KINDS.map((kind) => (
                <td key={kind} className="px-2">
                  <span className="flex items-center gap-2">
                    <input
                      type="number"
                      min={40}
                      max={2000}
                      aria-label={`${LIMB_NAMES[limb]}, ${kind}, milliseconds`}
                      className="w-20 rounded-field border border-base-300 bg-base-100 px-2 py-1 text-right"
                      value={Math.round(player[limb][kind] * 10) / 10}
                      onChange={(event) => {
                        const value = event.target.valueAsNumber
                        if (value >= 40 && value <= 2000) set(limb, kind, value)
                      }}
                    />
                    <button
                      type="button"
                      className="btn btn-outline border-base-300 btn-xs font-normal"
                      aria-label={`Measure ${LIMB_NAMES[limb]}, ${kind}`}
                      onClick={() => setMeasured({ limb, kind })}
                    >
                      measure
                    </button>
                  </span>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {measured && (
        <SpeedExercise
          key={`${measured.limb} ${measured.kind}`}
          limb={LIMB_NAMES[measured.limb]}
          kind={measured.kind}
          usual={DEFAULT_PLAYER[measured.limb][measured.kind]}
          onMeasured={(value) => set(measured.limb, measured.kind, value)}
          onClose={() => setMeasured(null)}
        />
      )}
      <label className="flex items-center gap-2 text-sm">
        Reach from the throne
        <input
          type="number"
          min={40}
          max={200}
          className="w-20 rounded-field border border-base-300 bg-base-100 px-2 py-1 text-right"
          value={settings.reach ?? DEFAULT_REACH}
          onChange={(event) => {
            const reach = event.target.valueAsNumber
            if (reach >= 40 && reach <= 200) onChange({ reach })
          }}
        />
        cm
        <span className="text-(--quiet) text-xs">an arm and a stick, about {DEFAULT_REACH}</span>
      </label>
      {settings.speeds && (
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm self-start font-normal"
          onClick={() => onChange({ speeds: null })}
        >
          Back to the defaults
        </button>
      )}
    </section>
  )
})
