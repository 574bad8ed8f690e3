/** Files that were chosen on another page, until the page that reads them takes them. */
let staged: readonly File[] = []

/** Puts files aside for the page that reads them. */
export function stageFiles(files: Iterable<File>): void {
  staged = [...files]
}

/** The files that were put aside; none the next time. */
export function takeStagedFiles(): readonly File[] {
  const files = staged
  staged = []
  return files
}
