import { useMemo } from 'react'
import type { StaffView } from '~/core/engraving'
import type { Groove } from '~/core/groove'
import { staffKeyOf } from '~/core/kit'
import type { Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import type { CountingSystem } from '~/core/time'
import { countingOf } from '~/workspace/counting'
import { memoize } from '~/workspace/memoize'
import { settingFor } from '~/workspace/setting'
import { useSettings } from './use-live'
import { useOwnGrooves, useOwnKits } from './use-own'

// Worked out once for all who ask: what follows from it is then the same for all of them.
const sharedCounting = memoize(countingOf)

/** Who plays a lick on what; the same object while nothing of it changes. */
export function useSettingFor(lick: Pick<Lick, 'kit' | 'unknown'>): PlayContext {
  const { settings } = useSettings()
  return settingFor(lick, settings, useOwnKits(), useOwnGrooves())
}

/** How the player counts. */
export function useCounting(): CountingSystem {
  const { settings } = useSettings()
  return useMemo(() => sharedCounting(settings), [settings])
}

/** How the player reads the staff, on a setting's kit. */
export function useStaffView({ kit, grooves = NONE }: PlayContext): StaffView {
  const { beaming, staffGroove } = useSettings().settings
  return useMemo(
    () => ({ beaming, groove: staffGroove, grooves, key: staffKeyOf(kit) }),
    [beaming, staffGroove, grooves, kit],
  )
}
const NONE: readonly Groove[] = []
