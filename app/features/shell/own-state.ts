/** A page of one lick keeps its own state: what it saves need not be loaded again. */
export function onlyAnotherLick({
  currentParams,
  nextParams,
}: {
  currentParams: { id?: string }
  nextParams: { id?: string }
}): boolean {
  return currentParams.id !== nextParams.id
}
