import * as z from 'zod/mini'
import { fail, ok, type Result } from '~/core/foundation'
import { faultWords } from '../fault-words'

/** The open JSON form in which licks leave and enter the app: lick texts, and what is beside them. */
export const BUNDLE_FORMAT = 'dime-stack-bundle'
export const BUNDLE_VERSION = 1
const MAX_BYTES = 64 * 1024 * 1024

const lickEntry = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(100)),
  text: z.string().check(z.maxLength(65536)),
  draft: z.optional(z.nullable(z.string().check(z.maxLength(65536)))),
  /** Voicing rules and pins, as JSON. */
  voicing: z.optional(z.string().check(z.maxLength(65536))),
})
const bundleSchema = z.object({
  format: z.literal(BUNDLE_FORMAT),
  version: z.literal(BUNDLE_VERSION),
  licks: z.array(lickEntry),
})

export type BundleEntry = z.infer<typeof lickEntry>

/** Why a file is no bundle of ours, in words. */
export interface BundleIssue {
  readonly code: 'too-large' | 'not-json' | 'newer' | 'not-a-bundle'
  readonly message: string
}

/** Writes a bundle, readable by people too. */
export function formatBundle(licks: readonly BundleEntry[]): string {
  return `${JSON.stringify({ format: BUNDLE_FORMAT, version: BUNDLE_VERSION, licks }, null, 2)}\n`
}

/** Reads a bundle, whole or not at all; the lick texts in it are not judged here. */
export function parseBundle(json: string): Result<BundleEntry[], BundleIssue> {
  if (json.length > MAX_BYTES) {
    return fail({ code: 'too-large', message: 'The file is larger than 64 MB.' })
  }
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    return fail({ code: 'not-json', message: 'The file is not valid JSON. It may be cut off.' })
  }
  const version = z
    .object({ format: z.literal(BUNDLE_FORMAT), version: z.number() })
    .safeParse(data)
  if (version.success && version.data.version > BUNDLE_VERSION) {
    return fail({
      code: 'newer',
      message: 'The file was written by a newer version of Dime Stack.',
    })
  }
  const read = bundleSchema.safeParse(data)
  if (read.success) return ok(read.data.licks)
  return fail({
    code: 'not-a-bundle',
    message: faultWords(read.error.issues, 'a collection of licks'),
  })
}
