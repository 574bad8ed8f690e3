import { useMemo, useRef, useState } from 'react'
import { standIns } from '~/core/kit'
import { type Lick, lineEvents } from '~/core/line'
import {
  clearSurfaces,
  DEFAULT_REACH,
  farStrokes,
  type HandCollision,
  handCollisions,
} from '~/core/playability'
import { isOneHand, SURFACE_NAMES, type Surface } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import { KitPlan } from '~/drawing/kit/kit-plan'
import { toPathView } from '~/drawing/kit/path-view'
import { type Followed, PathsFigure } from '~/drawing/kit/paths-figure'
import { usePathCursor } from '~/drawing/kit/use-path-cursor'
import { Choice, EmptyState, Part } from '~/ui/parts'
import { LIMB_NAMES } from '~/words/limb-names'
import { placeIn } from '~/words/places'
import { theSurface } from '~/words/surface-words'
import { putOn } from '~/workspace/edits/voice-edits'
import { type PanelView, usePanel } from '../state/use-panel'

const SHOWN = 8

/** The kit from above with each hand's way over it, and where hands get in each other's way. */
export function PathsPanel() {
  const props = usePanel()
  const { voiced, setting, playing, position } = props
  const [followed, setFollowed] = useState<Followed>('both')
  const host = useRef<HTMLDivElement>(null)
  const { kit } = setting
  const { arms } = setting.player
  const view = useMemo(() => toPathView(voiced, kit, arms), [voiced, kit, arms])
  const collisions = useMemo(() => handCollisions(voiced, kit, arms), [voiced, kit, arms])
  const used = useMemo(
    () => new Set(lineEvents(voiced).map(({ surface }) => surface as Surface)),
    [voiced],
  )
  const far = farStrokes(voiced, kit, setting.player.reach ?? DEFAULT_REACH, arms)
  usePathCursor(playing, position, view, host)
  const missing = standIns(kit, used)
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-4">
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
            ['both', 'Both hands'],
            ['RH', 'Right only'],
            ['LH', 'Left only'],
          ]}
          value={followed}
          onChoose={setFollowed}
        />
        <Part title="Crossings">
          <Collisions
            {...props}
            collisions={collisions}
            kind="crossed"
            none="The arms never cross."
          />
        </Part>
        <Part title="Both hands together on a small drum">
          <Collisions {...props} collisions={collisions} kind="shared" none="Never." />
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
              : first at {placeIn(voiced, far[0]?.tick ?? 0, props.counting)}
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
function KitChoice({ lick, kits, onKit }: PanelView) {
  const named = kits.some(({ id }) => id === lick.kit) ? lick.kit : null
  return (
    <label className="flex items-center gap-2 text-sm">
      Played on
      <select
        className="rounded-field border border-base-300 bg-base-100 px-2 py-1"
        value={named ?? ''}
        onChange={(event) => onKit(event.target.value === '' ? null : event.target.value)}
      >
        <option value="">the kit on the Kit page</option>
        {kits.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}

interface CollisionsProps extends PanelView {
  readonly collisions: readonly HandCollision[]
  readonly kind: HandCollision['kind']
  readonly none: string
}

/** `1e: right arm over left, right hand on the snare, left on tom 2`; how slight or usual it is. */
function collisionWords(lick: Lick, collision: HandCollision, counting: CountingSystem): string {
  const { fromTick, toTick, right, left, over, slight, usual } = collision
  const [from, to] = [placeIn(lick, fromTick, counting), placeIn(lick, toTick, counting)]
  const place = from === to ? from : `${from} to ${to}`
  const way = over === null ? '' : over === 'RH' ? 'right over left, ' : 'left over right, '
  const how = usual ? ', as in any groove' : slight ? ', only slightly' : ''
  return `${place}: ${way}right hand on ${theSurface(right)}, left on ${theSurface(left)}${how}`
}

/** Where the hands collide, in words, with other surfaces to choose from; a crossing may be meant. */
function Collisions(props: CollisionsProps) {
  const { voiced, counting, collisions, kind, none } = props
  const here = collisions.filter((one) => one.kind === kind)
  if (here.length === 0) return <EmptyState>{none}</EmptyState>
  return (
    <ul className="flex flex-col gap-1 text-sm">
      {here.slice(0, SHOWN).map((one) => (
        <li key={`${one.fromTick} ${one.toTick} ${one.right} ${one.left}`}>
          {collisionWords(voiced, one, counting)}
          {!one.usual && <WaysOut {...props} collision={one} />}
        </li>
      ))}
      {here.length > SHOWN && <li className="text-(--quiet)">and {here.length - SHOWN} more</li>}
    </ul>
  )
}

/** Ways out for the hand that strikes later, and for the other. */
const WAYS_OUT = { later: 2, earlier: 1 }

/** Other surfaces for either of two hands that collide, a click each; the later hand's come first. */
function WaysOut({
  lick,
  voiced,
  setting,
  counting,
  collision,
  onEdit,
}: CollisionsProps & { collision: HandCollision }) {
  const { fromTick, toTick } = collision
  const struck = lineEvents(voiced)
  const last = struck.findLast(({ tick, limb }) => tick === toTick && isOneHand(limb))?.limb
  const ways = (['LH', 'RH'] as const).flatMap((limb) => {
    const stroke = struck.findLast(
      (one) => one.limb === limb && one.tick >= fromTick && one.tick <= toTick,
    )
    const surfaces = clearSurfaces(setting.kit, collision, limb, setting.player.arms)
    const most = limb === last ? WAYS_OUT.later : WAYS_OUT.earlier
    return stroke
      ? surfaces.slice(0, most).map((surface) => ({ limb, surface, stroke, later: limb === last }))
      : []
  })
  return ways
    .sort((a, b) => Number(b.later) - Number(a.later))
    .map(({ limb, surface, stroke: { slot, tick } }) => (
      <button
        key={`${limb} ${surface}`}
        type="button"
        className="ml-2 rounded-field px-1.5 text-(--quiet) underline decoration-dotted hover:bg-base-200"
        aria-label={`${LIMB_NAMES[limb]} at ${placeIn(voiced, tick, counting)} to ${SURFACE_NAMES[surface]}`}
        onClick={() => onEdit(putOn(lick, { from: slot, to: slot + 1 }, surface))}
      >
        {limb === 'RH' ? 'right' : 'left'} to {SURFACE_NAMES[surface]}
      </button>
    ))
}
