export { FinderPage } from './finder-page'
export { finderPath, questionFrom } from './question-edits'
export { surpriseLine } from './surprise'
