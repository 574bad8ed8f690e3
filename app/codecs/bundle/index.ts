export { type BundleEntry, type BundleIssue, formatBundle, parseBundle } from './bundle'
