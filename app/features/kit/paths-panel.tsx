import { useMemo, useRef, useState } from 'react'
import { standIns } from '~/core/kit'
import { type Lick, lineEvents } from '~/core/line'
import { handMeets, type Meet } from '~/core/playing'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import { placeIn } from '../bench/places'
import { theSurface } from '../voicing/surface-words'
import type { PanelProps } from '../workbench/panel-props'
import { Choice, Nothing, Part } from '../workbench/parts'
import { KitPlan } from './kit-plan'
import { toPathView } from './path-view'
import { type Followed, PathsFigure } from './paths-figure'
import { usePathCursor } from './use-path-cursor'

const SHOWN = 8

/** The kit from above with each hand's way over it, and where hands get in each other's way. */
export function PathsPanel({ voiced, setting, playing, position }: PanelProps) {
  const [followed, setFollowed] = useState<Followed>('both')
  const host = useRef<HTMLDivElement>(null)
  const { kit } = setting
  const view = useMemo(() => toPathView(voiced, kit), [voiced, kit])
  const meets = useMemo(() => handMeets(voiced, kit), [voiced, kit])
  const used = useMemo(
    () => new Set(lineEvents(voiced).map(({ surface }) => surface as Surface)),
    [voiced],
  )
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
          <Meets lick={voiced} meets={meets} kind="crossed" none="The hands never cross." />
        </Part>
        <Part title="Both hands on a small surface">
          <Meets lick={voiced} meets={meets} kind="shared" none="Each has room of its own." />
        </Part>
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

interface MeetsProps {
  readonly lick: Lick
  readonly meets: readonly Meet[]
  readonly kind: Meet['kind']
  readonly none: string
}

/** Where hands meet, in words; a crossing may be meant. */
function Meets({ lick, meets, kind, none }: MeetsProps) {
  const here = meets.filter((meet) => meet.kind === kind)
  if (here.length === 0) return <Nothing>{none}</Nothing>
  return (
    <ul className="text-sm">
      {here.slice(0, SHOWN).map(({ fromTick, toTick, right, left }) => (
        <li key={`${fromTick} ${toTick} ${right} ${left}`}>
          {placeIn(lick, fromTick)} to {placeIn(lick, toTick)}: right hand on {theSurface(right)},
          left on {theSurface(left)}
        </li>
      ))}
      {here.length > SHOWN && <li className="text-(--quiet)">and {here.length - SHOWN} more</li>}
    </ul>
  )
}
