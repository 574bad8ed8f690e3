import { parseKit } from '~/codecs/kit'
import type { Groove } from '~/core/groove'
import {
  DEFAULT_KIT,
  DEFAULT_PLAYER,
  KIT_PRESETS,
  type Kit,
  mirrorPart,
  mirrorPlayer,
  type Player,
} from '~/core/kit'
import type { Setting } from '~/core/playing'
import type { KitRecord, Settings } from '~/storage'

/** The player's own kits that can be read. */
export function ownKits(records: readonly KitRecord[]): Kit[] {
  return records.flatMap(({ id, kit }) => {
    const read = parseKit(kit)
    return read.ok ? [{ ...read.value, id }] : []
  })
}

/** Every kit that can be chosen: the player's own before those that ship. */
export function allKits(own: readonly Kit[]): Kit[] {
  return [...own, ...KIT_PRESETS]
}

/** The speeds of a player who has measured none: the strong hand is that of the letters. */
export function playerOf({ speeds, reach, turnLetters, openHanded }: Settings): Player {
  const rest = { swapsGroove: turnLetters !== openHanded, ...(reach !== null && { reach }) }
  if (speeds) return { ...speeds, ...rest }
  if (!turnLetters) return { ...DEFAULT_PLAYER, ...rest }
  const { RH, LH } = mirrorPlayer(DEFAULT_PLAYER)
  return { ...DEFAULT_PLAYER, RH, LH, ...rest }
}

/** A kit as it stands before this player: surfaces and pedals turned, each by its own switch. */
export function turnedKit(kit: Kit, { turnKit, turnFeet }: Settings): Kit {
  const surfaces = turnKit ? mirrorPart(kit, 'surfaces') : kit
  return turnFeet ? mirrorPart(surfaces, 'pedals') : surfaces
}

/** Who plays on what: the kit that a lick names, else the player's own choice, else the usual one. */
export function settingOf(
  settings: Settings,
  own: readonly Kit[],
  named: string | null,
  grooves: readonly Groove[] = [],
): Setting {
  const kits = allKits(own)
  const find = (id: string | null) => kits.find((kit) => kit.id === id)
  const kit = find(named) ?? find(settings.kit) ?? DEFAULT_KIT
  return { kit: turnedKit(kit, settings), player: playerOf(settings), grooves }
}
