export {
  differingSlots,
  HAND_POLICIES,
  type HandPolicy,
  policyDistances,
  withPolicy,
} from './policies'
export { isUndecided, suggestHands } from './suggest'
