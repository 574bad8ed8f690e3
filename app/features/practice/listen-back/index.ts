export { default } from './listen-back'
