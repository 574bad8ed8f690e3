export {
  type AnyLink,
  formatSetLink,
  formatSoloLink,
  type LinkedSet,
  MAX_LINK,
  parseAnyLink,
} from './any-link'
export { formatLink, type LinkedLick, parseLink } from './link'
