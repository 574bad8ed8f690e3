import { parseLickText } from '~/codecs/lick-text'
import { CATALOGUE } from '~/core/catalogue'
import { CHANGES, CHOICES, CHOSEN_CHANGES, type Change, type Choice } from '~/core/change-list'
import {
  cut,
  formatPhrase,
  halfRateOstinatos,
  phraseOf,
  type SlotRange,
  withoutOstinatos,
} from '~/core/changes'
import { renotate } from '~/core/fitting'
import { isEqual } from '~/core/foundation'
import { GROOVES, type Groove } from '~/core/groove'
import { type Kit, numberedPieces } from '~/core/kit'
import { TEMPO_RANGE } from '~/core/line'
import { ALL_GRIDS, findMeter, gridName, meterName } from '~/core/time'
import { openSentencePart } from '~/ui/sentence-part'
import { gridWords } from '~/words/grid-words'
import { theSurface } from '~/words/surface-words'
import { applyChange, changedPhrase, swellEdit } from '~/workspace/edits/change-edits'
import { chosenHandSlots, withPinsOn } from '~/workspace/edits/chosen-edits'
import { type Edit, gridFrom, insertPhrase } from '~/workspace/edits/edits'
import { groupingEdits } from '~/workspace/edits/grouping-edits'
import { addLayer, grooveHands } from '~/workspace/edits/pattern-edits'
import { withRows } from '~/workspace/frame-change'
import { checkBar, insertSlot } from '~/workspace/rows/sticking-row'
import type { Workspace } from '~/workspace/workspace'
import type { Found } from '../find'
import { PANELS } from './dock/panel-list'
import { EVERYDAY, GRID_WORDS, LANDINGS, PART_WORDS, PIECE_WORDS } from './find-words'
import { METRES } from './frame/frame-options'
import { PART_NAMES } from './frame/frame-words'
import { FEET } from './panels/feet-presets'

/** Strokes that are put on a piece by a name: those that people say. */
const STRUCK: readonly Choice[] = [
  'rights',
  'lefts',
  'accents',
  'firsts',
  'every',
  'doubles',
  'singles',
]
const PREVIEWED = 24

/** What the page around the bench does when it is asked to. */
export interface BenchActs {
  readonly lickId: string
  readonly kit: Kit
  readonly grooves: readonly Groove[]
  readonly openPanel: (id: string) => void
  readonly play: () => void
  readonly go: (path: string) => void
  readonly help: () => void
}

/** Everything that can be done on the bench, to be found by name; and what is typed, where it is an answer. */
export function benchFinds(workspace: Workspace, acts: BenchActs, typed = ''): Found[] {
  return [
    ...answers(workspace, typed),
    ...lineFinds(workspace, acts),
    ...barFinds(workspace, acts),
    ...commands(workspace, acts),
    ...cellFinds(workspace),
  ]
}

function answers(workspace: Workspace, typed: string): Found[] {
  const { text } = workspace.document.history
  const answer = (
    key: 'tempo' | 'goal' | 'meter' | 'start',
    value: string,
    name: string,
  ): Found[] =>
    parseLickText(withRows(text, [[key, [value]]])).ok
      ? [
          {
            id: `answer ${key}`,
            name,
            kind: 'answer',
            run: () => workspace.setRow(key, [value]),
          },
        ]
      : []
  const said = typed.trim().toLowerCase()
  const tempo = /^(?:tempo |speed |at )?(\d{2,3}(?:\.\d+)?)(?: ?bpm)?$/.exec(said)?.[1]
  const goal = /^goal (\d{2,3}(?:\.\d+)?)$/.exec(said)?.[1]
  const metre = /^(?:in |metre |meter )?(\d{1,2}\/\d{1,2}(?: [\d+]+)?)$/.exec(said)?.[1]
  const place = /^(?:from|start on|start|begin on|on) (?:the )?(.+)$/.exec(said)?.[1]
  const { least, most } = TEMPO_RANGE
  const inRange = tempo !== undefined && Number(tempo) >= least && Number(tempo) <= most
  return [
    ...(inRange ? answer('tempo', tempo, `Set the tempo to ${tempo} bpm`) : []),
    ...(goal ? answer('goal', goal, `Set the goal to ${goal} bpm`) : []),
    ...(metre && findMeter(metre) ? answer('meter', metre, `Set the metre to ${metre}`) : []),
    ...(place ? answer('start', written(place), `Start on ${place}`) : []),
  ]
}

