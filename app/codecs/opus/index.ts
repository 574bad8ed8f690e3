export { formatOpus } from './opus'
