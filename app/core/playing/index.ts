export { FOOT_DOUBLE_MS, FOOT_SINGLE_MS, type FootLanding, footLanding } from './feet'
