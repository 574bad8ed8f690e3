export { accentFamily, type Family, inversionFamily, type KickRule, kickFamily } from './families'
