export { type FootLanding, footLanding } from './feet'
