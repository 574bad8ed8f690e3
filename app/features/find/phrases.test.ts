import { describe, expect, it } from 'vitest'
import { KIT_PRESETS } from '~/core/kit'
import { DEFAULT_SETTINGS } from '~/storage'
import { workspaceOf } from '../../../tests/support/workspace'
import { benchFinds } from '../bench/bench-finds'
import { everywhere } from './everywhere'
import { findIn } from './search'
import type { Found } from './sources'

const TEXT =
  'title: Ring\nmeter: 4/4\ngrid: 1/16\nstart: 1\nlead: 1\nunder: @1/8 K\nlanding: last\nline: >R:t1LLRK RlL- fRKK\n'

/** What people type, and the name of what they mean: it stands among the first three. */
const PHRASES: Readonly<Record<string, string>> = {
  // Drums and cymbals.
  rack: 'Strike tom 1 with every right',
  'tom 1': 'Strike tom 1 with every right',
  'right hand tom': 'Strike tom 1 with every right',
  'rights on tom 1': 'Strike tom 1 with every right',
  'lefts on the snare': 'Strike the snare with every left',
  'accents on the crash': 'Strike the crash with the accents',
  'floor tom': 'Strike the floor tom with every right',
  'ride with every right': 'Strike the ride with every right',
  'doubles on the floor tom': 'Strike the floor tom with the doubles',
  orchestrate: 'Voice by rules',
  'round the kit': 'Voice by rules',
  'voices by hand': 'Strike voices by hand on the plan',
  'snare only': 'Play on one surface',
  // Kicks.
  'remove kick': 'Turn kicks into rests',
  'delete kicks': 'Turn kicks into rests',
  'no kicks': 'Turn kicks into rests',
  'without kick': 'Turn kicks into rests',
  'fewer kicks': 'Kicks on the beats only',
  'less kick': 'Kicks on the beats only',
  'every other kick': 'Every other kick',
  'kicks on the beat': 'Kicks on the beats only',
  'add a kick': 'Kick on the beats',
  'kick at the end': 'Kick at the end',
  'kick under every right': 'Kick under every right',
  'replace lefts with kicks': 'Replace lefts with kicks',
  'double kicks': 'Double the kicks',
  'kicks in the gaps': 'Kicks in the gaps',
  'click eighths': 'Click on eighths',
  'click groups': 'Click on groups',
  'bass drum on quarters': 'Kick on quarters',
  // Accents and ghosts.
  accent: 'Accent every stroke',
  'accent the second': 'Accent the second of each group',
  'accent every right': 'Accent every right',
  'accent rights': 'Accent every right',
  'accent first of each group': 'Accent the first of each group',
  'accent the third': 'Accent the third of each group',
  'accent singles': 'Accent the single strokes',
  'accent doubles': 'Accent the doubles',
  'accents on the beats': 'Accents on the beats',
  'accents in threes': 'Accents in threes',
  'move accents': 'Move accents one later',
  'shift accents earlier': 'Move accents one earlier',
  'remove accents': 'Remove accents',
  'no accents': 'Remove accents',
  ghost: 'Ghost every stroke',
  'ghost every left': 'Ghost every left',
  'ghost lefts': 'Ghost every left',
  'ghost all but the accents': 'Ghost all but the accents',
  'ghost doubles': 'Ghost the doubles',
  soft: 'Play softly every stroke',
  plain: 'Make plain every stroke',
  'strong accent': 'Accent strongly every stroke',
  crescendo: 'Swell from ghost to accent',
  louder: 'Swell from ghost to accent',
  diminuendo: 'Fade from accent to ghost',
  // Graces.
  flam: 'Flam every stroke',
  'flam the accents': 'Flam the accents',
  'flam on the first': 'Flam the first of each group',
  'flam every third': 'Flam every third stroke',
  drag: 'Drag every stroke',
  'drag the accents': 'Drag the accents',
  ruff: 'Ruff every stroke',
  'remove flams': 'Remove graces',
  'no graces': 'Remove graces',
  // Order and hands.
  mirror: 'Mirror the feet',
  'left lead': 'Lead with the other hand',
  'lead with the left': 'Lead with the other hand',
  'swap hands': 'Lead with the other hand',
  'other way round': 'Lead with the other hand',
  rotate: 'Rotate forward',
  inversion: 'Rotate forward',
  displace: 'Rotate forward',
  'rotate back': 'Rotate back',
  reverse: 'Reverse',
  backwards: 'Reverse',
  'feet instead of hands': 'Move hands to feet',
  'hands to feet': 'Move hands to feet',
  'twice as fast': 'Double up',
  'double up': 'Double up',
  diddles: 'Double up',
  'slip left double': 'Squeeze between left doubles',
  'left foot where a hand rests': 'Hi-hat foot in the gaps',
  'turn into rests': 'Turn into rests',
  silence: 'Turn into rests',
  'lefts in the gaps': 'Lefts in the gaps',
  // Groups.
  'repeat until full': 'Repeat until full',
  repeat: 'Repeat until full',
  'split here': 'Split here',
  join: 'Join',
  'join groups': 'Join',
  'move group later': 'Move later',
  regroup: 'Regroup by sizes',
  fives: 'Grid of sixteenth quintuplets',
  'insert rest': 'Insert a rest',
  'add a rest': 'Insert a rest',
  'bar check': 'Bar check here',
  'select all': 'Widen the selection',
  // Easier.
  easier: 'Make it easier',
  simpler: 'Kicks on the beats only',
  'make it easier': 'Make it easier',
  slower: 'Play slower',
  'slow down': 'Play slower',
  faster: 'Play faster',
  'speed up': 'Play faster',
  halves: 'Same sound, half the tempo',
  'half the tempo': 'Same sound, half the tempo',
  'feet at half the rate': 'Feet at half the rate',
  'one surface': 'Play on one surface',
  // The bar.
  '7/8': 'Set the metre to 7/8',
  '2/4': 'Set the metre to 2/4',
  '6/8': 'Set the metre to 6/8',
  'in 5/4': 'Set the metre to 5/4',
  metre: 'Set the metre',
  meter: 'Set the metre',
  'time signature': 'Set the metre',
  '92': 'Set the tempo to 92 bpm',
  'tempo 92': 'Set the tempo to 92 bpm',
  '120 bpm': 'Set the tempo to 120 bpm',
  'goal 140': 'Set the goal to 140 bpm',
  tempo: 'Set the tempo',
  bpm: 'Set the tempo',
  'from 3&': 'Start on 3&',
  'from the & of 2': 'Start on & of 2',
  'start on 4': 'Start on 4',
  start: 'Set the start',
  'pick-up': 'Set the start',
  grid: 'Set the grid',
  subdivision: 'Set the grid',
  quintuplet: 'Grid of sixteenth quintuplets',
  quintuplets: 'Grid of sixteenth quintuplets',
  sextuplets: 'Grid of sixteenth triplets',
  'sixteenth triplets': 'Grid of sixteenth triplets',
  triplets: 'Grid of eighth triplets',
  eighths: 'Grid of eighths',
  'eighth notes': 'Grid of eighths',
  'thirty-seconds': 'Grid of thirty-seconds',
  septuplets: 'Grid of sixteenth septuplets',
  '1/16t': 'Grid of sixteenth triplets',
  'from here': 'From here on eighths',
  'from here on triplets': 'From here on eighth triplets',
  groove: 'Set the groove',
  swing: 'Set the groove',
  shuffle: 'Groove: Shuffle',
  'half time': 'Groove: Half time',
  backbeat: 'Groove: Half time',
  landing: 'Set the landing',
  crash: 'Land on a crash',
  choke: 'Land on a choked crash',
  ending: 'Other endings',
  endings: 'Other endings',
  'early stop': 'Land on a choked crash',
  'no crash': 'Land in the groove',
  'back to the groove': 'Land in the groove',
  'no landing': 'No landing',
  // Feet.
  'hi-hat foot': 'Hi-hat foot on quarters',
  'hi-hat on 2 and 4': 'Hi-hat foot on 2 and 4',
  samba: 'Samba foot',
  ostinato: 'Kick on quarters',
  'feet under the line': 'Type feet under the line',
  'remove feet': 'No feet under it',
  'keep the groove hands': 'Keep the hands of the groove over feet',
  // Keeping.
  'save as cell': 'Save as cell',
  'save cell': 'Save as cell',
  'save version': 'Save a version',
  version: 'Save a version',
  snapshot: 'Save a version',
  section: 'Name a part',
  part: 'Name a part',
  'name a part': 'Name a part',
  note: 'Write a note',
  comment: 'Write a note',
  undo: 'Undo',
  redo: 'Redo',
  // Out of the app, and into it.
  print: 'Print this lick',
  pdf: 'Print this lick',
  sheet: 'Print this lick',
  'page for a pupil': 'A page for a pupil',
  student: 'A page for a pupil',
  wav: 'Save as a sound file',
  'sound file': 'Save as a sound file',
  audio: 'Save as a sound file',
  midi: 'Save as MIDI',
  musicxml: 'Save as MusicXML',
  link: 'Copy a link',
  share: 'Copy a link',
  'add to set': 'Add this lick to a set',
  backup: 'Backup',
  import: 'Backup',
  record: 'Tap a line in',
  'tap in': 'Tap a line in',
  microphone: 'Tap a line in',
  // Practice and sound.
  practise: 'Practise this lick',
  practice: 'Practise this lick',
  'practice this lick': 'Practise this lick',
  play: 'Play or stop',
  stop: 'Play or stop',
  metronome: 'Click off',
  click: 'Click off',
  'click off': 'Click off',
  loop: 'Loop off',
  'count in': 'Count-in off',
  'count aloud': 'Count aloud on',
  'off-beats': 'Click on the off-beats',
  'how fast': 'How fast it can be played',
  limit: 'How fast it can be played',
  crossings: 'Where the sticks collide',
  // Places and settings.
  kit: 'Kit',
  library: 'Library',
  flow: 'Flow',
  sets: 'Sets',
  solos: 'Solos',
  log: 'Log',
  history: 'Log',
  settings: 'Settings',
  bin: 'Bin',
  trash: 'Bin',
  'new lick': 'New lick',
  dark: 'Light or dark theme',
  theme: 'Light or dark theme',
  'left-handed': 'Left-handed',
  lefty: 'Left-handed',
  'beams by group': 'Beams by group',
  counting: 'Counting: Digits only',
  shortcuts: 'Show the keys',
  keyboard: 'Show the keys',
  // Cells and licks.
  paradiddle: 'Single paradiddle',
  rllk: 'Four, double and kick',
  'trapeze catch': 'Trapeze Catch',
}

