export {
  CHIRP_EVERY_SECONDS,
  CHIRPS,
  MAX_DELAY_SECONDS,
  makeChirp,
  measuredDelay,
} from './chirp'
export { ClockMap, ClockTrail } from './clock'
export { Loudness } from './loudness'
export { type Onset, OnsetDetector } from './onsets'
