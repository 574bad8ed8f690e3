import * as z from 'zod/mini'
import { fail, ok, type Result, showControls } from '~/core/foundation'
import { MAX_SLOTS } from '~/core/line'
import { SURFACES } from '~/core/sticking'
import {
  PATH_ENDS,
  type Pin,
  PLAIN_VOICING,
  PLAYERS_OF_RULE,
  type StrokeNote,
  type Voicing,
  type VoicingRule,
} from '~/core/voicing'
import type { FieldsOf } from '../fields-of'
import '../schema-words'

const MAX_RULES = 64
const MAX_NOTES = 256
const MAX_ABOUT = 2000
const MAX_BYTES = 65_536

const surface = z.enum(SURFACES)
const number = z.int().check(z.minimum(1), z.maximum(MAX_SLOTS))
const some = z.array(number).check(z.maxLength(512))

const which = z.discriminatedUnion('kind', [
  z.object({
    kind: z.enum([
      'every',
      'accents',
      'taps',
      'ghosts',
      'doubles',
      'singles',
      'graced',
      'first-of-group',
      'last-of-group',
    ]),
  }),
  z.object({ kind: z.literal('every-nth-group'), nth: number, from: number }),
  z.object({ kind: z.literal('groups'), groups: some }),
  z.object({ kind: z.literal('beats'), beats: some }),
])

const action = z.discriminatedUnion('kind', [
  z.object({ kind: z.enum(['put', 'with-kick', 'with-hand']), surface }),
  z.object({
    kind: z.literal('path'),
    surfaces: z.array(surface).check(z.maxLength(32)),
    per: z.union([z.literal('group'), z.int().check(z.minimum(1), z.maximum(64))]),
    end: z.enum(PATH_ENDS),
    turningStroke: z.boolean(),
  }),
  z.object({
    kind: z.literal('draw'),
    surfaces: z.array(surface).check(z.maxLength(32)),
    per: z.enum(['stroke', 'group']),
    twice: z.boolean(),
    seed: z.int().check(z.minimum(0), z.maximum(0xffff_ffff)),
  }),
  z.object({ kind: z.literal('split'), main: surface, grace: surface }),
  z.object({ kind: z.literal('graces-with-hand') }),
])

const slot = z.int().check(z.minimum(0), z.maximum(MAX_SLOTS))

const voicing = z.object({
  rules: z
    .array(
      z.object({
        hands: z.enum(PLAYERS_OF_RULE),
        which,
        action,
        on: z.boolean(),
      } satisfies FieldsOf<VoicingRule>),
    )
    .check(z.maxLength(MAX_RULES)),
  pins: z.array(z.object({ slot, surface } satisfies FieldsOf<Pin>)).check(z.maxLength(MAX_SLOTS)),
  notes: z.exactOptional(
    z
      .array(
        z.object({
          slot,
          text: z.pipe(
            z.string().check(z.trim(), z.minLength(1), z.maxLength(200)),
            z.transform(showControls),
          ),
        } satisfies FieldsOf<StrokeNote>),
      )
      .check(z.maxLength(MAX_NOTES)),
  ),
  about: z.exactOptional(
    z.pipe(
      z.string().check(z.minLength(1), z.maxLength(MAX_ABOUT)),
      z.transform((text) => text.split('\n').map(showControls).join('\n')),
    ),
  ),
} satisfies FieldsOf<Voicing>)

/** A voicing as JSON; empty where there is nothing in it. Law: read back it is the same. */
export function formatVoicing({ rules, pins, notes = [], about = '' }: Voicing): string {
  if (rules.length + pins.length + notes.length === 0 && about === '') return ''
  return JSON.stringify({
    rules,
    pins,
    ...(notes.length > 0 && { notes }),
    ...(about !== '' && { about }),
  })
}

/** Reads a voicing, whole or not at all; an empty text is the plain one. */
export function parseVoicing(json: string): Result<Voicing, string> {
  if (json === '') return ok(PLAIN_VOICING)
  if (json.length > MAX_BYTES) return fail('the voicing is larger than 64 KiB')
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    return fail('the voicing is no JSON')
  }
  const read = voicing.safeParse(data)
  if (read.success) return ok(read.data)
  return fail('the voicing is none of this version’s')
}

const OTHER = { hands: 'hands', RH: 'LH', LH: 'RH' } as const

/** A voicing with the hands changed places. Law: twice is the same. */
export function turnVoicing(json: string): string {
  const read = parseVoicing(json)
  if (!read.ok) return json
  const rules = read.value.rules.map((rule) => ({ ...rule, hands: OTHER[rule.hands] }))
  return formatVoicing({ ...read.value, rules })
}
