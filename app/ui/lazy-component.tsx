import { type ComponentType, type ReactNode, useSyncExternalStore } from 'react'
import { LateValue } from './late-value'

/** A component that is fetched when it is needed, or beforehand. */
export type Late<P> = ComponentType<P & { readonly waiting?: ReactNode }> & {
  readonly preload: () => Promise<void>
}

/**
 * Makes a component that is fetched when it is shown first; `waiting` stands in its place until then. Once
 * it is here it is shown in the same step: React's own `lazy` would show its fallback for a third of a
 * second at the least. What cannot be fetched is thrown, for the boundary around it.
 * Example: `const Keys = lazyComponent(async () => (await import('./key-help')).default)`.
 */
export function lazyComponent<P extends object>(fetch: () => Promise<ComponentType<P>>): Late<P> {
  const value = new LateValue(fetch)
  const { subscribe, state, preload } = value
  // biome-ignore lint/correctness/noComponentHookFactories: called once a module, never while rendering
  function LateComponent({ waiting = null, ...props }: P & { readonly waiting?: ReactNode }) {
    const now = useSyncExternalStore(subscribe, state, state)
    if (now.kind === 'failed') throw now.error
    if (now.kind === 'waiting') return waiting
    const Here = now.value
    return <Here {...(props as unknown as P)} />
  }
  return Object.assign(LateComponent, { preload }) as Late<P>
}
