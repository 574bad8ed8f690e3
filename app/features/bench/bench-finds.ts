import { CATALOGUE } from '~/core/catalogue'
import { CHANGES } from '~/core/change-list'
import { cut, formatPhrase, phraseOf, type SlotRange } from '~/core/changes'
import { isEqual } from '~/core/foundation'
import { openSentencePart } from '~/ui/sentence-part'
import { applyChange, changedPhrase, swellEdit } from '~/workspace/edits/change-edits'
import { type Edit, insertPhrase } from '~/workspace/edits/edits'
import { groupingEdits } from '~/workspace/edits/grouping-edits'
import { addLayer } from '~/workspace/edits/pattern-edits'
import { checkBar, insertSlot } from '~/workspace/rows/sticking-row'
import type { Workspace } from '~/workspace/workspace'
import type { Found } from '../find'
import { PANELS } from './dock/panel-list'
import { PART_NAMES } from './frame/frame-words'
import { FEET } from './panels/feet-presets'

/** Everyday words for changes whose names do not say them. */
const EVERYDAY: Readonly<Record<string, string>> = {
  rotate: 'inversion shift displace move strokes permutation',
  'rotate-back': 'inversion shift displace move strokes permutation',
  mirror: 'left lead swap hands flip lefty',
  'mirror-feet': 'swap feet flip',
  'mirror-all': 'swap flip left-handed',
  reverse: 'backwards retrograde',
  alternate: 'double length both hands repeat mirrored',
  'clear-accents': 'plain no accents',
  'ghost-unaccented': 'quiet soft',
  'double-up': 'twice as fast double strokes diddles thirty-seconds',
  squeeze: 'fill between doubles faster',
  'leave-out': 'delete silence mute empty',
  'no-graces': 'remove flams drags',
  'to-feet': 'feet instead of hands paradiddle feet',
  'kick-on-beats': 'bass drum on the beat quarters',
}
const PART_WORDS: Readonly<Record<string, string>> = {
  metre: 'meter time signature beats bar',
  grid: 'subdivision sixteenths triplets note value rate',
  start: 'begin offset beat pickup anacrusis',
  groove: 'beat lead-in bars before stop swing',
  landing: 'crash end resolve stop bars to fill',
  tempo: 'bpm speed goal learning',
}
const PREVIEWED = 24

/** Everything that can be done on the bench, to be found by name. */
export function benchFinds(workspace: Workspace, openPanel: (id: string) => void): Found[] {
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
  const changes = CHANGES.flatMap((change): Found[] => {
    const after = changedPhrase(lick, shown, change)
    if (isEqual(after.slots, before)) return []
    const { id, name, kind } = change
    const make = () => applyChange(lick, range, change)
    const found = toFound(id, name, kind, EVERYDAY[id] ?? '', shown, make)
    return [{ ...found, phrase: cut(after, PREVIEWED) }]
  })
  const groups = groupingEdits(lick, marked, range).flatMap(({ label, edit: made }) =>
    edit(label, label, 'groups', made, 'regroup'),
  )
  const swells = [
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
      'diminuendo decrescendo softer',
    ),
  ]
  const cells = CATALOGUE.map(
    (cell): Found => ({
      id: `cell ${cell.id}`,
      name: cell.name,
      kind: 'cell',
      also: `${cell.tags.join(' ')} ${cell.family} ${formatPhrase(cell.phrase)}`,
      phrase: cell.phrase,
      run: () =>
        workspace.edit(
          insertPhrase(
            workspace.lick,
            marked?.to ?? lick.line.slots.length,
            cell.phrase,
            cell.name,
          ),
        ),
      show: (shown) =>
        workspace.show(
          shown
            ? insertPhrase(lick, marked?.to ?? lick.line.slots.length, cell.phrase, cell.name)
            : null,
        ),
    }),
  )
  const panels = PANELS.map(
    ({ id, name, about }): Found => ({
      id: `panel ${id}`,
      name: `Open ${name}`,
      kind: 'panel',
      also: about,
      run: () => openPanel(id),
    }),
  )
  const tapping: Found = {
    id: 'tap in',
    name: 'Tap a line in',
    kind: 'line',
    also: 'play record microphone pads midi keys rhythm listen',
    run: () => openPanel('cells:tap'),
  }
  const parts = Object.entries(PART_NAMES).map(
    ([id, { name }]): Found => ({
      id: `part ${id}`,
      name: `Set the ${name.toLowerCase()}`,
      kind: 'bar',
      also: PART_WORDS[id] ?? '',
      run: () => openSentencePart(id),
    }),
  )
  const feet = FEET.map(
    ([typed, name]): Found => ({
      id: `feet ${typed}`,
      name,
      kind: 'feet',
      also: 'layer ostinato under',
      run: () => {
        const made = addLayer(workspace.lick, typed, name)
        if (made) workspace.edit(made)
      },
    }),
  )
  const commands: Found[] = [
    {
      id: 'undo',
      name: 'Undo',
      kind: 'command',
      also: 'back',
      run: () => workspace.travel('undo'),
    },
    {
      id: 'redo',
      name: 'Redo',
      kind: 'command',
      also: 'again',
      run: () => workspace.travel('redo'),
    },
    {
      id: 'widen',
      name: 'Widen the selection',
      kind: 'command',
      also: 'select group whole line all',
      run: () => workspace.widen(),
    },
    {
      id: 'check',
      name: 'Bar check here',
      kind: 'command',
      also: 'barline',
      run: () => checkBar(workspace),
    },
    {
      id: 'insert',
      name: 'Insert a rest',
      kind: 'command',
      also: 'open a slot gap',
      run: () => insertSlot(workspace),
    },
  ]
  return [
    ...commands,
    ...changes,
    ...groups,
    ...swells,
    tapping,
    ...panels,
    ...parts,
    ...feet,
    ...cells,
  ]
}
