export { findVoicedLick } from './voiced-lick'
export { formatVoicing, parseVoicing, turnVoicing } from './voicing'