/** A place as the text writes it: `& of 3` is `3&`. */
function written(place: string): string {
  const [, syllable, beat] = /^(\S+) of (?:beat )?(\d+)$/.exec(place) ?? []
  if (!syllable || !beat) return place.replace(/\s+/g, '')
  return `${beat}${syllable === 'and' ? '&' : syllable}`
}

function lineFinds(workspace: Workspace, { kit, grooves, openPanel }: BenchActs): Found[] {
  const { lick, range } = workspace
  const { range: marked } = workspace.state().selection
  const edit = (id: string, name: string, kind: string, made: Edit | null, also = ''): Found[] =>
    made ? [toFound(id, name, kind, also, made.select ?? range, () => made)] : []
  const toFound = (
    id: string,
    name: string,
    kind: string,
    also: string,
    about: SlotRange,
    make: () => Edit,
  ): Found => ({
    id,
    name,
    kind,
    also,
    phrase: cut(phraseOf(kind === 'groups' ? make().lick.line : lick.line, about), PREVIEWED),
    run: () => workspace.edit(make(), lick),
    show: (on) => workspace.show(on ? make() : null),
  })
  // Of a long line the beginning tells whether a change would do something; it is made when it is taken.
  const shown = { from: range.from, to: Math.min(range.to, range.from + PREVIEWED) }
  const before = phraseOf(lick.line, shown).slots
  const changeFind = (change: Change): Found[] => {
    const after = changedPhrase(lick, shown, change)
    if (isEqual(after.slots, before)) return []
    const { id, name, kind } = change
    const make = () => applyChange(lick, range, change)
    return [
      {
        ...toFound(id, name, kind, EVERYDAY[id] ?? '', shown, make),
        phrase: cut(after, PREVIEWED),
      },
    ]
  }
  const strikes = numberedPieces(kit).flatMap(({ surface }) =>
    STRUCK.map((choice): Found => {
      const struck = () =>
        withPinsOn(workspace.document.voicing, chosenHandSlots(lick, range, choice), surface)
      return {
        id: `strike ${choice} ${surface}`,
        name: `Strike ${theSurface(surface)} with ${CHOICES[choice]}`,
        kind: 'voices',
        also: `hand ${PIECE_WORDS[surface] ?? ''} put play`,
        run: () => workspace.voice(`Strike ${theSurface(surface)}`, struck()),
        show: (on) => workspace.showVoicing(on ? struck() : null),
      }
    }),
  )
  const written = (['faster', 'slower'] as const).flatMap((way): Found[] => {
    const made = renotate(lick, way, grooves)
    if (!made.ok) return []
    const name = way === 'faster' ? 'Same sound, half the tempo' : 'Same sound, twice the tempo'
    const also = 'halves doubles note values rewrite'
    // One that needs another groove says so in its panel before it is done.
    if (made.value.groove)
      return [{ id: way, name, kind: 'panel', also, run: () => openPanel('change') }]
    return edit(way, name, 'whole lick', { label: name, lick: made.value.lick }, also)
  })
  const slowFeet = halfRateOstinatos(lick)
  const easier = [
    ...(slowFeet
      ? edit(
          'slow feet',
          'Feet at half the rate',
          'easier',
          { label: 'Feet at half the rate', lick: slowFeet },
          'slower ostinato simpler',
        )
      : []),
    ...(lick.ostinatos.length > 0
      ? edit(
          'no feet',
          'No feet under it',
          'easier',
          { label: 'No feet', lick: withoutOstinatos(lick) },
          'remove ostinato layer simpler',
        )
      : []),
  ]
  return [
    ...CHOSEN_CHANGES.flatMap(changeFind),
    ...CHANGES.flatMap(changeFind),
    ...strikes,
    ...groupingEdits(lick, marked, range).flatMap(({ label, edit: made }) =>
      edit(label, label, 'groups', made, 'regroup fill loop'),
    ),
    ...edit(
      'swell',
      'Swell from ghost to accent',
      'swell',
      swellEdit(lick, range, 'ghost', 'accent'),
      'crescendo louder',
    ),
    ...edit(
      'fade',
      'Fade from accent to ghost',
      'swell',
      swellEdit(lick, range, 'accent', 'ghost'),
      'diminuendo decrescendo softer quieter',
    ),
    ...easier,
    ...written,
    ...edit(
      'groove hands',
      'Keep the hands of the groove over feet',
      'feet',
      grooveHands(lick, grooves),
      'ostinato ride hi-hat',
    ),
    ...FEET.flatMap(([text, name]) =>
      edit(
        `feet ${text}`,
        name,
        'feet',
        addLayer(lick, text, name),
        'layer ostinato under left foot bass drum pedal',
      ),
    ),
  ]
}

