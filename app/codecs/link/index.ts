export { formatLink, type LinkedLick, parseLink } from './link'
