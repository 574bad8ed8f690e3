export type { Change, ChangeContext, ChangeKind } from './change'
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
