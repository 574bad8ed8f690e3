import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { DEFAULT_KIT } from '../kit'
import type { Surface } from '../sticking'
import { voiceLick, voicingPresets } from '../voicing'
import { handCollisions } from '.'
import { collisionOf } from './collisions'

const SURFACES: readonly Surface[] = ['hh', 'sn', 't1', 't2', 'f1', 'rd', 'c1', 'c2']

/** Right hand on the first, left on the second, on the kit of five: as the model lists them. */
const CROSSING = new Set(
  'sn-t2 sn-f1 sn-rd sn-c2 t1-t2 t1-f1 t1-rd t1-c2 t2-f1 t2-rd t2-c2 rd-f1 c1-sn c1-t1 c1-t2 c1-f1 c1-rd c1-c2 c2-f1 c2-rd hh-sn hh-t1 hh-t2 hh-f1 hh-rd hh-c1 hh-c2'.split(
    ' ',
  ),
)

describe('arms that cross on the kit of five', () => {
  it.each(SURFACES.flatMap((right) => SURFACES.map((left) => [right, left] as const)))(
    'right on %s, left on %s',
    (right, left) => {
      const found = collisionOf(DEFAULT_KIT, right, left, false)
      expect(found?.kind === 'crossed').toBe(CROSSING.has(`${right}-${left}`))
    },
  )

  it('are told as slight where they meet at the end of either, as usual over hi-hat and snare', () => {
    expect(collisionOf(DEFAULT_KIT, 'sn', 't2', false)).toMatchObject({ slight: true })
    expect(collisionOf(DEFAULT_KIT, 'c1', 'sn', false)).toMatchObject({ slight: true })
    expect(collisionOf(DEFAULT_KIT, 't1', 'f1', false)).toMatchObject({ slight: false })
    expect(collisionOf(DEFAULT_KIT, 'hh', 'sn', false)).toMatchObject({ usual: true })
  })
})

describe('hands in a line', () => {
  const places = (line: string) =>
    handCollisions(lickOf(line), DEFAULT_KIT).map(({ right, left }) => `${right}-${left}`)

  it('free: right on tom 1 with the left on the snare, the commonest fill of all', () => {
    expect(places('R:t1LR:t1L')).toEqual([])
  })

  it('unisons and graces count', () => {
    expect(places('(RL)L:f1')).toContain('sn-f1')
    expect(places('fR:hh/f1')).toEqual(['hh-f1'])
  })

  it('further apart than a beat nothing is told', () => {
    expect(places('grid: 1/4\nline: R:t1L:f1')).toContain('t1-f1')
    expect(places('grid: 1/4\nline: R:t1-L:f1')).toEqual([])
  })
})

describe('usual voicings', () => {
  const PATTERNS = [
    'RLRR LRLL*4',
    'RLRL*4',
    'RLLR LRRL*2',
    '>RRL>L RR>LL*2',
    'fRLfRL RLRL*2',
    'RLLRLK*4',
  ]
  it.each(voicingPresets(DEFAULT_KIT).map((preset) => [preset.name, preset] as const))(
    '%s: no arms cross, unless it says so',
    (_, { rules, crosses }) => {
      const crossings = PATTERNS.flatMap((line) =>
        handCollisions(voiceLick(lickOf(line), { rules, pins: [] }), DEFAULT_KIT).filter(
          ({ kind, usual }) => kind === 'crossed' && !usual,
        ),
      )
      if (!crosses) expect(crossings).toEqual([])
      else expect(crossings.length).toBeGreaterThan(0)
    },
  )
})
