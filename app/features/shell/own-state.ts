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

/** As `onlyAnotherLick`, for a page that is also about the set of its address. */
export function onlyAnotherExercise(way: {
  currentParams: { id?: string }
  nextParams: { id?: string }
  currentUrl: URL
  nextUrl: URL
}): boolean {
  const setOf = ({ searchParams }: URL) => searchParams.get('set')
  return onlyAnotherLick(way) || setOf(way.currentUrl) !== setOf(way.nextUrl)
}

/** A page whose address tells what is chosen on it: what is stored need not be loaded again for that. */
export function onlyAnotherPage({
  currentUrl,
  nextUrl,
}: {
  currentUrl: URL
  nextUrl: URL
}): boolean {
  return currentUrl.pathname !== nextUrl.pathname
}
