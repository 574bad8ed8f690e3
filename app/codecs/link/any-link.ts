import * as z from 'zod/mini'
import { fail, ok, type Result, showControls } from '~/core/foundation'
import type { Solo } from '~/core/solo'
import { parseLickText } from '../lick-text'
import { formatSolo, parseSolo } from '../solo'
import { parseVoicing } from '../voicing'
import { type LinkedLick, NOT_WHOLE, parseLink } from './link'
import { pack, unpack } from './pack'

/** A set of exercises on its way: its licks whole, in their order. */
export interface LinkedSet {
  readonly name: string
  readonly minutes: number
  /** The plan for all of it, as JSON; null for none. What it may say is known where plans are stored. */
  readonly plan: unknown
  readonly licks: readonly LinkedLick[]
}

/** What a link carries. */
export type AnyLink =
  | { readonly kind: 'lick'; readonly lick: LinkedLick }
  | { readonly kind: 'solo'; readonly solo: Solo }
  | { readonly kind: 'set'; readonly set: LinkedSet }

const SOLO = 's1.'
const SET = 'e1.'
/** An address of more letters is cut off by too many programs. */
export const MAX_LINK = 32_000
const MAX_BYTES = 2 * 1024 * 1024

const setSchema = z.object({
  name: z.pipe(z.string().check(z.minLength(1), z.maxLength(80)), z.transform(showControls)),
  minutes: z.number().check(z.minimum(0.5), z.maximum(60)),
  plan: z._default(z.unknown(), null),
  licks: z
    .array(
      z.object({
        text: z.string().check(z.maxLength(65_536)),
        voicing: z.string().check(z.maxLength(65_536)),
      }),
    )
    .check(z.minLength(1), z.maxLength(500)),
})

/** A whole solo after the hash of an address. Law: `parseAnyLink` reads it back as it was. */
export function formatSoloLink(solo: Solo): string {
  return SOLO + pack(JSON.stringify(JSON.parse(formatSolo(solo))))
}

/** A set with its licks after the hash of an address. Law: `parseAnyLink` reads it back as it was. */
export function formatSetLink({ name, minutes, plan, licks }: LinkedSet): string {
  return SET + pack(JSON.stringify({ name, minutes, ...(plan !== null && { plan }), licks }))
}

/** Reads whatever stands after the hash of an address: a lick, a solo or a set, each whole or not at all. */
export function parseAnyLink(hash: string): Result<AnyLink, string> {
  const written = hash.replace(/^#/, '')
  if (written.startsWith(SOLO)) return readSolo(written.slice(SOLO.length))
  if (written.startsWith(SET)) return readSet(written.slice(SET.length))
  if (/^[se]\d+\./.test(written)) return fail('This link is of a newer Dime Stack: reload the app.')
  const lick = parseLink(written)
  return lick.ok ? ok({ kind: 'lick', lick: lick.value }) : lick
}

function readSolo(packed: string): Result<AnyLink, string> {
  const text = unpack(packed, MAX_BYTES)
  if (text === undefined) return fail(NOT_WHOLE)
  const read = parseSolo(text)
  return read.ok ? ok({ kind: 'solo', solo: read.value }) : fail(read.error.message)
}

function readSet(packed: string): Result<AnyLink, string> {
  const text = unpack(packed, MAX_BYTES)
  if (text === undefined) return fail(NOT_WHOLE)
  const read = setSchema.safeParse(parsedJson(text))
  if (!read.success) return fail(NOT_WHOLE)
  const bad = read.data.licks.findIndex(
    (lick) => !parseLickText(lick.text).ok || !parseVoicing(lick.voicing).ok,
  )
  return bad < 0
    ? ok({ kind: 'set', set: read.data })
    : fail(`Lick ${bad + 1} of the set in this link cannot be read.`)
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
