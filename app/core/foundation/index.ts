export { gcd, lcm, modulo, roundHalfUp } from './arithmetic'
export { keepEqual } from './keep-equal'
export { type RandomStream, toRandomStream } from './random'
export { fail, ok, type Result } from './result'
