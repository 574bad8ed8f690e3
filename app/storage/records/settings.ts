import * as z from 'zod/mini'
import type { ClickMark } from '~/core/performance'
import type { ClickSound, SoundChoice } from '~/core/sound'
import { words } from './fields'
import { MAX_TEMPLATES, planTemplate } from './plan'
import { PULSES } from './practice-kinds'

const milliseconds = z.number().check(z.minimum(15), z.maximum(2000))
/** Constants that were not there at first are the usual ones where they are missing. */
const limbSpeed = z.object({
  single: milliseconds,
  double: milliseconds,
  triple: z.optional(milliseconds),
})
const handSpeed = z.extend(limbSpeed, {
  buzz: z.optional(milliseconds),
  /** Times as long as Fitts's law says. */
  travel: z.optional(z.number().check(z.minimum(0.2), z.maximum(5))),
})
const limbSpeeds = z.object({ RH: handSpeed, LH: handSpeed, RF: limbSpeed, LF: limbSpeed })

const padNote = z.nullable(z.int().check(z.minimum(0), z.maximum(127)))

const tapDelay = z.number().check(z.minimum(-500), z.maximum(500))

// Written out: to import the list would bring all that plays to pages that play nothing.
const CLICKED = [
  'off',
  'beats',
  'off-beats',
  'eighths',
  'sixteenths',
  'slots',
  'groups',
] as const satisfies readonly ('off' | ClickMark)[]

const CLICK_SOUND = ['tone', 'wood', 'tick', 'chime'] as const satisfies readonly ClickSound[]
const share = z.number().check(z.minimum(0), z.maximum(1))

/** Questions that are kept, at the most. */
export const MAX_QUESTIONS = 40