/** What stands around the line: metre, grid, place, groove, landing and tempo, each value by its name. */
function barFinds(workspace: Workspace, { grooves }: BenchActs): Found[] {
  const { lick } = workspace
  const { frame } = lick
  const marked = workspace.state().selection.range
  const at = marked?.from ?? lick.line.slots.length
  const bar = (id: string, name: string, also: string, run: () => void): Found => ({
    id,
    name,
    kind: 'bar',
    also,
    run,
  })
  const parts = Object.entries(PART_NAMES).map(([id, { name }]) =>
    bar(`part ${id}`, `Set the ${name.toLowerCase()}`, PART_WORDS[id] ?? '', () =>
      openSentencePart(id),
    ),
  )
  const metres = METRES.filter((name) => name !== meterName(frame.meter)).map((name) =>
    bar(`metre ${name}`, `Metre ${name}`, 'time signature meter', () =>
      workspace.setRow('meter', [name]),
    ),
  )
  const grids = ALL_GRIDS.filter((grid) => gridName(grid) !== gridName(frame.grid)).map((grid) => {
    const name = gridName(grid)
    return bar(
      `grid ${name}`,
      `Grid of ${gridWords(grid)}`,
      `${name} ${GRID_WORDS[name] ?? ''} subdivision`,
      () => workspace.setRow('grid', [name]),
    )
  })
  const gridsFrom = marked
    ? ALL_GRIDS.filter((grid) => GRID_WORDS[gridName(grid)]).map((grid): Found => {
        const name = gridName(grid)
        return bar(
          `grid from ${name}`,
          `From here on ${gridWords(grid)}`,
          `${name} ${GRID_WORDS[name]} grid change`,
          () => {
            const made = gridFrom(lick, at, grid)
            if (made) workspace.edit(made)
          },
        )
      })
    : []
  const shipped = [...GROOVES, ...grooves.filter(({ carried }) => !carried)]
  const ways = shipped
    .filter(({ id }) => id !== frame.groove)
    .map(({ id, name }) =>
      bar(`groove ${id}`, `Groove: ${name}`, 'beat backbeat time before', () =>
        workspace.setRow('groove', [id]),
      ),
    )
  const landings = LANDINGS.filter(([value]) => value !== frame.landing.kind).map(
    ([value, name, also]) =>
      bar(`landing ${value}`, name, also, () => workspace.setRow('landing', [value])),
  )
  const tempo = (by: number) => () => workspace.setTempo(clamped(workspace.state().tempo + by))
  return [
    ...parts,
    ...metres,
    ...grids,
    ...gridsFrom,
    ...ways,
    ...landings,
    bar('slower', 'Play slower', 'slow down tempo less speed bpm easier', tempo(-4)),
    bar('faster', 'Play faster', 'speed up tempo more bpm harder', tempo(4)),
  ]
}

function clamped(tempo: number): number {
  return Math.max(TEMPO_RANGE.least, Math.min(TEMPO_RANGE.most, tempo))
}

