import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { DEFAULT_KIT, DEFAULT_PLAYER, findPiece, type HandSpeed, type Player } from '../kit'
import { EMPTY_LICK, frameTicks, isNoGroove, type Lick, strokeEvents } from '../line'
import { GRACE_LEAD_MS } from '../performance'
import type { Limb, Voice } from '../sticking'
import { movesOf, movesTooFast, speedLimit, travelTime } from '.'

/** A hand's or foot's stroke, told in the words of the model and not of the code. */
interface Told {
  readonly tick: number
  readonly limb: Exclude<Limb, 'XH'>
  readonly surface: Voice
  readonly place: Voice
  readonly layer: number
  readonly onset: number
  readonly isGrace: boolean
  /** How long before its tick it begins, and is over. */
  readonly begins: number
  readonly ends: number
  /** The squeeze that it is in, and which part of it. */
  readonly slot: string
  readonly nth: number
}

/** All strokes of each limb in order; null where one limb is wanted twice at once. */
function toldOf(lick: Lick): Told[][] | null {
  const events = strokeEvents(lick).filter(isNoGroove(lick))
  const onsets = new Map<number, number[]>()
  for (const { layer, tick } of events) {
    const known = onsets.get(layer) ?? []
    if (known.at(-1) !== tick) known.push(tick)
    onsets.set(layer, known)
  }
  const place = (surface: Voice): Voice =>
    surface === 'b2' ? 'hf' : (findPiece(DEFAULT_KIT, surface)?.surface ?? surface)
  const all: Told[] = events.flatMap((event) => {
    const { tick, layer, limb, surface, grace, graceLimb, graceSurface = surface } = event
    const same = {
      tick,
      layer,
      onset: (onsets.get(layer) ?? []).indexOf(tick),
      slot: `${event.slotTick}`,
      nth: event.nth,
    }
    const main = {
      ...same,
      limb,
      surface,
      place: place(surface),
      isGrace: false,
      begins: 0,
      ends: 0,
    }
    const graces = {
      ...same,
      limb: graceLimb,
      surface: graceSurface,
      place: place(graceSurface),
      isGrace: true,
      begins: GRACE_LEAD_MS[grace],
      ends: 30,
    }
    return [...(grace > 0 ? [graces] : []), main].filter(
      (one): one is Told => one.limb !== 'XH' && one.limb !== undefined,
    )
  })
  const limbs = (['RH', 'LH', 'RF', 'LF'] as const).map((limb) =>
    all.filter((one) => one.limb === limb),
  )
  const clash = limbs.some((own) => own.some(({ tick }, i) => own[i + 1]?.tick === tick))
  return clash ? null : limbs
}

/** The times in milliseconds that a limb may ask for between its strokes, and whether it has them at a tempo. */
function asked(lick: Lick, own: readonly Told[], player: Player) {
  const { beat } = frameTicks(lick.frame)
  const tempoOf = (ticks: number, ms: number) =>
    ms <= 0 ? Infinity : (ticks * 60000) / (ms * beat)
  const candidates: number[] = []
  const checks: ((tempo: number) => boolean)[] = []
  /** For the stroke that was reached last: at a tempo, how many it is in its run. */
  let place: (tempo: number) => number = () => 1
  for (const [i, now] of own.entries()) {
    const before = own[i - 1]
    if (!before) continue
    const speed = player[now.limb]
    const lead = now.begins - before.ends
    const ticks = now.tick - before.tick
    const upTo = (ms: number) => tempoOf(ticks, ms + lead)
    const [single, double, triple] = [speed.single, speed.double, speed.triple].map(upTo) as [
      number,
      number,
      number,
    ]
    const stays =
      before.surface === now.surface ||
      before.surface === '??' ||
      now.surface === '??' ||
      before.place === now.place ||
      isPedal(before.surface) ||
      isPedal(now.surface)
    const next =
      before.layer === now.layer && before.onset === now.onset - 1 && before.place === now.place
    const runs = next && !before.isGrace && !now.isGrace
    if (!stays) {
      const way = upTo(
        Math.max(
          speed.single,
          travelTime(DEFAULT_KIT, before.surface, now.surface, now.limb, player),
        ),
      )
      candidates.push(way)
      checks.push((tempo) => tempo <= way)
      place = () => 1
    } else if (!runs) {
      const rebound = next && !(before.isGrace && now.isGrace)
      const need = rebound ? double : single
      candidates.push(need)
      checks.push((tempo) => tempo <= need)
      place = () => 1
    } else {
      candidates.push(single, double, triple)
      const earlier = place
      const count = (tempo: number) => (tempo <= single ? 1 : earlier(tempo) + 1)
      const pressed = isPressed(own, i)
      const buzz = upTo((speed as HandSpeed).buzz ?? 0)
      if (pressed) candidates.push(buzz)
      checks.push((tempo) => {
        if (pressed) return tempo <= buzz
        const nth = count(tempo)
        return nth === 1 || tempo <= ([triple, single, double][nth % 3] as number)
      })
      place = count
    }
  }
  return { candidates, holds: (tempo: number) => checks.every((check) => check(tempo)) }
}

const isPedal = (surface: Voice) => findPiece(DEFAULT_KIT, surface)?.kind === 'pedal'

/** Whether a stroke is the second or a later one of three or more of one hand squeezed into one slot. */
function isPressed(own: readonly Told[], at: number): boolean {
  const joins = (i: number) => {
    const [a, b] = [own[i - 1], own[i]]
    return (
      !!a &&
      !!b &&
      a.layer === b.layer &&
      a.slot === b.slot &&
      b.nth > a.nth &&
      a.onset === b.onset - 1 &&
      a.place === b.place &&
      !a.isGrace &&
      !b.isGrace
    )
  }
  if (!['RH', 'LH'].includes(own[at]?.limb ?? '') || !joins(at)) return false
  return joins(at - 1) || joins(at + 1)
}

