import type { StaveNote } from 'vexflow/core'
import { parseLickText } from '~/codecs/lick-text'
import { type StaffNote, type StaffUnit, staffUnit, toStaff } from '~/core/engraving'
import { drawUnit } from '~/drawing/staff/draw-unit'
import { loadEngraver } from '~/drawing/staff/engraver'
import type { VexFlowModule } from '~/drawing/staff/vexflow-module'

/**
 * One bar, as the line of the key bench has it, drawn by our engraver and by the bare library with
 * its own spacing: what the shared ruler costs. Times in milliseconds, taken in turns.
 */
const BAR = 40320
const KEYS = [
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
]

function drawBare(vexflow: VexFlowModule, host: HTMLDivElement, unit: StaffUnit): void {
  const renderer = new vexflow.Renderer(host, vexflow.Renderer.Backends.SVG)
  renderer.resize(700, 160)
  const context = renderer.getContext()
  const stave = new vexflow.Stave(0, 24, 700)
  stave.setContext(context).draw()
  const hands = unit.notes.map((note) => toBare(vexflow, note, 1))
  const feet = unit.feet.map((note) => toBare(vexflow, note, -1))
  const beams = unit.beams.map((beam) => {
    const built = new vexflow.Beam(beam.flatMap((i) => hands[i] ?? []))
    built.renderOptions.flatBeams = true
    return built
  })
  const voices = [hands, feet].map((notes) =>
    new vexflow.Voice({ numBeats: 4, beatValue: 4 }).setStrict(false).addTickables(notes),
  )
  new vexflow.Formatter().joinVoices(voices).format(voices, 640)
  for (const voice of voices) voice.draw(context, stave)
  for (const beam of beams) beam.setContext(context).draw()
}

function toBare(vexflow: VexFlowModule, note: StaffNote, stemDirection: 1 | -1): StaveNote {
  const built = new vexflow.StaveNote({
    keys: note.heads.map(({ step, shape }) => `${KEYS[step + 1]}${shape === 'cross' ? '/x2' : ''}`),
    duration: String(note.value),
    stemDirection,
  })
  for (const [i, head] of note.heads.entries()) {
    if (!head.ghost) continue
    built.addModifier(new vexflow.Parenthesis(vexflow.ModifierPosition.LEFT), i)
    built.addModifier(new vexflow.Parenthesis(vexflow.ModifierPosition.RIGHT), i)
  }
  if (note.mark) built.addModifier(new vexflow.Articulation('a>').setPosition(3), 0)
  return built
}

async function compare(
  text: string,
  rounds: number,
  pause: number,
): Promise<{ ours: number[]; bare: number[] }> {
  const vexflow = await loadEngraver()
  const host = document.querySelector<HTMLDivElement>('#host')
  const read = parseLickText(text)
  if (!host || !read.ok) throw new Error('the bench has no host or no lick')
  const unit = staffUnit(toStaff(read.value.lick, { beaming: 'beat', groove: 'slashes' }), 0, BAR)
  const geometry = {
    width: 700,
    pixelsPerTick: 640 / BAR,
    inset: 20,
    barlineLeft: true,
    barlineRight: 'single',
    stickings: true,
  } as const
  const timed = (draw: () => void) => {
    host.replaceChildren()
    const begun = performance.now()
    draw()
    return performance.now() - begun
  }
  const times = { ours: [] as number[], bare: [] as number[] }
  for (let i = 0; i < rounds; i += 1) {
    times.ours.push(timed(() => drawUnit(vexflow, host, unit, geometry)))
    times.bare.push(timed(() => drawBare(vexflow, host, unit)))
    // Keys come with pauses, in which the machine cools down: so do these.
    await new Promise((resolve) => setTimeout(resolve, pause))
  }
  return times
}

Object.assign(window, { compare })
