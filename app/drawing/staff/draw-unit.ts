import type { RenderContext, Stave, StaveNote, Beam as VexBeam } from 'vexflow/core'
import type { StaffNote, StaffUnit } from '~/core/engraving'
import type { HeadPlace, HeadShape } from '~/core/kit'
import type { Ticks } from '~/core/time'
import type { VexFlowModule } from './vexflow-module'

/** Where a unit stands on the ruler: its columns come from there, never from the library. */
export interface UnitGeometry {
  readonly width: number
  readonly pixelsPerTick: number
  /** From the unit's left edge to its first instant. */
  readonly inset: number
  readonly barlineLeft: boolean
  readonly barlineRight: 'none' | 'single'
  readonly stickings: boolean
}

export const STAFF_HEIGHT = 176
const STAVE_TOP = 36
const STICKING_BASELINE = 169
/** The numbers of tuplets in the feet stand between their beams and the sticking. */
const FEET_NUMBER_BASELINE = 159
/** Brackets over high notes stay below the row of voices. */
const HIGHEST_BRACKET = 10

const STEP_KEYS = [
  'd/4',
  'e/4',
  'f/4',
  'g/4',
  'a/4',
  'b/4',
  'c/5',
  'd/5',
  'e/5',
  'f/5',
  'g/5',
  'a/5',
  'b/5',
  'c/6',
] as const
const HEAD_CODES: Readonly<Record<HeadShape, string>> = {
  round: '',
  cross: '/x2',
  'circled-cross': '/x3',
  diamond: '/d2',
  triangle: '/t2',
  circled: '/ci',
  square: '/s2',
  slash: '/s',
}

/** Draws one unit of staff as SVG into a host. The library engraves; the ruler places. */
export function drawUnit(
  vexflow: VexFlowModule,
  host: HTMLDivElement,
  unit: StaffUnit,
  geometry: UnitGeometry,
): void {
  const renderer = new vexflow.Renderer(host, vexflow.Renderer.Backends.SVG)
  renderer.resize(geometry.width, STAFF_HEIGHT)
  const context = renderer.getContext()
  // The library lays an unseen rectangle over every note to be pointed at. Here the ruler is pointed
  // at instead, and each of them would be a layer of paint that every key pays for.
  context.pointerRect = () => context
  const stave = drawStave(vexflow, context, geometry)
  const xOf = (tick: Ticks) => geometry.inset + (tick - unit.from) * geometry.pixelsPerTick

  const notes = unit.notes.map((note) => toVexNote(vexflow, note, 1, stave))
  const feet = unit.feet.map((note) => toVexNote(vexflow, note, -1, stave))
  const beams = [
    ...unit.beams.map((beam) => toBeam(vexflow, beam, notes)),
    ...unit.feetBeams.map((beam) => toBeam(vexflow, beam, feet)),
  ]
  const tuplets = unit.tuplets.map(({ from, to, notes: numNotes, inTimeOf }) => {
    const members = notes.slice(from, to + 1)
    const beamed = unit.beams.some((beam) => beam.includes(from) && beam.includes(to))
    return new vexflow.Tuplet(members, {
      numNotes,
      notesOccupied: inTimeOf,
      ratioed: false,
      bracketed: !beamed,
    })
  })
  const placed = [...notes, ...feet].map((note, i) => {
    const source = (i < notes.length ? unit.notes[i] : unit.feet[i - notes.length]) as StaffNote
    return { source, note: placeNote(vexflow, note, stave, xOf(source.tick)) }
  })
  // Stems take their length from the beams before accents are put on top of them.
  for (const beam of beams) beam.postFormat()
  for (const { source, note } of placed) {
    if (source.kind === 'slash') drawSlash(context, stave, xOf(source.tick))
    else note.setContext(context).draw()
  }
  for (const beam of beams) beam.setContext(context).draw()
  for (const tuplet of tuplets) {
    const y = tuplet.getYPosition()
    tuplet.getYPosition = () => Math.max(HIGHEST_BRACKET, y)
    tuplet.setContext(context).draw()
  }
  drawFeetNumbers(context, unit, xOf)
  if (geometry.stickings) drawStickings(context, unit, xOf)
}

function drawStave(vexflow: VexFlowModule, context: RenderContext, geometry: UnitGeometry): Stave {
  const stave = new vexflow.Stave(0, STAVE_TOP, geometry.width, {
    spaceAboveStaffLn: 4,
    leftBar: geometry.barlineLeft,
    rightBar: geometry.barlineRight !== 'none',
  })
  stave.setContext(context).draw()
  return stave
}