/** What a player prefers; every field has a default, so that older records stay readable. */
export const settingsSchema = z.object({
  school: z._default(z.string(), 'e-and-a'),
  /** Whether compound metres are counted in their eighths, and odd ones by their groups. */
  countUnits: z._default(z.boolean(), true),
  countGroups: z._default(z.boolean(), false),
  /** Whether voice and click count sextuplets in eighths. */
  sextupletsInEighths: z._default(z.boolean(), false),
  /** How the kick is written in stickings from elsewhere, besides `K`. */
  kickLetter: z._default(z.enum(['', 'F', 'B']), ''),
  /** Whether single letters, digits, arrows and signs are shortcuts. */
  singleKeys: z._default(z.boolean(), true),
  beaming: z._default(z.enum(['beat', 'group']), 'beat'),
  staffGroove: z._default(z.enum(['slashes', 'notes']), 'slashes'),
  click: z._default(z.boolean(), true),
  countIn: z._default(z.boolean(), true),
  loop: z._default(z.boolean(), true),
  /** The kit that licks are played on which name none: the id of a preset or of an own one. */
  kit: z._default(z.string().check(z.maxLength(60)), 'five'),
  /** Measured or typed limb speeds in milliseconds; null for the defaults. */
  speeds: z._default(z.nullable(limbSpeeds), null),
  /** The speeds before they were raised to what was played, so that this can be taken back. */
  speedsBefore: z._default(z.nullable(z.object({ speeds: z.nullable(limbSpeeds) })), null),
  /** Half the width of the shoulders and the length of hand to tip, in centimetres; null for the usual. */
  arms: z._default(
    z.nullable(
      z.object({
        shoulder: z.number().check(z.minimum(5), z.maximum(40)),
        grip: z.number().check(z.minimum(10), z.maximum(60)),
      }),
    ),
    null,
  ),
  /** How far from a shoulder the player reaches, in centimetres; null for the usual. */
  reach: z._default(z.nullable(z.number().check(z.minimum(40), z.maximum(200))), null),
  /** The three switches of handedness, each by itself. */
  turnLetters: z._default(z.boolean(), false),
  /** The groove's hands change places, so that the time is kept without crossing. */
  openHanded: z._default(z.boolean(), false),
  turnKit: z._default(z.boolean(), false),
  turnFeet: z._default(z.boolean(), false),
  /** How practice is counted in and clicked. */
  practiceCountIn: z._default(z.enum(['off', 'once', 'each']), 'once'),
  /** What the ear calls clean: milliseconds from its place, and the share of strokes within them. */
  clean: z._default(
    z.object({
      withinMs: z.number().check(z.minimum(5), z.maximum(60)),
      share: z.number().check(z.minimum(0.5), z.maximum(1)),
    }),
    { withinMs: 30, share: 0.92 },
  ),
  clickMarks: z._default(z.enum(CLICKED), 'beats'),
  /** The click is silent in the last so many of every so many bars; null for never. */
  dropOut: z._default(
    z.nullable(
      z
        .object({
          silent: z.int().check(z.minimum(1), z.maximum(15)),
          of: z.int().check(z.minimum(2), z.maximum(16)),
        })
        .check(z.refine(({ silent, of }) => silent < of)),
    ),
    null,
  ),
  /** The hi-hat foot under whatever is practised, and where it goes. */
  pulse: z._default(z.boolean(), false),
  pulseOn: z._default(z.enum(PULSES), 'beats'),
  /** The count is said by the browser's voice: of every slot, or of the strokes of each group. */
  voiceCount: z._default(z.boolean(), false),
  voiceSays: z._default(z.enum(['slots', 'strokes']), 'slots'),
  /** How kit and click are heard. */
  sound: z._default(
    z.object({
      side: z.enum(['drummer', 'listener']),
      tool: z.enum(['sticks', 'brushes']),
      room: share,
      master: share,
      click: z.enum(CLICK_SOUND),
      barClick: z.enum(CLICK_SOUND),
      samples: z._default(z.string().check(z.maxLength(60)), ''),
    }) satisfies z.ZodMiniType<SoundChoice>,
    {
      side: 'drummer',
      tool: 'sticks',
      room: 0.35,
      master: 0.8,
      click: 'tone',
      barClick: 'tone',
      samples: '',
    },
  ),
  /** Questions for the finder that were kept by name, as they stand in an address. */
  questions: z._default(
    z
      .array(z.object({ name: words(60), question: z.string().check(z.maxLength(16_384)) }))
      .check(z.maxLength(MAX_QUESTIONS)),
    [],
  ),
  /** Plans of the player's own, to be laid on other licks. */
  templates: z._default(z.array(planTemplate).check(z.maxLength(MAX_TEMPLATES)), []),
  /** The limbs that strike the MIDI notes of pads; notes that are not there are a hand's. */
  padLimbs: z._default(
    z
      .array(
        z.object({
          note: z.int().check(z.minimum(0), z.maximum(127)),
          limb: z.enum(['RH', 'LH', 'RF', 'LF']),
        }),
      )
      .check(z.maxLength(128)),
    [
      { note: 35, limb: 'RF' },
      { note: 36, limb: 'RF' },
      { note: 44, limb: 'LF' },
    ],
  ),
  /** How late taps come by each source, in milliseconds: measured against the click. */
  tapDelays: z._default(
    z.object({ keys: tapDelay, pads: tapDelay, mic: z._default(tapDelay, 0) }),
    { keys: 0, pads: 0, mic: 0 },
  ),
  /** The microphone that the delay was measured of, as the browser names it; empty for none. */
  micDevice: z._default(z.string().check(z.maxLength(300)), ''),
  /** Minutes after which a break is called for; 0 for never. */
  breakAfter: z._default(z.int().check(z.minimum(0), z.maximum(120)), 25),
  /** The MIDI notes of the pads that run practice. */
  pads: z._default(z.object({ play: padNote, clean: padNote, rough: padNote, lost: padNote }), {
    play: null,
    clean: null,
    rough: null,
    lost: null,
  }),
})
export type Settings = z.infer<typeof settingsSchema>
/** What the click marks where it is heard: beats, where it is off in practice. */
export function clickedMarks({ clickMarks }: Pick<Settings, 'clickMarks'>): ClickMark {
  return clickMarks === 'off' ? 'beats' : clickMarks
}

export const DEFAULT_SETTINGS: Settings = settingsSchema.parse({})
