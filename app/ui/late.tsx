import { type ComponentType, type ReactNode, useEffect, useState } from 'react'

/** A component that is fetched when it is needed, or beforehand. */
export type Late<P> = ComponentType<P & { readonly waiting?: ReactNode }> & {
  readonly preload: () => Promise<unknown>
}

/**
 * Makes a component that is fetched when it is shown first; `waiting` stands in its place until then. Once
 * it is here it is shown in the same step: React's own `lazy` would show its fallback for a third of a
 * second at the least. What cannot be fetched is thrown, for the boundary around it, and asked for again
 * when it is shown next.
 * Example: `const Keys = late(async () => (await import('./key-help')).default)`.
 */
export function late<P extends object>(fetch: () => Promise<ComponentType<P>>): Late<P> {
  let here: ComponentType<P> | undefined
  let asked: Promise<unknown> | undefined
  const preload = () => {
    asked ??= fetch().then(
      (fetched) => {
        here = fetched
      },
      (error: unknown) => {
        asked = undefined
        throw error
      },
    )
    return asked
  }
  // biome-ignore lint/correctness/noComponentHookFactories: called once a module, never while rendering
  function LateComponent({ waiting = null, ...props }: P & { readonly waiting?: ReactNode }) {
    const [state, setState] = useState<{ error: unknown } | 'here' | 'asked'>(
      here ? 'here' : 'asked',
    )
    useEffect(() => {
      let gone = false
      if (!here) {
        preload().then(
          () => gone || setState('here'),
          (error: unknown) => gone || setState({ error }),
        )
      }
      return () => {
        gone = true
      }
    }, [])
    if (typeof state === 'object') throw state.error
    const Here = here
    return Here ? <Here {...(props as unknown as P)} /> : waiting
  }
  return Object.assign(LateComponent, { preload }) as Late<P>
}
