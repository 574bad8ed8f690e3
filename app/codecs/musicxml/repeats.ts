import type { XmlNode } from '../xml'

/** Measures that a score has at the most when its repeats are played out. */
const MAX_MEASURES = 4096
const MAX_TIMES = 64

/** A part's measures in the order in which they are played. */
export interface PlayedOut {
  readonly measures: readonly XmlNode[]
  /** What was not followed, in words; empty where all was. */
  readonly leftOut: readonly string[]
}

/**
 * Plays out the repeats of a part: from a sign forward, or from the beginning, as often as `times` says
 * (twice where it says nothing), with first and second endings. Jumps to a sign or a coda are not followed.
 * Law: without repeats the measures are those that are written. Source: MusicXML 4.0, `repeat` and `ending`.
 *
 * @example measures a ‖: b :‖ c are played a b b c
 */
export function playedOut(written: readonly XmlNode[]): PlayedOut {
  const measures: XmlNode[] = []
  const leftOut = new Set<string>()
  // The stretch that is repeated, which time round it is, and where its last sign backward was.
  let [from, pass, last, at] = [0, 1, -1, 0]
  while (at < written.length) {
    const measure = written[at] as XmlNode
    if (jumps(measure)) leftOut.add('Jumps to a sign or a coda are not followed.')
    if (measures.length >= MAX_MEASURES) {
      leftOut.add(`Repeats are played out up to ${MAX_MEASURES} bars.`)
      return { measures: [...measures, ...written.slice(at)], leftOut: [...leftOut] }
    }
    const { forward, backward } = marksOf(measure)
    const ending = endingAt(written, from, at)
    if ((forward && from !== at) || (last >= 0 && at > last && ending === null))
      [from, pass, last] = [at, 1, -1]
    const played = ending === null || ending.has(pass)
    if (played) measures.push(measure)
    if (backward !== null) last = Math.max(last, at)
    const times = ending === null ? backward : backward && lastTime(written, from, at)
    if (played && times !== null && pass < times) {
      pass += 1
      at = from
    } else at += 1
  }
  return { measures, leftOut: [...leftOut] }
}

/** The last of all times that the endings round a measure tell. */
function lastTime(written: readonly XmlNode[], from: number, at: number): number {
  let most = 1
  for (let i = from; i < written.length; i += 1) {
    const ending = endingAt(written, from, i)
    if (ending === null && i > at) break
    most = Math.max(most, ...(ending ?? []))
  }
  return Math.min(most, MAX_TIMES)
}

interface Marks {
  readonly forward: boolean
  /** How often all of it is played; null where nothing is repeated. */
  readonly backward: number | null
}

function marksOf(measure: XmlNode): Marks {
  const repeats = measure.children
    .filter(({ name }) => name === 'barline')
    .flatMap((barline) => barline.children.filter(({ name }) => name === 'repeat'))
  const back = repeats.find((one) => one.attributes.direction === 'backward')
  const times = Number(back?.attributes.times ?? 2)
  return {
    forward: repeats.some((one) => one.attributes.direction === 'forward'),
    backward: back
      ? Number.isInteger(times) && times >= 1 && times <= MAX_TIMES
        ? times
        : 2
      : null,
  }
}

/** The times at which a measure is played, where it is in an ending that begins after `from`; else null. */
function endingAt(written: readonly XmlNode[], from: number, at: number): Set<number> | null {
  for (let i = at; i >= from; i -= 1) {
    const endings = endingsOf(written[i])
    const told =
      i === at ? endings.find(({ attributes }) => attributes.type === 'start') : endings.at(-1)
    if (told?.attributes.type === 'start') {
      const numbers = (told.attributes.number ?? '').split(',').map(Number)
      return new Set(numbers.filter((one) => one >= 1 && one <= MAX_TIMES))
    }
    if (told) return null
  }
  return null
}

function endingsOf(measure: XmlNode | undefined): XmlNode[] {
  return (measure?.children ?? [])
    .filter(({ name }) => name === 'barline')
    .flatMap((barline) => barline.children.filter(({ name }) => name === 'ending'))
}

const JUMPS = ['dacapo', 'dalsegno', 'tocoda', 'coda', 'segno']

function jumps(measure: XmlNode): boolean {
  return measure.children.some((one) => {
    const sounds =
      one.name === 'sound' ? [one] : one.children.filter(({ name }) => name === 'sound')
    return sounds.some(({ attributes }) => JUMPS.some((jump) => attributes[jump] !== undefined))
  })
}
