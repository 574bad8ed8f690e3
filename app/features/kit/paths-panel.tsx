import { useMemo, useRef, useState } from 'react'
import { standIns } from '~/core/kit'
import { lineEvents } from '~/core/line'
import {
  clearSurfaces,
  DEFAULT_REACH,
  farStrokes,
  type HandCollision,
  handCollisions,
} from '~/core/playing'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import { LIMB_NAMES } from '../bench/limb-names'
import { placeIn } from '../bench/places'
import { theSurface } from '../voicing/surface-words'
import { putOn } from '../voicing/voice-edits'
import type { PanelProps } from '../workbench/panel-props'
import { Choice, Nothing, Part } from '../workbench/parts'
import { KitPlan } from './kit-plan'
import { toPathView } from './path-view'
import { type Followed, PathsFigure } from './paths-figure'
import { usePathCursor } from './use-path-cursor'

const SHOWN = 8

/** The kit from above with each hand's way over it, and where hands get in each other's way. */
export function PathsPanel(props: PanelProps) {
  const { voiced, setting, playing, position } = props
  const [followed, setFollowed] = useState<Followed>('both')
  const host = useRef<HTMLDivElement>(null)
  const { kit } = setting
  const view = useMemo(() => toPathView(voiced, kit), [voiced, kit])
  const meets = useMemo(() => handCollisions(voiced, kit), [voiced, kit])
  const used = useMemo(
    () => new Set(lineEvents(voiced).map(({ surface }) => surface as Surface)),
    [voiced],
  )
  const far = farStrokes(voiced, kit, setting.player.reach ?? DEFAULT_REACH)
  usePathCursor(playing, position, view, host)
  const missing = standIns(kit, used)
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-4 md:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
      <div ref={host} className="min-w-0">
        <KitPlan kit={kit} label={`${kit.name} from above`} marked={used}>
          <PathsFigure view={view} followed={followed} />
        </KitPlan>
      </div>
      <div className="flex min-w-0 flex-col gap-4">
        <KitChoice {...props} />
        <Choice
          legend="Which hand to follow"
          options={[
            ['both', 'both hands'],
            ['RH', 'the right alone'],
            ['LH', 'the left alone'],
          ]}
          value={followed}
          onChoose={setFollowed}
        />
        <Part title="Crossings">
          <Meets {...props} meets={meets} kind="crossed" none="The hands never cross." />
        </Part>
        <Part title="Both hands on a small surface">
          <Meets {...props} meets={meets} kind="shared" none="Each has room of its own." />
        </Part>
        {far.length > 0 && (
          <Part title="Out of reach">
            <p className="text-sm">
              {[
                ...new Set(
                  far.map(
                    ({ surface, centimetres }) =>
                      `${SURFACE_NAMES[surface]} at ${Math.round(centimetres)} cm`,
                  ),
                ),
              ].join(', ')}
              : first at {placeIn(voiced, far[0]?.tick ?? 0)}
            </p>
          </Part>
        )}
        {missing.length > 0 && (
          <Part title="Played by another piece">
            {missing.map(({ voice, instead }) => (
              <p key={voice} className="text-sm">
                {SURFACE_NAMES[voice]}: by {theSurface(instead)}
              </p>
            ))}
          </Part>
        )}
      </div>
    </div>
  )
}

/** The kit that this lick is played on: the player's own choice, or one that the lick names. */
function KitChoice({ lick, kits, onKit }: PanelProps) {
  const named = kits.some(({ id }) => id === lick.kit) ? lick.kit : null
  return (
    <label className="flex items-center gap-2 text-sm">
      Played on
      <select
        className="rounded-field border border-base-300 bg-base-100 px-2 py-1"
        value={named ?? ''}
        onChange={(event) => onKit(event.target.value === '' ? null : event.target.value)}
      >
        <option value="">the kit of the Kit page</option>
        {kits.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}

interface CollisionsProps extends PanelProps {
  readonly meets: readonly HandCollision[]
  readonly kind: HandCollision['kind']
  readonly none: string
}

/** Where hands meet, in words, with other surfaces to choose from; a crossing may be meant. */
function Meets(props: CollisionsProps) {
  const { voiced, meets, kind, none } = props
  const here = meets.filter((meet) => meet.kind === kind)
  if (here.length === 0) return <Nothing>{none}</Nothing>
  return (
    <ul className="flex flex-col gap-1 text-sm">
      {here.slice(0, SHOWN).map((meet) => (
        <li key={`${meet.fromTick} ${meet.toTick} ${meet.right} ${meet.left}`}>
          {placeIn(voiced, meet.fromTick)} to {placeIn(voiced, meet.toTick)}: right hand on{' '}
          {theSurface(meet.right)}, left on {theSurface(meet.left)}
          <WaysOut {...props} meet={meet} />
        </li>
      ))}
      {here.length > SHOWN && <li className="text-(--quiet)">and {here.length - SHOWN} more</li>}
    </ul>
  )
}

const WAYS_OUT = 2

/** Other surfaces for the later of two hands that meet, a click each. */
function WaysOut({
  lick,
  voiced,
  setting,
  meet,
  onEdit,
}: CollisionsProps & { meet: HandCollision }) {
  const later = lineEvents(voiced).findLast(
    ({ tick, limb }) => tick === meet.toTick && (limb === 'RH' || limb === 'LH'),
  )
  if (!later || (later.limb !== 'RH' && later.limb !== 'LH')) return null
  const surfaces = clearSurfaces(setting.kit, meet, later.limb).slice(0, WAYS_OUT)
  const { slot } = later
  return surfaces.map((surface) => (
    <button
      key={surface}
      type="button"
      className="ml-2 rounded-field px-1.5 text-(--quiet) underline decoration-dotted hover:bg-base-200"
      aria-label={`${LIMB_NAMES[later.limb]} at ${placeIn(voiced, meet.toTick)} to ${SURFACE_NAMES[surface]}`}
      onClick={() => onEdit(putOn(lick, { from: slot, to: slot + 1 }, surface))}
    >
      {later.limb === 'RH' ? 'right' : 'left'} to {SURFACE_NAMES[surface]}
    </button>
  ))
}
