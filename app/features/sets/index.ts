export { familyTexts } from './family-set'
export { createSetOf, saveLinkedSet } from './set-actions'
export { SetBar } from './set-bar'
