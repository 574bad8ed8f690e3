import type { Landing, Lick } from '~/core/line'
import { isHand, type SlotContent, strokeLimb, strokeSurface, strokesInSlot } from '~/core/sticking'
import { meterName } from '~/core/time'
import { listWords } from './figures'
import { gridWords, swingWords } from './grid-words'
import { LIMB_NAMES } from './limb-names'
import { pickupPlace, startPlace } from './places'
import { theSurface } from './surface-words'

/** What a line goes into, in a sentence: `a crash`, `the groove`, `left hand on the crash and kick`. */
export function intoWords(landing: Landing): string {
  const words = {
    crash: 'a crash',
    stop: 'a choked crash',
    groove: 'the groove',
    last: 'its last stroke',
    none: 'nothing',
    strokes: landing.kind === 'strokes' ? strokesWords(landing.slot) : '',
  }[landing.kind]
  return landing.at === 'beat' ? `${words} on a beat` : words
}

/** The strokes of a slot as one says them: `right hand on floor tom and kick`. */
function strokesWords(slot: SlotContent): string {
  return listWords(
    strokesInSlot(slot).map(({ stroke }) => {
      const limb = LIMB_NAMES[strokeLimb(stroke)]
      return isHand(stroke.letter) ? `${limb} on ${theSurface(strokeSurface(stroke))}` : limb
    }),
  )
}

/** A lick's frame in a row of words: `4/4 · sixteenths · from 2& · into a crash`. */
export function frameWords(lick: Lick): string {
  const { frame, pickup } = lick
  const { meter, grid, start, landing, swing, grooveSwing } = frame
  return [
    meterName(meter),
    gridWords(grid),
    ...swingWords(swing),
    ...(grooveSwing ? [`groove ${listWords(swingWords(grooveSwing)) || 'straight'}`] : []),
    ...(start === 0 ? [] : [`from ${startPlace({ frame })}`]),
    ...(pickup.slots.length === 0 ? [] : [`pick-up ${pickupPlace(lick)}`]),
    ...(landing.kind === 'none' ? [] : [`into ${intoWords(landing)}`]),
  ].join(' · ')
}
