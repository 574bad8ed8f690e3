export {
  accentFamily,
  type Family,
  inversionFamily,
  type PlaceRule,
  PUTS,
  type Put,
  placeFamily,
} from './families'