function commands(workspace: Workspace, { lickId, openPanel, play, go, help }: BenchActs): Found[] {
  const command = (
    id: string,
    name: string,
    also: string,
    run: () => void,
    kind = 'command',
  ): Found => ({
    id,
    name,
    kind,
    also,
    run,
  })
  const opens = (id: string, name: string, also: string, panel: string): Found =>
    command(id, name, also, () => openPanel(panel), 'panel')
  return [
    command('undo', 'Undo', 'back take back', () => workspace.travel('undo')),
    command('redo', 'Redo', 'again', () => workspace.travel('redo')),
    command('play', 'Play or stop', 'start hear listen sound', play),
    command('practise', 'Practise this lick', 'practice room train learn drill ladder steps', () =>
      go(`/practice/${lickId}`),
    ),
    command('widen', 'Widen the selection', 'select group whole line all mark more', () =>
      workspace.widen(),
    ),
    command('check', 'Bar check here', 'barline', () => checkBar(workspace)),
    command('insert', 'Insert a rest', 'open a slot gap add space', () => insertSlot(workspace)),
    command('keys', 'Show the keys', 'keyboard shortcuts help hotkeys', help),
    command('tap in', 'Tap a line in', 'play record microphone pads midi keys rhythm listen', () =>
      openPanel('cells:tap'),
    ),
    command('sheet', 'Print this lick', 'sheet paper pdf page svg png notation', () =>
      go(`/sheet?licks=${lickId}`),
    ),
    command('pupil', 'A page for a pupil', 'student teacher lesson handout print', () =>
      go(`/sheet?licks=${lickId}&with=parts,versions`),
    ),
    command('to set', 'Add this lick to a set', 'routine exercise', () =>
      go(`/sets?add=${lickId}`),
    ),
    opens('save cell', 'Save as cell', 'own keep catalogue store selection', 'cells'),
    opens('save version', 'Save a version', 'keep state store copy snapshot', 'notes'),
    opens('endings', 'Other endings', 'early stop choke land differently short', 'fit'),
    opens('name part', 'Name a part', 'section label region mark', 'notes'),
    opens('note', 'Write a note', 'remark comment text remember', 'notes'),
    opens('own feet', 'Type feet under the line', 'ostinato layer own left foot kick', 'feet'),
    opens('rules', 'Voice by rules', 'orchestrate toms round the kit path', 'voices'),
    opens(
      'strike',
      'Strike voices by hand on the plan',
      'toms cymbals by hand tom rack floor',
      'voices',
    ),
    opens('wav', 'Save as a sound file', 'wav opus audio mp3 export bounce', 'text'),
    opens('midi', 'Save as MIDI', 'export mid file', 'text'),
    opens('musicxml', 'Save as MusicXML', 'export notation file mxl', 'text'),
    opens('link', 'Copy a link', 'share send url', 'text'),
    opens('file', 'Save as a file', 'export lick text download', 'text'),
    opens('some', 'Change some of the strokes', 'select every accent ghost limb', 'change'),
    opens('easier', 'Make it easier', 'simpler fewer less', 'change'),
    opens('regroup', 'Regroup by sizes', 'groups odd fives threes', 'change'),
    opens('count', 'How it is counted', 'count aloud syllables say', 'fit'),
    opens('collisions', 'Where the sticks collide', 'crossings moves hit', 'hands'),
    opens('limit', 'How fast it can be played', 'limit speed bottleneck tempo', 'answers'),
    opens('undecided', 'Decide the hands', 'x either sticking leading', 'hands'),
    ...PANELS.map(({ id, name, about }) => opens(`panel ${id}`, `Open ${name}`, about, id)),
  ]
}

function cellFinds(workspace: Workspace): Found[] {
  const { lick } = workspace
  const { range: marked } = workspace.state().selection
  return CATALOGUE.map((cell): Found => {
    const made = () =>
      insertPhrase(lick, marked?.to ?? lick.line.slots.length, cell.phrase, cell.name)
    return {
      id: `cell ${cell.id}`,
      name: cell.name,
      kind: 'cell',
      also: `${cell.tags.join(' ')} ${cell.family} ${formatPhrase(cell.phrase)}`,
      phrase: cell.phrase,
      run: () => workspace.edit(made()),
      show: (shown) => workspace.show(shown ? made() : null),
    }
  })
}
