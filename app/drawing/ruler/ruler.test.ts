import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { frameTicks, type Lick, lineEvents, pickupEvents } from '~/core/line'
import { DEFAULT_COUNTING } from '~/core/time'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { toRuler, xOf } from './layout'
import { rowKey, toRowView, toScene } from './view'

const views = (text: string, width = 900) => {
  const lick = lickOf(text)
  const ruler = toRuler(lick, width)
  const scene = toScene(lick, DEFAULT_COUNTING)
  return ruler.rows.map((row) => toRowView(scene, ruler, row))
}

describe('the one ruler', () => {
  it('has every stroke of the line in exactly one row, at growing x (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.integer({ min: 300, max: 1400 }), (lick, width) => {
        const ruler = toRuler(lick, width)
        for (const { tick } of lineEvents(lick)) {
          const places = ruler.rows
            .map((row) => xOf(ruler, row, tick))
            .filter((x) => x !== undefined)
          const rows = ruler.rows.filter((row) => tick >= row.from && tick < row.to)
          expect(rows.length).toBe(1)
          expect(places.length).toBeGreaterThan(0)
        }
        for (const row of ruler.rows) {
          expect(row.segments.every(({ x, width: wide }) => x >= 0 && wide > 0)).toBe(true)
          const inside = lineEvents(lick).filter(({ tick }) => tick >= row.from && tick < row.to)
          const xs = inside.map(({ tick }) => xOf(ruler, row, tick) ?? -1)
          expect(xs).toEqual([...xs].sort((a, b) => a - b))
        }
      }),
      { numRuns: 150 },
    )
  })

  it('has every stroke of a pick-up that is no longer than a bar, before bar 1 too (law)', () => {
    let early = 0
    fc.assert(
      fc.property(random.lick, fc.integer({ min: 300, max: 1400 }), (lick, pageWidth) => {
        const ruler = toRuler(lick, pageWidth)
        const [row] = ruler.rows
        for (const { tick } of pickupEvents(lick)) {
          if (tick < -frameTicks(lick.frame).bar || tick >= (row?.to ?? 0)) continue
          expect(row && xOf(ruler, row, tick)).toBeGreaterThanOrEqual(0)
          if (tick < 0) early += 1
        }
      }),
      { numRuns: 400 },
    )
    expect(early).toBeGreaterThan(8)
  })

  it('fits a bar into the page, and wraps whole bars together', () => {
    const ruler = toRuler(lickOf('bars: 4\nline: RLRL*16'), 900)
    expect(ruler.rows.map(({ from, to }) => [from, to])).toEqual([
      [0, 80640],
      [80640, 161280],
    ])
    expect(Math.max(...ruler.rows.map(({ width }) => width))).toBeLessThanOrEqual(900)
  })

  it('cuts a bar at its beats on a narrow page, and folds rows of groove away', () => {
    const ruler = toRuler(lickOf('grid: 1/32\nstart: 3\nline: RLRLRLRL*2'), 340)
    expect(ruler.rows.map(({ from, to }) => [from, to])).toEqual([
      [20160, 30240],
      [30240, 40320],
    ])
    expect(ruler.rows[0]?.segments[0]).toMatchObject({ kind: 'lead', to: 20160 })
  })
})

