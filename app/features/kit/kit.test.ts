import { describe, expect, it } from 'vitest'
import { formatKit, parseKit } from '~/codecs/kit'
import { DEFAULT_KIT, DEFAULT_PLAYER, findPiece, KIT_PRESETS, type Piece } from '~/core/kit'
import { stopAt, toPathView } from '~/drawing/kit/path-view'
import { DEFAULT_SETTINGS } from '~/storage'
import { ownKits, playerOf, settingOf, turnedKit } from '~/workspace/setting'
import { raisedSpeeds } from '~/workspace/speeds-of'
import { lickOf } from '../../../tests/support/licks'
import { evidenceWords } from './evidence-part'
import { addPiece, changePiece, insteadOf, removePiece } from './kit-edits'

const xOf = (kit: typeof DEFAULT_KIT, surface: Piece['surface']) =>
  kit.pieces.find((piece) => piece.surface === surface)?.x

describe('a kit being built', () => {
  it('moves, adds and loses pieces, within what a file may hold', () => {
    const moved = changePiece(DEFAULT_KIT, 't1', { x: -999, diameter: 0, height: 83.26 })
    expect(findPiece(moved, 't1')).toMatchObject({ x: -300, diameter: 1, height: 83.3 })
    expect(parseKit(formatKit(moved))).toEqual({ ok: true, value: moved })
    const added = addPiece(addPiece(DEFAULT_KIT, 'cb'), 'x2')
    expect(added.pieces.length).toBe(DEFAULT_KIT.pieces.length + 2)
    expect(addPiece(added, 'cb')).toBe(added)
    expect(parseKit(formatKit(added)).ok).toBe(true)
    const lone = { ...DEFAULT_KIT, pieces: DEFAULT_KIT.pieces.slice(0, 1) }
    expect(removePiece(lone, 'sn')).toBe(lone)
    expect(insteadOf(DEFAULT_KIT, 't2')).toBe('t1')
  })

  it.each(KIT_PRESETS.map((kit) => [kit.name, kit] as const))(
    '%s is written and read back',
    (_, kit) => expect(parseKit(formatKit(kit))).toEqual({ ok: true, value: kit }),
  )
})

describe('who plays on what', () => {
  const own = ownKits([
    { id: 'kit-a', version: 1, kit: formatKit({ ...DEFAULT_KIT, name: 'Pit' }), createdAt: 0 },
    { id: 'kit-b', version: 1, kit: '{', createdAt: 1 },
  ])

  it('is the kit that the lick names, else the player’s, else the usual one', () => {
    const settings = { ...DEFAULT_SETTINGS, kit: 'kit-a' }
    expect(settingOf(settings, own, 'three').kit.id).toBe('three')
    expect(settingOf(settings, own, 'gone').kit.name).toBe('Pit')
    expect(settingOf({ ...settings, kit: 'gone' }, own, null).kit).toBe(DEFAULT_KIT)
  })

  it('turns surfaces and pedals each by its own switch, and back', () => {
    const kit = turnedKit(DEFAULT_KIT, { ...DEFAULT_SETTINGS, turnKit: true })
    expect([xOf(kit, 'f1'), xOf(kit, 'bd')]).toEqual([
      -(xOf(DEFAULT_KIT, 'f1') as number),
      xOf(DEFAULT_KIT, 'bd'),
    ])
    const all = { ...DEFAULT_SETTINGS, turnKit: true, turnFeet: true }
    expect(turnedKit(turnedKit(DEFAULT_KIT, all), all)).toEqual(DEFAULT_KIT)
  })

  it('has the strong hand of the letters, unless speeds were measured', () => {
    const turned = playerOf({ ...DEFAULT_SETTINGS, turnLetters: true })
    expect([turned.RH, turned.LH]).toEqual([DEFAULT_PLAYER.LH, DEFAULT_PLAYER.RH])
    const { RH, LH, RF, LF } = DEFAULT_PLAYER
    const speeds = { RH: { single: 120, double: 70 }, LH, RF, LF }
    // What was measured before triples, buzzes and travel were keeps the usual ones of that hand.
    expect(playerOf({ ...DEFAULT_SETTINGS, turnLetters: true, speeds }).RH).toEqual({
      ...DEFAULT_PLAYER.LH,
      ...speeds.RH,
    })
    expect(RH.single).not.toBe(120)
  })

  it.each([
    [false, false, false],
    [true, false, true],
    [false, true, true],
    [true, true, false],
  ])('letters turned %s, open-handed %s: the groove’s hands swap %s', (letters, open, swaps) =>
    expect(
      playerOf({ ...DEFAULT_SETTINGS, turnLetters: letters, openHanded: open }).swapsGroove,
    ).toBe(swaps),
  )
})

describe('paths on the plan', () => {
  const view = toPathView(lickOf('R:t1L:t2R:t2(R:t2L:t2)'), DEFAULT_KIT)

  it('lead from stop to stop, and nowhere while a hand stays', () => {
    expect(view.RH.map(({ way }) => way !== null)).toEqual([false, true, false])
    expect(view.LH).toHaveLength(2)
  })

  it('mark each crossing and each small surface once', () => {
    expect(view.meets.map(({ kind }) => kind).sort()).toEqual(['crossed', 'shared'])
  })

  it('find the stop that sounds', () => {
    expect([-1, 0, 5039, 5040, 99999].map((tick) => stopAt(view.RH, tick))).toEqual([
      -1, 0, 0, 1, 2,
    ])
  })
})

describe('limb speeds taken up to what was played', () => {
  it('can be undone', () => {
    const { RH, LH, RF, LF } = DEFAULT_PLAYER
    const quick = { ...DEFAULT_PLAYER, RF: { ...RF, double: 100 } }
    const raised = raisedSpeeds(DEFAULT_SETTINGS, quick)
    expect(raised).toEqual({
      speeds: { RH, LH, RF: { ...RF, double: 100 }, LF },
      speedsBefore: { speeds: null },
    })
  })

  it('are said in words', () => {
    expect(evidenceWords({ limb: 'RF', kind: 'triple', from: 140, to: 130 })).toBe(
      'Kick triples: 130.0 ms instead of 140.0',
    )
    expect(evidenceWords({ limb: 'RH', kind: 'travel', from: 1, to: 0.9 })).toBe(
      'Right hand moves between drums: 10 % quicker',
    )
  })
})
