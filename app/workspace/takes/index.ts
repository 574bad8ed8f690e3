export { clicksOfRound, type Take, TakeMemory } from './take-memory'
export { marksOf, outlineOf, type TakeMark, toListen } from './take-sound'
