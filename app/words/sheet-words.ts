import { GROOVES, type Groove, grooveEvents } from '~/core/groove'
import { type Kit, STAFF_KEY, staffKeyOf } from '~/core/kit'
import { frameTicks, type Lick, landingStrokes, NO_GROOVE, strokeEvents } from '~/core/line'
import { goalLadder } from '~/core/practice'
import {
  type Sheet,
  type SheetChoices,
  type SheetItem,
  toSheetLine,
  toSoloLine,
} from '~/core/sheet'
import { type Solo, soloLength, toSections } from '~/core/solo'
import { SURFACE_NAMES, type Voice } from '~/core/sticking'
import { beatTicks, type CountingSystem } from '~/core/time'
import { plural } from './figures'
import { frameWords } from './frame-words'
import { lengthWords, partName } from './solo-words'

/** What is printed: a lick, with parts or voicings of it under each other, if any. */
export interface SheetEntry {
  readonly lick: Lick
  readonly notes?: readonly string[]
  /** Lines under its own, each with what stands over it. */
  readonly rows: readonly { readonly label: string; readonly lick: Lick }[]
  /** The tempos that it is practised at; those from its own to its goal where none are told. */
  readonly tempos?: readonly number[]
}

/** What a sheet is read with. */
export interface SheetReading {
  readonly counting?: CountingSystem
  readonly grooves?: readonly Groove[]
  readonly kit?: Kit
}

/** A sheet of some licks, in their order, with what is chosen to be on it. */
export function sheetOf(
  entries: readonly SheetEntry[],
  choices: SheetChoices,
  { title = '', notes = [] }: { readonly title?: string; readonly notes?: readonly string[] } = {},
  reading: SheetReading = {},
): Sheet {
  return {
    title,
    notes,
    items: entries.map((entry) => itemOf(entry, choices, reading)),
    key: choices.key ? keyOf(entries, choices, reading) : [],
  }
}

function itemOf(
  { lick, notes = [], rows, tempos = goalLadder(lick.frame) }: SheetEntry,
  choices: SheetChoices,
  reading: SheetReading,
): SheetItem {
  const { tempo, goal } = lick.frame
  const line = (one: Lick, lead: string | null) =>
    toSheetLine(one, { ...writtenAs(choices, reading), lead })
  const groove = `${grooveName(lick, reading)}, ${plural(lick.frame.lead, 'bar')}`
  return {
    title: lick.title || 'Untitled',
    facts: frameWords(lick),
    notes,
    tempo: {
      beat: frameTicks(lick.frame).beat,
      words: goal === null ? String(tempo) : `${tempo} to ${goal}`,
    },
    rows: [
      { label: '', line: line(lick, choices.groove === 'none' ? null : groove) },
      ...rows.map(({ label, lick: one }) => ({ label, line: line(one, null) })),
    ],
    rungs: choices.ladder ? [...tempos] : [],
  }
}

/** How staves are written, by what is chosen and with what they are read. */
function writtenAs(choices: SheetChoices, { grooves, kit, counting }: SheetReading) {
  return {
    view: {
      beaming: choices.beaming,
      groove: choices.groove === 'notes' ? ('notes' as const) : ('slashes' as const),
      ...(grooves && { grooves }),
      ...(kit && { key: staffKeyOf(kit) }),
    },
    ...(counting && { counting }),
  }
}

/**
 * A sheet of a whole solo: one staff from its first bar to its last, part by part by name.
 * Example: `Before the Second Half`, `24 bars, 1 min 3 s`, ♩ = 92 to 104, then the bars.
 */
export function soloSheet(
  solo: Solo,
  choices: SheetChoices,
  { notes = [] }: { readonly notes?: readonly string[] } = {},
  reading: SheetReading = {},
  turn: (lick: Lick) => Lick = (lick) => lick,
): Sheet {
  const sections = toSections(solo).map((one) => ({ ...one, lick: turn(one.lick) }))
  const { bars, seconds } = soloLength(solo, sections)
  const { tempo, goal } = solo
  const line = toSoloLine(sections, {
    ...writtenAs(choices, reading),
    over: ({ part }, count, begins) => {
      const found = solo.parts[part]
      const name = begins && found ? partName(found) : ''
      return [name, count > 1 ? plural(count, 'bar') : ''].filter(Boolean).join(', ')
    },
  })
  const entries = sections.map(({ lick }) => ({ lick, rows: [] }))
  const item: SheetItem = {
    title: solo.title || 'Untitled',
    facts: lengthWords(bars, seconds),
    notes,
    tempo: {
      beat: beatTicks(solo.meter),
      words: goal === null ? String(tempo) : `${tempo} to ${goal}`,
    },
    rows: [{ label: '', line }],
    rungs: choices.ladder ? goalLadder(solo) : [],
  }
  return {
    title: '',
    notes: [],
    items: [item],
    key: choices.key ? keyOf(entries, choices, reading) : [],
  }
}

function grooveName({ frame }: Lick, { grooves = [] }: SheetReading): string {
  return [...GROOVES, ...grooves].find(({ id }) => id === frame.groove)?.name ?? frame.groove
}

/** The places on the staff of all that is struck in some licks, from the lowest up, with their names. */
function keyOf(
  entries: readonly SheetEntry[],
  choices: SheetChoices,
  { kit, grooves = [] }: SheetReading,
): Sheet['key'] {
  const places = kit ? staffKeyOf(kit) : STAFF_KEY
  const voices = new Set<Voice>()
  for (const { lick, rows } of entries) {
    for (const one of [lick, ...rows.map((row) => row.lick)]) {
      for (const { surface } of strokeEvents(one)) voices.add(surface)
      for (const { surface } of landingStrokes(one)) voices.add(surface)
    }
    const { groove, meter } = lick.frame
    if (choices.groove !== 'notes' || groove === NO_GROOVE) continue
    for (const { surface } of grooveEvents(groove, meter, grooves)) voices.add(surface)
  }
  return [...voices]
    .filter((voice) => voice !== '??')
    .map((voice) => ({ place: places[voice], name: SURFACE_NAMES[voice] }))
    .sort((a, b) => a.place.step - b.place.step)
}
