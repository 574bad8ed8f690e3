import type { Lick } from '~/core/line'
import type { Move } from '~/core/playability'
import { SURFACE_NAMES } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import { LIMB_NAMES } from './limb-names'
import { placesIn } from './places'

/** A sentence with its first letter large. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}

const HOW: Readonly<Record<Exclude<Move['kind'], 'travel'>, string>> = {
  single: ' again',
  double: ' double',
  triple: ', third in a row',
  buzz: ' buzz',
}

/** `Kick double, 4& to 4a: needs 110 ms`, `Right hand from floor tom to hi-hat, 3e to 3&: needs 165 ms`. */
export function moveWords(lick: Lick, move: Move, counting?: CountingSystem): string {
  const { fromTick, toTick, needMs } = move
  return `${moveName(move)}, ${placesIn(lick, fromTick, toTick, counting)}: needs ${Math.round(needMs)} ms`
}

/** `Kick double`, `Right hand from floor tom to hi-hat`. */
export function moveName({ limb, kind, fromSurface, toSurface }: Move): string {
  const [from, to] = [SURFACE_NAMES[fromSurface], SURFACE_NAMES[toSurface]]
  const stays = from === to || kind === 'double' || kind === 'triple' || kind === 'buzz'
  const what = stays && kind !== 'travel' ? HOW[kind] : ` from ${from} to ${to}`
  return `${capital(LIMB_NAMES[limb])}${what}`
}
