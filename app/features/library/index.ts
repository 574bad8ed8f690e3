export { foundRows, sortedRows } from './chosen-rows'
export { createLick, type LibraryState } from './library-actions'
