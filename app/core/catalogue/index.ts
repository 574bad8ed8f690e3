export {
  CATALOGUE,
  type Cell,
  type CellQuery,
  type CellTraits,
  findCells,
  traitsOf,
} from './cells'
export { CELL_FAMILIES, type CellFamily } from './data'
export { type Form, formsUpToHands, inversionsOf, stickingKey } from './forms'
export { type Naming, namesInLine, namesOf, namingWords } from './naming'
