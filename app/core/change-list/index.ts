export { CHANGE_KINDS, type Change, type ChangeContext, type ChangeKind } from './change'
export { CHANGES } from './changes'
export {
  CHOICES,
  CHOSEN_CHANGES,
  type Choice,
  chosenChange,
  chosenOf,
  DEEDS,
  type Deed,
} from './chosen'
