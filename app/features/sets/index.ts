export { type InSet, WithinSet } from './in-set'
export { createSetOf, saveLinkedSet } from './set-actions'
export { SetBar } from './set-bar'
