const PATIENCE_MS = 2000

/**
 * Does something with an element as soon as it is there, at once or within two seconds: what a part of
 * the page holds may still be fetched. Returns the way to give up.
 */
export function whenThere<T extends Element>(
  find: () => T | null,
  act: (found: T) => void,
): () => void {
  const started = performance.now()
  let frame = 0
  const look = () => {
    const found = find()
    if (found) act(found)
    else if (performance.now() - started < PATIENCE_MS) frame = requestAnimationFrame(look)
  }
  look()
  return () => cancelAnimationFrame(frame)
}
