import * as z from 'zod/mini'
import { showControls } from '~/core/foundation'

/** Texts longer than this are refused on the way in, so that what is written can be read. */
export const MAX_TEXT = 65_536

/** Words that a person typed, on one row: nothing in them turns the order of what is around them. */
export const words = (most: number) =>
  z.pipe(z.string().check(z.maxLength(most)), z.transform(showControls))
/** A name of at most 80 letters. */
export const name = z.pipe(
  z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  z.transform(showControls),
)

/** A record that is first brought to today's version. */
export function upgraded<T extends z.core.$ZodType>(
  upgrade: (stored: unknown) => unknown,
  schema: T,
): z.ZodMiniPipe<z.ZodMiniTransform<z.input<T>, unknown>, T> {
  // What the upgrade gives is judged by the schema, whatever its type says.
  return z.pipe(z.transform(upgrade), schema as never) as unknown as z.ZodMiniPipe<
    z.ZodMiniTransform<z.input<T>, unknown>,
    T
  >
}
