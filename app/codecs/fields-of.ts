import type * as z from 'zod/mini'

/**
 * A check for each field of a type of the core and for no other. What a schema is made of stands under
 * `satisfies FieldsOf<T>`: a field that is added to the type is a fault of the compiler until it is checked,
 * and one that was taken away until it is not. What the checks let through is held against `T` where it is
 * returned, without a cast.
 *
 * @example z.object({ slot, surface } satisfies FieldsOf<Pin>)
 */
export type FieldsOf<T> = { readonly [K in keyof Required<T>]: z.ZodMiniType }