/** The highest tempo of all candidates at which every interval holds, by trying them; null for none. */
function triedLimit(lick: Lick, player = DEFAULT_PLAYER): number | null | undefined {
  const limbs = toldOf(lick)
  if (!limbs) return undefined
  const limits = limbs.flatMap((own) => {
    const { candidates, holds } = asked(lick, own, player)
    const finite = candidates.filter(Number.isFinite)
    if (finite.length === 0) return []
    const tried = finite.sort((a, b) => b - a).map((tempo) => ({ tempo, ok: holds(tempo) }))
    // Slower never breaks what holds.
    const first = tried.findIndex(({ ok }) => ok)
    expect(tried.slice(first).every(({ ok }) => ok)).toBe(true)
    // What has time at any tempo limits nothing.
    return holds(Number.MAX_VALUE) ? [] : [tried[first]?.tempo as number]
  })
  return limits.length === 0 ? null : Math.min(...limits)
}

const limit = (text: string) => Math.round((speedLimit(lickOf(text)).bpm ?? 0) * 10) / 10
const runLine = fc
  .array(
    fc.constantFrom(
      'R',
      'R',
      'L',
      'K',
      'K',
      '-',
      '(RK)',
      'fR',
      'fL',
      'dR',
      '{RRR}',
      '{LL}',
      'R:t1',
      '{R-}',
    ),
    {
      minLength: 2,
      maxLength: 14,
    },
  )
  .map((slots) => slots.join(''))

describe('runs', () => {
  it.each([
    ['KK------KK------', 136.4],
    ['RR------RR------', 187.5],
    ['line: RLRLRLRLRLRLRLRL\nunder: K--K', 136.4],
    ['line: R-L-R-L-R-L-R-L-\nunder: K--K', 136.4],
    // Nothing but time ends a run: four with no time for a single between ask for one.
    ['KKKK', 88.2],
    ['KK-KK', 136.4],
    ['RRRR', 97.4],
    ['RRR', 142.9],
    // A hand's layer, a stroke a round, is no buzz; pressed in a slot it is.
    ['line: K--- K---\nunder: @1/16 R:rd', 97.4],
    ['line: K--- K---\nunder: @1/16 R:rdR:rd', 97.4],
    ['{RRR}', 111.1],
    // Flam accents over and over: the left's rebound before its grace.
    ['fRLRfLRLfRLRfLRL', 128.9],
  ])('%s are limited at %d', (text, expected) => {
    expect(limit(text)).toBe(expected)
  })

  it('leave the hand of the graces free from the last of them on, however many', () => {
    const after = (line: string) =>
      movesOf(lickOf(line), 'line', { kit: DEFAULT_KIT, player: DEFAULT_PLAYER }).find(
        ({ limb, fromTick, toTick }) => limb === 'LH' && fromTick === 0 && toTick === 2520,
      )
    const [flam, drag, ruff] = ['fRL--*4', 'dRL--*4', 'tRL--*4'].map(after)
    // A rebound of 86.4 ms, of which 30 are gone when the main stroke sounds.
    expect(flam?.needMs).toBeCloseTo(56.4, 9)
    expect(drag).toEqual(flam)
    expect(ruff).toEqual(flam)
  })

  it('are limited as by trying every tempo at which an interval has just its time (law)', () => {
    fc.assert(
      fc.property(runLine, fc.option(runLine), (line, layer) => {
        const lick = lickOf(
          `bars: 8\nline: ${line}${layer === null ? '' : `\nunder fill: @1/8 ${layer}`}`,
        )
        const tried = triedLimit(lick)
        if (tried === undefined) return
        expect(speedLimit(lick).bpm).toBe(tried)
      }),
      { numRuns: 350 },
    )
    fc.assert(
      fc.property(random.lick, (drawn) => {
        const lick = { ...drawn, pickup: EMPTY_LICK.pickup }
        const tried = triedLimit(lick)
        if (tried !== undefined) expect(speedLimit(lick).bpm).toBe(tried)
      }),
      { numRuns: 150 },
    )
  })

  it('have all their time at the limit, and not a little faster (law)', () => {
    const setting = { kit: DEFAULT_KIT, player: DEFAULT_PLAYER }
    fc.assert(
      fc.property(runLine, fc.double({ min: 0.2, max: 1, noNaN: true }), (line, slower) => {
        const lick = lickOf(`line: ${line}`)
        const { bpm } = speedLimit(lick)
        if (bpm === null) return
        expect(movesTooFast(lick, 'line', setting, bpm)).toEqual([])
        expect(movesTooFast(lick, 'line', setting, bpm * slower)).toEqual([])
        expect(movesTooFast(lick, 'line', setting, bpm * 1.000001)).not.toEqual([])
      }),
      { numRuns: 300 },
    )
  })

  it('of a layer are the same however often it is written out (law)', () => {
    fc.assert(
      fc.property(
        runLine,
        fc.integer({ min: 2, max: 4 }),
        fc.constantFrom('@1/16', '@1/8', '@1/8t'),
        (layer, times, grid) => {
          const written = (often: number) =>
            speedLimit(lickOf(`line: ---- ---- ---- X\nunder: ${grid} ${layer.repeat(often)}`))
          expect(written(times)).toEqual(written(1))
        },
      ),
      { numRuns: 300 },
    )
  })
})
