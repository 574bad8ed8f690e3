import type { Player } from '~/core/kit'
import type { Settings } from '~/storage'

/** A player's limb speeds as they are stored. */
export function speedsOf({ RH, LH, RF, LF }: Player): NonNullable<Settings['speeds']> {
  return { RH, LH, RF, LF }
}

/** The change of settings that raises limb speeds to what was played, and can be undone. */
export function raisedSpeeds(settings: Settings, player: Player): Partial<Settings> {
  return { speeds: speedsOf(player), speedsBefore: { speeds: settings.speeds } }
}
