import { parseKit } from '~/codecs/kit'
import { findOwnGrooves } from '~/codecs/lick-text'
import { type Groove, toOwnGrooves } from '~/core/groove'
import {
  DEFAULT_KIT,
  DEFAULT_PLAYER,
  KIT_PRESETS,
  type Kit,
  mirrorPart,
  mirrorPlayer,
  type Player,
} from '~/core/kit'
import type { Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import type { KitRecord, Settings } from '~/storage'
import { memoize } from './memoize'

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

/**
 * The player of the settings. One who has measured nothing has the usual speeds, the strong hand being
 * that of the letters; of a limb that was measured before triples, buzzes or travel were, those are usual.
 */
export function playerOf({ speeds, arms, reach, turnLetters, openHanded }: Settings): Player {
  const usual = turnLetters ? mirrorPlayer(DEFAULT_PLAYER) : DEFAULT_PLAYER
  return {
    RH: { ...usual.RH, ...defined(speeds?.RH) },
    LH: { ...usual.LH, ...defined(speeds?.LH) },
    RF: { ...DEFAULT_PLAYER.RF, ...defined(speeds?.RF) },
    LF: { ...DEFAULT_PLAYER.LF, ...defined(speeds?.LF) },
    arms: arms ?? DEFAULT_PLAYER.arms,
    swapsGroove: turnLetters !== openHanded,
    ...(reach !== null && { reach }),
  }
}

/** An object without the fields that are undefined. */
function defined<T extends object>(
  fields: T | undefined,
): { [K in keyof T]?: Exclude<T[K], undefined> } {
  const known = Object.entries(fields ?? {}).filter(([, value]) => value !== undefined)
  return Object.fromEntries(known) as { [K in keyof T]?: Exclude<T[K], undefined> }
}

/** A kit as it stands before this player: surfaces and pedals turned, each by its own switch. */
export function turnedKit(
  kit: Kit,
  { turnKit, turnFeet }: Pick<Settings, 'turnKit' | 'turnFeet'>,
): Kit {
  const surfaces = turnKit ? mirrorPart(kit, 'surfaces') : kit
  return turnFeet ? mirrorPart(surfaces, 'pedals') : surfaces
}

/** Who plays on what: the kit that a lick names, else the player's own choice, else the usual one. */
export function settingOf(
  settings: Settings,
  own: readonly Kit[],
  named: string | null,
  grooves: readonly Groove[] = [],
): PlayContext {
  const kits = allKits(own)
  const find = (id: string | null) => kits.find((kit) => kit.id === id)
  const kit = find(named) ?? find(settings.kit) ?? DEFAULT_KIT
  return { kit: turnedKit(kit, settings), player: playerOf(settings), grooves }
}

/** The player's own grooves, as they are played; worked out once for all who ask, as the two that follow are. */
export const ownGrooves = memoize(toOwnGrooves)
export const ownKitsOf = memoize(ownKits)
const sharedSetting = memoize(settingOf)

/** The grooves that a lick can be played with: the player's own, and those that its text carries along. */
export const groovesFor = memoize((own: readonly Groove[], unknown: Lick['unknown']) => {
  const carried = findOwnGrooves(unknown).filter(({ id }) => own.every((one) => one.id !== id))
  return carried.length === 0
    ? own
    : [...own, ...toOwnGrooves(carried).map((groove) => ({ ...groove, carried: true }))]
})

/** Who plays a lick on what; the same object while nothing of it changes. */
export function settingFor(
  { kit, unknown }: Pick<Lick, 'kit' | 'unknown'>,
  settings: Settings,
  kits: readonly Kit[],
  own: readonly Groove[],
): PlayContext {
  return sharedSetting(settings, kits, kit, groovesFor(own, unknown))
}
