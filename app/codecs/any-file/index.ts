export { type PartText, PROPOSED_TAG, partText } from './part-text'
export { type AnyFile, recogniseFile } from './recognise'
