export { regionFor, type SampleMap, type SampleRegion } from './regions'
