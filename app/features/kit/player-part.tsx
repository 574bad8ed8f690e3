import { Timer } from 'lucide-react'
import { memo, useState } from 'react'
import { DEFAULT_PLAYER, type HandSpeed, type Kit, type LimbSpeed, tomsOf } from '~/core/kit'
import { DEFAULT_REACH, travelTime } from '~/core/playability'
import type { Surface } from '~/core/sticking'
import type { Settings } from '~/storage'
import { IconButton } from '~/ui/icon-button'
import { NumberField } from '~/ui/number-field'
import { LIMB_NAMES } from '~/words/limb-names'
import { theSurface } from '~/words/surface-words'
import { playerOf } from '~/workspace/setting'
import { speedsOf } from '~/workspace/speeds-of'
import { SpeedExercise } from './speed-exercise'
import type { SpeedKind } from './speed-test'

const LIMBS = ['RH', 'LH', 'RF', 'LF'] as const
type SpeedLimb = (typeof LIMBS)[number]
const KINDS = ['single', 'double', 'triple'] as const
const HANDS = ['RH', 'LH'] as const

/** What a limb speed is called, and between which milliseconds it lies. */
const RANGE = { min: 15, max: 2000, whole: false } as const

interface PlayerPartProps {
  readonly kit: Kit
  readonly settings: Settings
  readonly onChange: (changed: Partial<Settings>) => void
}

/** The player's limbs and arms, typed in or measured, beside the defaults. */
export const PlayerPart = memo(function PlayerPart({ kit, settings, onChange }: PlayerPartProps) {
  const player = playerOf(settings)
  const [measured, setMeasured] = useState<{ limb: SpeedLimb; kind: SpeedKind } | null>(null)
  const set = (limb: SpeedLimb, changed: Partial<LimbSpeed & HandSpeed>) =>
    onChange({ speeds: { ...speedsOf(player), [limb]: { ...player[limb], ...changed } } })
  const travel = travelled(kit)
  const { arms } = player
  return (
    <section aria-labelledby="player-title" className="flex flex-col gap-3">
      <h2 id="player-title" className="font-semibold text-lg">
        Limb speeds
      </h2>
      <p className="text-(--quiet) text-sm">
        Milliseconds from one stroke to the next: for a single, for the second stroke of a double
        and for the third of a triple. The defaults are an intermediate player’s: 6.5 singles a
        second with a hand (one-hand tapping of trained drummers, Fujii, Kudo, Ohtsuki and Oda,
        2009, J. Neurophysiol. 101), the weak hand 8 % slower, the second foot 12 %.
      </p>
      <div className="overflow-x-auto">
        <table className="text-sm">
          <thead className="text-(--quiet) text-xs">
            <tr>
              <th className="text-left font-normal">limb</th>
              {KINDS.map((kind) => (
                <th key={kind} className="px-1 text-left font-normal">
                  {kind}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {LIMBS.map((limb) => (
              <tr key={limb}>
                <th scope="row" className="py-1 pr-2 text-left font-normal first-letter:uppercase">
                  {LIMB_NAMES[limb]}
                </th>
                {KINDS.map((kind) => (
                  <td key={kind} className="px-1">
                    <span className="flex items-center gap-1">
                      <NumberField
                        label={`${LIMB_NAMES[limb]}, ${kind}, milliseconds`}
                        {...RANGE}
                        value={tenthOf(player[limb][kind])}
                        onChange={(value) => set(limb, { [kind]: value })}
                      />
                      <MeasureButton
                        name={`${LIMB_NAMES[limb]}, ${kind}`}
                        onClick={() => setMeasured({ limb, kind })}
                      />
                    </span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {HANDS.map((hand) => (
        <p key={hand} className="flex flex-wrap items-center gap-2 text-sm">
          <span className="first-letter:uppercase">{LIMB_NAMES[hand]}:</span> buzz
          <NumberField
            label={`${LIMB_NAMES[hand]}, buzz, milliseconds`}
            {...RANGE}
            value={tenthOf(player[hand].buzz)}
            onChange={(buzz) => set(hand, { buzz })}
          />
          ms, moves
          <NumberField
            label={`${LIMB_NAMES[hand]}, moves, percent of the usual time`}
            min={20}
            max={500}
            value={Math.round(player[hand].travel * 100)}
            onChange={(percent) => set(hand, { travel: percent / 100 })}
          />
          % of the usual time
          {travel && (
            <MeasureButton
              name={`${LIMB_NAMES[hand]}, moves`}
              onClick={() => setMeasured({ limb: hand, kind: 'travel' })}
            />
          )}
        </p>
      ))}
      {measured && (
        <SpeedExercise
          key={`${measured.limb} ${measured.kind}`}
          limb={LIMB_NAMES[measured.limb]}
          kind={measured.kind}
          usual={
            measured.kind === 'travel'
              ? travelTime(kit, travel?.[0] ?? 'sn', travel?.[1] ?? 'sn', measured.limb)
              : DEFAULT_PLAYER[measured.limb][measured.kind]
          }
          between={travel ? `${theSurface(travel[0])} and ${theSurface(travel[1])}` : ''}
          onMeasured={(value) =>
            set(measured.limb, {
              [measured.kind]: measured.kind === 'travel' ? hundredth(value) : tenthOf(value),
            })
          }
          onClose={() => setMeasured(null)}
        />
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
        <Centimetres
          label="Reach from the shoulder"
          min={40}
          max={200}
          value={settings.reach ?? DEFAULT_REACH}
          onChange={(reach) => onChange({ reach })}
        />
        <Centimetres
          label="Throne’s middle to shoulder"
          min={5}
          max={40}
          value={arms.shoulder}
          onChange={(shoulder) => onChange({ arms: { ...arms, shoulder } })}
        />
        <Centimetres
          label="Hand to stick tip"
          min={10}
          max={60}
          value={arms.grip}
          onChange={(grip) => onChange({ arms: { ...arms, grip } })}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        {settings.speedsBefore && (
          <button
            type="button"
            className="btn btn-outline border-base-300 btn-sm font-normal"
            onClick={() =>
              onChange({ speeds: settings.speedsBefore?.speeds ?? null, speedsBefore: null })
            }
          >
            Undo raising my speeds
          </button>
        )}
        {(settings.speeds || settings.arms || settings.reach !== null) && (
          <button
            type="button"
            className="btn btn-outline border-base-300 btn-sm font-normal"
            onClick={() => onChange({ speeds: null, arms: null, reach: null, speedsBefore: null })}
          >
            Reset to defaults
          </button>
        )}
      </div>
    </section>
  )
})

function MeasureButton({ name, onClick }: { name: string; onClick: () => void }) {
  return (
    <IconButton size="tiny" label={`Measure ${name}`} onClick={onClick}>
      <Timer size={15} aria-hidden />
    </IconButton>
  )
}

function Centimetres(props: {
  label: string
  min: number
  max: number
  value: number
  onChange: (value: number) => void
}) {
  return (
    <span className="flex items-center gap-2">
      {props.label}
      <NumberField {...props} label={`${props.label}, centimetres`} />
      cm
    </span>
  )
}

/** The two pieces that a hand goes to and fro between to be measured: snare and lowest tom. */
function travelled(kit: Kit): readonly [Surface, Surface] | null {
  const low = tomsOf(kit).at(-1)
  return low && kit.pieces.some(({ surface }) => surface === 'sn') ? ['sn', low] : null
}

function tenthOf(value: number): number {
  return Math.round(value * 10) / 10
}

function hundredth(value: number): number {
  return Math.max(0.2, Math.min(5, Math.round(value * 100) / 100))
}