/** What is done at one place. */
const ONE_SLOT = new Set(['split here', 'move group later'])

function everything(typed: string): Found[] {
  const bench = workspaceOf(TEXT)
  if (ONE_SLOT.has(typed)) bench.mark(6, 6)
  else bench.mark(0, 10)
  const [kit] = KIT_PRESETS
  if (!kit) throw new Error('no kit')
  const none = () => {}
  const acts = { lickId: 'a', kit, grooves: [], openPanel: none, play: none, go: none, help: none }
  const lick: Found = { id: 'lick t', name: 'Trapeze Catch', kind: 'lick', run: none }
  const anywhere = {
    settings: DEFAULT_SETTINGS,
    change: none,
    go: none,
    turnTheme: none,
    newLick: none,
  }
  return findIn([...benchFinds(bench, acts, typed), ...everywhere(anywhere), lick], typed)
}

describe('what drummers say', () => {
  it('is two hundred phrases', () =>
    expect(Object.keys(PHRASES).length).toBeGreaterThanOrEqual(200))

  it.each(Object.entries(PHRASES))('%s', (typed, meant) => {
    const names = everything(typed).map(({ name }) => name)
    const first = names.slice(0, 3)
    expect(first).toContain(meant)
  })

  it('is nothing for what is nothing', () => expect(everything('zebra quartz')).toEqual([]))

  it('is an answer that does what it says, undone in one step', () => {
    const bench = workspaceOf(TEXT)
    const [kit] = KIT_PRESETS
    if (!kit) throw new Error('no kit')
    const none = () => {}
    const acts = {
      lickId: 'a',
      kit,
      grooves: [],
      openPanel: none,
      play: none,
      go: none,
      help: none,
    }
    for (const [typed, row] of [
      ['7/8', 'meter: 7/8'],
      ['tempo 92', 'tempo: 92'],
      ['from the & of 2', 'start: 2&'],
    ] as const) {
      const before = bench.document.history.text
      findIn(benchFinds(bench, acts, typed), typed)[0]?.run()
      expect(bench.document.history.text).toContain(row)
      bench.travel('undo')
      expect(bench.document.history.text).toBe(before)
    }
    expect(findIn(benchFinds(bench, acts, '999'), '999').map(({ kind }) => kind)).not.toContain(
      'answer',
    )
  })
})
