export { FinderPage } from './finder-page'
export { finderPath, questionFor, questionLike } from './question-edits'
