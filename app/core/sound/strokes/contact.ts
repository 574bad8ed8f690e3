import type { RandomStream } from '../../foundation'

/** What strikes: sticks of wood, or brushes of wire. */
export type Tool = 'sticks' | 'brushes'

/** Two contacts of one area: how long they are at the softest and at the hardest, in milliseconds. */
export interface Contact {
  readonly soft: number
  readonly hard: number
}

/** A stick's tip on a head gives it a push of about a millisecond; the beater's felt is slower. */
export const TIP: Contact = { soft: 2.4, hard: 0.35 }
export const BEATER: Contact = { soft: 8, hard: 1.1 }
/** On metal and wood a stick is hardly there. */
export const METAL: Contact = { soft: 0.9, hard: 0.08 }

/** A brush's wires come one after the other, in so many milliseconds. */
const BRUSH_MS = 9
const WIRES = 14
/** How much longer a wire's contact is than a stick's softest. */
const SOFTER = 1.8

/**
 * The push of a stroke by samples, of area 1: a raised cosine that is shorter the harder it is struck (force, 0 to
 * 1), so that hard strokes reach higher. Brushes are many soft small pushes one after the other.
 * Source: N. H. Fletcher and T. D. Rossing, The Physics of Musical Instruments, 2nd ed. 1998, 18.1 and 19 (a
 * contact is shorter with force; what is shorter than a mode's period sets it swinging wholly).
 */
export function pushOf(
  contact: Contact,
  force: number,
  tool: Tool,
  rate: number,
  random: RandomStream,
): Float32Array {
  const ms = contact.soft * (contact.hard / contact.soft) ** force
  if (tool === 'sticks') return bump(ms, rate)
  const one = bump(contact.soft * SOFTER, rate)
  const push = new Float32Array(one.length + Math.ceil((BRUSH_MS / 1000) * rate))
  for (let wire = 0; wire < WIRES; wire += 1) {
    const from = Math.floor(wire === 0 ? 0 : random() ** 1.5 * (push.length - one.length))
    for (let i = 0; i < one.length; i += 1)
      push[from + i] = (push[from + i] as number) + (one[i] as number) / WIRES
  }
  return push
}

/** A raised cosine of area 1; never shorter than a sample. */
function bump(ms: number, rate: number): Float32Array {
  const length = Math.max(1, Math.round((ms / 1000) * rate))
  return Float32Array.from(
    { length },
    (_, i) => (1 - Math.cos((2 * Math.PI * (i + 0.5)) / length)) / length,
  )
}
