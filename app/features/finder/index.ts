export { FinderPage } from './finder-page'
