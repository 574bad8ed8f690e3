import { COUNTING_SYSTEMS } from '~/core/time'
import type { Settings } from '~/storage'
import type { Found } from './sources'

/** Every page, with the words that people look for it by. */
const PLACES: readonly (readonly [path: string, name: string, also: string])[] = [
  ['/', 'Library', 'licks list home all my fills'],
  ['/find', 'Finder', 'find fills search ways combinations that fit question'],
  ['/find?draw', 'Surprise me', 'random fill draw lick idea'],
  ['/kit', 'Kit', 'drums cymbals set-up setup speeds hands measure limb'],
  ['/flow', 'Flow', 'play licks one after the other improvise shuffle mix jam'],
  ['/sets', 'Sets', 'exercises in an order routine warm-up warmup'],
  ['/solos', 'Solos', 'parts in a row whole solo trading fours'],
  ['/log', 'Log', 'practice sessions minutes due history diary progress streak statistics'],
  ['/play-in', 'Play in', 'microphone mic pads midi latency delay calibrate listen hear connect'],
  ['/sheet', 'Sheet', 'print paper page pdf svg png pupil exercise notation handout'],
  ['/settings', 'Settings', 'counting left-handed preferences options'],
  ['/backup', 'Backup', 'export import save files restore data'],
  ['/bin', 'Bin', 'deleted restore trash rubbish undelete'],
]

interface Everywhere {
  readonly settings: Settings
  readonly change: (settings: Partial<Settings>) => void
  readonly go: (path: string) => void
  readonly turnTheme: () => void
  readonly newLick: () => void
}

/** What can be found on every page: the pages themselves, and every value of every setting. */
export function everywhere({ settings, change, go, turnTheme, newLick }: Everywhere): Found[] {
  const leftHanded = settings.turnLetters && settings.turnKit && settings.turnFeet
  const places = PLACES.map(
    ([path, name, also]): Found => ({ id: path, name, also, kind: 'place', run: () => go(path) }),
  )
  const setting = (name: string, also: string, to: Partial<Settings>): Found => ({
    id: `setting ${name}`,
    name,
    also,
    kind: 'setting',
    run: () => change(to),
  })
  const turn = (key: BooleanSetting, on: string, off: string, also: string): Found =>
    setting(settings[key] ? off : on, also, { [key]: !settings[key] })
  return [
    {
      id: 'new lick',
      name: 'New lick',
      also: 'add create start empty fill write',
      kind: 'command',
      run: newLick,
    },
    ...places,
    {
      id: 'theme',
      name: 'Light or dark theme',
      also: 'colour mode night day',
      kind: 'setting',
      run: turnTheme,
    },
    turn('click', 'Click on', 'Click off', 'metronome sound mute beep'),
    turn('countIn', 'Count-in on', 'Count-in off', 'count in before one two three four'),
    turn('loop', 'Loop on', 'Loop off', 'repeat over again round'),
    turn(
      'pulse',
      'Hi-hat foot in practice on',
      'Hi-hat foot in practice off',
      'practice left foot',
    ),
    turn('voiceCount', 'Count aloud on', 'Count aloud off', 'voice speak say counting'),
    turn(
      'countUnits',
      'Count compound metres in eighths',
      'Count compound metres in beats',
      '6/8 12/8',
    ),
    turn(
      'countGroups',
      'Count odd metres by their groups',
      'Count odd metres by their units',
      '7/8',
    ),
    turn(
      'sextupletsInEighths',
      'Voice and click count sextuplets in eighths',
      'Voice and click count sextuplets in beats',
      'sixes',
    ),
    turn('singleKeys', 'Single keys as shortcuts on', 'Single keys as shortcuts off', 'keyboard'),
    setting(leftHanded ? 'Right-handed' : 'Left-handed', 'lefty handed left right mirror', {
      turnLetters: !leftHanded,
      turnKit: !leftHanded,
      turnFeet: !leftHanded,
    }),
    turn('turnLetters', 'Mirror the letters', 'Letters as written', 'left-handed handed left'),
    turn('turnFeet', 'Mirror the feet', 'Feet as set up', 'lefty left-handed pedals lead'),
    turn('turnKit', 'Mirror the kit', 'Kit as set up', 'lefty handed left'),
    turn('openHanded', 'Open-handed grooves', 'Crossed grooves', 'lefty hands swap open'),
    setting('Beams by beat', 'beaming notation staff', { beaming: 'beat' }),
    setting('Beams by group', 'beaming notation staff cells', { beaming: 'group' }),
    setting('Groove as slashes', 'staff notation', { staffGroove: 'slashes' }),
    setting('Groove as notes', 'staff notation', { staffGroove: 'notes' }),
    setting('Click on beats', 'metronome quarters', { clickMarks: 'beats' }),
    setting('Click on the off-beats', 'metronome upbeats and', { clickMarks: 'off-beats' }),
    setting('Click on eighths', 'metronome subdivision', { clickMarks: 'eighths' }),
    setting('Click on sixteenths', 'metronome subdivision', { clickMarks: 'sixteenths' }),
    setting('Click on every slot', 'metronome subdivision grid', { clickMarks: 'slots' }),
    setting('Click on groups', 'metronome grouping cells accents', { clickMarks: 'groups' }),
    ...COUNTING_SYSTEMS.map(({ id, name }) =>
      setting(`Counting: ${name}`, 'syllables school words numbers', { school: id }),
    ),
  ]
}

type BooleanSetting = {
  [K in keyof Settings]: Settings[K] extends boolean ? K : never
}[keyof Settings]
