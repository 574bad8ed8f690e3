export { formatWav } from './wav'
