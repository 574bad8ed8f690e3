export { formatVoicing, parseVoicing, turnVoicing } from './voicing'
