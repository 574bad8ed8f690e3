import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SURFACES, type Voice } from '../sticking'
import {
  DEFAULT_KIT,
  findPiece,
  KIT_PRESETS,
  type Kit,
  MIDI_NOTES,
  mirrorKit,
  mirrorPart,
  noteOf,
  overlapsOf,
  placeOf,
  STAFF_KEY,
  soundsOn,
  staffKeyOf,
  standIns,
  surfaceOfNote,
  tomsOf,
} from '.'

const without = (...gone: string[]): Kit => ({
  ...DEFAULT_KIT,
  pieces: DEFAULT_KIT.pieces.filter(({ surface }) => !gone.includes(surface)),
})
const only = (surface: string): Kit => ({
  ...DEFAULT_KIT,
  pieces: DEFAULT_KIT.pieces.filter((piece) => piece.surface === surface),
})

describe('kits', () => {
  it('tell a surface by its note, whichever notes its pieces have (law)', () => {
    for (const kit of KIT_PRESETS) {
      for (const { surface } of kit.pieces)
        expect(surfaceOfNote(noteOf(surface, kit), kit)).toBe(surface)
      const moved = {
        ...kit,
        pieces: kit.pieces.map((piece, i) => ({ ...piece, midi: 70 + i })),
      }
      for (const [i, { surface }] of kit.pieces.entries())
        expect(surfaceOfNote(70 + i, moved)).toBe(surface)
      expect(surfaceOfNote(127, moved)).toBeUndefined()
    }
    // A rim shot is another way to strike the snare.
    expect(surfaceOfNote(MIDI_NOTES.rs, DEFAULT_KIT)).toBe('rs')
  })

  it.each(KIT_PRESETS.map((kit) => [kit.name, kit] as const))(
    '%s: no surface twice, no two drums in each other’s way',
    (_, kit) => {
      const surfaces = kit.pieces.map(({ surface }) => surface)
      expect(new Set(surfaces).size).toBe(surfaces.length)
      const drums = { ...kit, pieces: kit.pieces.filter(({ kind }) => kind === 'drum') }
      expect(overlapsOf(drums).map(([a, b]) => [a.surface, b.surface])).toEqual([])
    },
  )

  it('have names and ids of their own, three to eight drums, and MIDI notes that all differ', () => {
    expect(new Set(KIT_PRESETS.map(({ id }) => id)).size).toBe(KIT_PRESETS.length)
    expect(new Set(Object.values(MIDI_NOTES)).size).toBe(SURFACES.length)
    expect(tomsOf(KIT_PRESETS.find(({ id }) => id === 'eight') as Kit)).toEqual([
      't1',
      't2',
      't3',
      'f1',
      'f2',
    ])
  })

  it('name each voice that something stands in for, once (C34)', () => {
    const voices: Voice[] = ['sn', 't2', 't2', 'rs', '??']
    expect(standIns(without('t2'), voices)).toEqual([{ voice: 't2', instead: 't1' }])
    expect(standIns(DEFAULT_KIT, voices)).toEqual([])
    expect(standIns(without('b2'), ['b2'])).toEqual([{ voice: 'b2', instead: 'bd' }])
  })

  it.each([
    ['no snare', without('sn')],
    ['no hi-hat', without('hh', 'hf')],
    ['one drum only', only('f1')],
  ])('with %s still play every voice', (_, kit) => {
    const here = new Set(kit.pieces.map(({ surface }) => surface))
    for (const voice of SURFACES) {
      expect(here).toContain(findPiece(kit, voice)?.surface)
      const sound = soundsOn(kit).instead[voice] ?? voice
      expect(here).toContain(placeOf(sound))
    }
  })

  it('sound as chosen, and stand on the staff where they are put', () => {
    const set = { sound: 'cb', staff: { step: 7, shape: 'square' } } as const
    const pieces = DEFAULT_KIT.pieces.map((one) =>
      one.surface === 't1' ? { ...one, ...set } : one,
    )
    const kit = { ...DEFAULT_KIT, pieces }
    expect(soundsOn(kit).instead.t1).toBe('cb')
    expect(staffKeyOf(kit)).toEqual({ ...STAFF_KEY, t1: { step: 7, shape: 'square' } })
    expect(staffKeyOf(DEFAULT_KIT)).toBe(STAFF_KEY)
  })

  it('are mirrored whole, or pedals and surfaces apart; twice is the same', () => {
    fc.assert(
      fc.property(fc.constantFrom(...KIT_PRESETS), (kit) => {
        expect(mirrorKit(mirrorKit(kit))).toEqual(kit)
        expect(mirrorPart(mirrorPart(kit, 'pedals'), 'surfaces')).toEqual(mirrorKit(kit))
      }),
    )
  })

  it('tell of pieces that overlap at one height', () => {
    const [a, b] = [
      { ...(findPiece(DEFAULT_KIT, 't1') as Kit['pieces'][number]), x: 0, y: 0, height: 80 },
      { ...(findPiece(DEFAULT_KIT, 't2') as Kit['pieces'][number]), x: 20, y: 0, height: 82 },
    ]
    expect(overlapsOf({ ...DEFAULT_KIT, pieces: [a, b] })).toEqual([[a, b]])
    expect(overlapsOf({ ...DEFAULT_KIT, pieces: [a, { ...b, height: 110 }] })).toEqual([])
  })
})