function toVexNote(vexflow: VexFlowModule, note: StaffNote, stem: 1 | -1, stave: Stave): StaveNote {
  const rest = note.kind !== 'note'
  const vex = new vexflow.StaveNote({
    keys: rest ? ['b/4'] : note.heads.map(headKey),
    duration: `${note.value}${rest ? 'r' : ''}`,
    dots: note.dots,
    stemDirection: stem,
  })
  vex.setStave(stave)
  for (let dot = 0; dot < note.dots; dot += 1) vexflow.Dot.buildAndAttach([vex], { all: true })
  for (const [i, head] of note.heads.entries()) if (head.ghost) addParentheses(vexflow, vex, i)
  if (note.mark) {
    const mark = new vexflow.Articulation(note.mark === 'strong' ? 'a^' : 'a>')
    vex.addModifier(mark.setPosition(vexflow.ModifierPosition.ABOVE), 0)
  }
  if (note.graces) vex.addModifier(graceGroup(vexflow, note.graces, stave), 0)
  return vex
}

function headKey({ step, shape }: HeadPlace): string {
  const key = STEP_KEYS[step + 1]
  if (key === undefined)
    throw new RangeError(`staff step ${step}: from -1 to ${STEP_KEYS.length - 2}`)
  return `${key}${HEAD_CODES[shape]}`
}

function addParentheses(vexflow: VexFlowModule, note: StaveNote, head: number): void {
  for (const side of [vexflow.ModifierPosition.LEFT, vexflow.ModifierPosition.RIGHT]) {
    note.addModifier(new vexflow.Parenthesis(side), head)
  }
}

function graceGroup(
  vexflow: VexFlowModule,
  graces: NonNullable<StaffNote['graces']>,
  stave: Stave,
) {
  const notes = Array.from({ length: graces.count }, () => {
    const grace = new vexflow.GraceNote({
      keys: [headKey(graces.head)],
      duration: graces.count > 1 ? '16' : '8',
      slash: graces.count === 1,
      stemDirection: 1,
    })
    grace.setStave(stave)
    return grace
  })
  const group = new vexflow.GraceNoteGroup(notes, false)
  return graces.count > 1 ? group.beamNotes() : group
}

function toBeam(
  vexflow: VexFlowModule,
  beam: readonly number[],
  notes: readonly StaveNote[],
): VexBeam {
  const members = beam.flatMap((i) => notes[i] ?? [])
  const built = new vexflow.Beam(members)
  built.renderOptions.flatBeams = true
  return built
}

/** Puts a note's head on its column, whatever hangs at its left. */
function placeNote(vexflow: VexFlowModule, note: StaveNote, stave: Stave, x: number): StaveNote {
  note.addToModifierContext(new vexflow.ModifierContext())
  const context = new vexflow.TickContext()
  context.addTickable(note).preFormat()
  const origin = stave.getNoteStartX() + vexflow.Metrics.get('Stave.padding', 0)
  context.setX(x - origin - note.getGlyphWidth() / 2)
  return note
}

const SVG = 'http://www.w3.org/2000/svg'

function svgOf(context: RenderContext): SVGElement {
  return (context as unknown as { svg: SVGElement }).svg
}

/** A slash for a beat of groove, across the three middle spaces. */
function drawSlash(context: RenderContext, stave: Stave, x: number): void {
  const [top, bottom] = [stave.getYForLine(1), stave.getYForLine(3)]
  const slash = document.createElementNS(SVG, 'polygon')
  slash.setAttribute(
    'points',
    `${x + 3},${top} ${x + 7},${top} ${x - 3},${bottom} ${x - 7},${bottom}`,
  )
  slash.setAttribute('class', 'slash')
  svgOf(context).append(slash)
}

/** The numbers of the feet's tuplets, under the middle of each; one inside another has none. */
function drawFeetNumbers(
  context: RenderContext,
  { feet, feetTuplets }: StaffUnit,
  xOf: (tick: Ticks) => number,
): void {
  const outer = feetTuplets.filter(
    ({ from, to }, i) => !feetTuplets.slice(0, i).some((one) => one.from <= from && one.to >= to),
  )
  for (const { from, to, notes } of outer) {
    const [first, last] = [feet[from], feet[to]]
    if (!first || !last) continue
    const text = document.createElementNS(SVG, 'text')
    text.setAttribute('x', String((xOf(first.tick) + xOf(last.tick)) / 2))
    text.setAttribute('y', String(FEET_NUMBER_BASELINE))
    text.setAttribute('class', 'feet-number')
    text.textContent = String(notes)
    svgOf(context).append(text)
  }
}

/** The sticking under the notes in a row of its own, kicks included, ghosts smaller. */
function drawStickings(
  context: RenderContext,
  unit: StaffUnit,
  xOf: (tick: Ticks) => number,
): void {
  for (const { tick, letters, group } of unit.notes) {
    if (group === null || letters.length === 0) continue
    const text = document.createElementNS(SVG, 'text')
    text.setAttribute('x', String(xOf(tick)))
    text.setAttribute('y', String(STICKING_BASELINE))
    text.setAttribute('class', 'sticking')
    for (const { letter, ghost } of letters) {
      const span = document.createElementNS(SVG, 'tspan')
      span.textContent = letter
      if (ghost) span.setAttribute('class', 'ghost')
      text.append(span)
    }
    svgOf(context).append(text)
  }
}
