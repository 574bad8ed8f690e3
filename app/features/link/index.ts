export { LinkPage } from './link-page'
