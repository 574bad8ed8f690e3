export { StoreTrouble } from './error-page'