describe('rows', () => {
  it('show counts, stacks, letters and limbs of the same slot at the same x', () => {
    const [row] = views('start: 2&\nline: >RllRl >RlK >LK\nunder: @1/4 H')
    const xs = row?.letters.map(({ x }) => x)
    expect(
      row?.counts.filter(({ part, text }) => part === 'line' && text !== '1').map(({ x }) => x),
    ).toEqual(xs)
    expect(
      row?.lanes.filter(({ under, x }) => !under && x < (row.landing?.x ?? 0)).map(({ x }) => x),
    ).toEqual(xs)
    expect(row?.stacks.map(({ size, x }) => [size, x])).toEqual([
      [5, xs?.[0]],
      [3, xs?.[5]],
      [2, xs?.[8]],
    ])
  })

  it('bracket a group that goes on in the next row, with its discs where it begins', () => {
    const rows = views('bars: 2\nline: RLRLRLRLRLRLRL RLRLRLRLRLRLRLRLRL', 820)
    expect(
      rows.map(({ stacks }) =>
        stacks.map(({ begins, ends, discs }) => [begins, ends, discs?.length ?? 0]),
      ),
    ).toEqual([
      [
        [true, true, 14],
        [true, false, 18],
      ],
      [[false, true, 0]],
    ])
  })

  it('open a swell over its slots, and go on with it in the next row', () => {
    const [one, two] = views('bars: 2\nswell: 12..19 ghost>accent\nline: RLRL*8', 820)
    expect(
      [one, two].map((row) => row?.swells.map(({ loudFrom, loudTo }) => [loudFrom, loudTo])),
    ).toEqual([[[36, 69]], [[79, 112]]])
    const first = one?.letters[12]
    const last = two?.letters[3]
    expect(one?.swells[0]?.from).toBeLessThan(first?.x ?? 0)
    expect(one?.swells[0]?.from).toBeGreaterThan(one?.letters[11]?.x ?? 0)
    expect(two?.swells[0]?.to).toBeGreaterThan(last?.x ?? 0)
    expect(two?.swells[0]?.to).toBeLessThan(two?.letters[4]?.x ?? 0)
  })

  it('say every slot in words', () => {
    const [row] = views('start: 2&\nline: >R:t1l-(RK)')
    expect(row?.letters.map(({ spoken }) => spoken)).toEqual([
      'and of 2, right hand, accent, on tom 1',
      'a of 2, left hand, ghost, on snare',
      'beat 3, rest',
      'e of 3, right hand, on snare with kick, on bass drum',
    ])
  })

  it('show the slots that are still free', () => {
    const [row] = views('start: 4\nline: RL')
    expect(row?.counts.filter(({ part }) => part === 'free').map(({ text }) => text)).toEqual([
      '&',
      'a',
    ])
  })

  it('draw again only what has changed', () => {
    const keysOf = (text: string) => {
      const lick = lickOf(text)
      const ruler = toRuler(lick, 820)
      const scene = toScene(lick, DEFAULT_COUNTING)
      return ruler.rows.map((row) => rowKey(scene, ruler, row))
    }
    const before = keysOf('bars: 2\nline: RLRL*8')
    const same = (text: string) => keysOf(text).map((key, i) => key === before[i])
    expect(same('bars: 2\nline: RLRL*7 RLRK')).toEqual([true, false])
    expect(same('bars: 2\nline: RLRL*3 RL(RK)L RLRL*4')).toEqual([false, true])
    expect(same('bars: 2\nstart: 1\ntempo: 81\nline: RLRL*8')).toEqual([false, false])
    expect(same('bars: 2\nline: RLRL*7 RLR')).toEqual([true, false])
    expect(same('bars: 2\nlanding: groove\nline: RLRL*8')).toEqual([true, false])
  })

  it('have equal keys only where their views are equal (law)', () => {
    fc.assert(
      fc.property(random.lick, random.lick, (one, other) => {
        const rowsOf = (long: typeof one) => {
          const lick = { ...long, frame: { ...long.frame, bars: null } }
          const ruler = toRuler(lick, 900)
          const scene = toScene(lick, DEFAULT_COUNTING)
          return ruler.rows.map(
            (row) =>
              [rowKey(scene, ruler, row), JSON.stringify(toRowView(scene, ruler, row))] as const,
          )
        }
        // The same frame over another line, the same line over another landing: rows may agree, and then
        // must agree in all.
        const { line, frame } = one
        const over = (slots: Lick['line']['slots'], groups: readonly number[]) =>
          rowsOf({ ...one, line: { ...line, slots, groups: groups.filter(Boolean) } })
        const shorter = [...line.groups.slice(0, -1), (line.groups.at(-1) ?? 1) - 1]
        const others = [
          over([...line.slots].reverse(), line.groups),
          over(line.slots.slice(0, -1), shorter),
          over([...line.slots, ...line.slots.slice(0, 1)], [...line.groups, 1]),
          ...(['none', 'groove'] as const).map((kind) =>
            rowsOf({ ...one, frame: { ...frame, landing: { kind, at: 'bar' } } }),
          ),
          rowsOf({
            ...one,
            frame: { ...frame, landing: { kind: 'crash', at: 'bar', crash: 'c2' } },
          }),
        ].flat()
        for (const [key, view] of [...rowsOf(one), ...rowsOf(other)])
          for (const [otherKey, otherView] of others)
            if (key === otherKey) expect(view).toBe(otherView)
      }),
      { numRuns: 60, endOnFailure: true },
    )
  }, 20_000)
})
