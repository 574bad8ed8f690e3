export { type Onset, OnsetDetector } from './onsets'
