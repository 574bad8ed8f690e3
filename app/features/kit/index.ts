export { EvidencePart } from './evidence-part'
